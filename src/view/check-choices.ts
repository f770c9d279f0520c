import {
  endsOf,
  isComputed,
  pointerTo,
  readExpression,
  refusedBy,
  writtenWidgets,
  type CheckedDocument,
  type DiagnosticList,
} from '../document/index.ts';
import { cannotBe, type Refuses } from '../skeleton/index.ts';
import { everyTheme } from '../theme/index.ts';
import { refusing } from './refusing.ts';

/** Reports what a value chooses from by `if()` and its key cannot be: no case may choose it, and a game some day does. */
export function checkChoices(document: CheckedDocument, diagnostics: DiagnosticList): void {
  let refuses: Refuses | undefined;
  const see = (holder: string, key: string, said: unknown, at: string) => {
    const lacks = (end: number | string) => {
      refuses ??= refusing(document, everyTheme(document));
      return holder === 'look' ? refuses('look', end, key) : (refusedBy(key, end) ?? refuses(key, end));
    };
    for (const end of choicesOf(said)) {
      const expected = lacks(end);
      if (expected === undefined) continue;
      const { message } = cannotBe(key, expected, said, end, at);
      diagnostics.add('refused-value', { message }, document.origin.at(at));
    }
  };
  for (const { widget, pointer } of writtenWidgets(document.source)) {
    for (const [key, said] of Object.entries(widget)) see('', key, said, pointerTo(pointer, key));
    for (const [key, said] of Object.entries(widget.look ?? {}))
      see('look', key, said, pointerTo(`${pointer}/look`, key));
  }
}

/** What is written in a value that chooses; nothing of one that does not. */
function choicesOf(said: unknown): readonly (number | string)[] {
  if (!isComputed(said) || !said.includes('if(')) return [];
  return endsOf(readExpression(said.slice(1, -1))!).flatMap((end) =>
    end.type === 'literal' ? [end.value] : [],
  );
}
