import { keyOf } from '../verdict/index.ts';
import type { Asked, Looked, Telling } from './trial.ts';

/** What came of changes in earlier runs. */
export interface TriedBefore {
  /**
   * @param view The view a change is made in; undefined where others may be concerned too.
   * @param change What tells it from other changes of the same document there.
   */
  find(view: string | undefined, change: string): Looked<string> | undefined;
  keep(view: string | undefined, change: string, looked: Looked<string>): void;
}

/** Findings by `keyOf` them: what is kept of a change is as short as what is asked of it. */
export function byKey(tried: TriedBefore): Telling<string> {
  return {
    item: keyOf,
    known: (asked) => tried.find(asked.view, nameOf(asked)),
    told: (asked, looked) => {
      const kept: Looked<string> = 'broke' in looked ? looked : { ...looked, found: looked.found.map(keyOf) };
      tried.keep(asked.view, nameOf(asked), kept);
      return kept;
    },
  };
}

/** What it is to mend, and all that it changes. */
function nameOf({ finding, changed, view }: Asked): string {
  const { source } = changed;
  const own = view === undefined ? source : { ...source, views: { [view]: source.views[view] } };
  return JSON.stringify([keyOf(finding), own]);
}
