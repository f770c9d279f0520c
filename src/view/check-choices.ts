import {
  endsOf,
  isComputed,
  isTemplate,
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
  let known: Refuses | undefined;
  const refuses: Refuses = (...asked) => (known ??= refusing(document, everyTheme(document)))(...asked);
  const see = (key: string, said: unknown, at: string, expected: (end: unknown) => string | undefined) => {
    for (const end of choicesIn(said)) {
      const wanted = expected(end);
      if (wanted === undefined) continue;
      const { message } = cannotBe(key, wanted, said, end, at);
      diagnostics.add('refused-value', { message }, document.origin.at(at));
    }
  };
  for (const { widget, pointer } of writtenWidgets(document.source)) {
    for (const [key, said] of Object.entries(widget))
      see(key, said, pointerTo(pointer, key), (end) => refusedBy(key, end) ?? refuses(key, end));
    for (const [key, said] of Object.entries(widget.look ?? {}))
      see(key, said, pointerTo(`${pointer}/look`, key), (end) => refuses('look', end, key));
  }
}

/** What a value may come to by its choices; of a list with one choice in it the list with each. */
function choicesIn(said: unknown): readonly unknown[] {
  if (!Array.isArray(said)) return choicesOf(said);
  const list = said as readonly unknown[];
  const [at, ...others] = list.flatMap((one, nth) => (isTemplate(one) ? [nth] : []));
  if (at === undefined || others.length > 0) return [];
  return choicesOf(list[at]).map((end) => list.with(at, end));
}

/** What is written in a value that chooses; nothing of one that does not. */
function choicesOf(said: unknown): readonly (number | string)[] {
  if (!isComputed(said) || !said.includes('if(')) return [];
  return endsOf(readExpression(said.slice(1, -1))!).flatMap((end) =>
    end.type === 'literal' ? [end.value] : [],
  );
}
