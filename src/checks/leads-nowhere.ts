import type { Widget } from '../dress/index.ts';
import { anchorTargets, leadsToWidget, nearestName, type WidgetSource } from '../document/index.ts';
import { keyPointer } from '../why/index.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';

type Key = 'anchor-to' | 'controls' | 'tooltip';

type Facts = {
  readonly key: Key;
  readonly name: string;
  /** What is wrong with it: it is not there, or is not what the key is for. */
  readonly trouble: 'is not there' | 'is no tooltip' | 'does not scroll';
};

/** Where the focus is sent is a check of its own: it asks more of a control. */
export const leadsNowhere = {
  id: 'leads-nowhere',
  title: 'A name that leads nowhere',
  measures: 'names in tooltip, controls and anchor-to that lead to no widget, or to one that cannot be that',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'where nobody is, no hint is shown, nothing scrolls, and what is anchored stands elsewhere',
  severity: 'error',
  sentence: ({ facts: { key, name, trouble } }) => `names "${name}" as its ${key}, which ${trouble}`,
  apart: ({ key, name }) => `${key} ${name}`,
  run(subject, _, report) {
    const found = subject.form.once('leads-nowhere', () =>
      subject.widgets.flatMap((widget) => astrayOf(subject, widget).map((facts) => ({ widget, facts }))),
    );
    for (const { widget, facts } of found) {
      if (!widget.visible) continue;
      const pointer = keyPointer(widget, facts.key);
      const meant =
        facts.trouble === 'is not there' &&
        nearestName(
          facts.name,
          subject.widgets.map(({ id }) => id),
        );
      const text = `its ${facts.key} is "${facts.name}"${meant ? `; there is "${meant}"` : ''}`;
      report({
        outcome: 'failed',
        widget: widget.index,
        measured: 1,
        facts,
        at: pointer,
        reasons: [{ text, pointer }],
      });
    }
  },
} as const satisfies Check<Facts>;

/** What a widget names that is not there; an empty name is nobody's on purpose. */
function astrayOf(subject: Subject, { source }: Widget): readonly Facts[] {
  if (!('anchor-to' in source || 'controls' in source || 'tooltip' in source)) return [];
  const widget: WidgetSource = source;
  const found: Facts[] = [];
  const see = (key: Key, name: string, troubleWith: (target: Widget) => Facts['trouble'] | undefined) => {
    if (name === '') return;
    const index = subject.indexOf(name);
    const trouble = index === undefined ? 'is not there' : troubleWith(subject.widgets[index]!);
    if (trouble) found.push({ key, name, trouble });
  };
  for (const name of widget['anchor-to'] === undefined ? [] : anchorTargets(widget['anchor-to']))
    see('anchor-to', name, () => undefined);
  if (widget.controls !== undefined && leadsToWidget(widget))
    see('controls', widget.controls, ({ box, kind }) =>
      box.x.scrolls || box.y.scrolls || kind === 'textbox' ? undefined : 'does not scroll',
    );
  if (widget.tooltip !== undefined)
    see('tooltip', widget.tooltip, ({ kind }) => (kind === 'tooltip' ? undefined : 'is no tooltip'));
  return found;
}
