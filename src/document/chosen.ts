import type { DiagnosticList } from './diagnostics.ts';
import { type Origin, type WidgetSource } from './model.ts';
import { isIdPattern } from './ids.ts';
import { nearestName } from './suggest.ts';

const called = { page: 'page', selection: 'entry' } as const;

/**
 * Reports a page or an entry that is chosen and is not there. No entry is chosen by an empty name; those of a repeat go by what they
 * show, and what is put into a slot is said elsewhere. @param left Whether a key is left to a name.
 */
export function checkChosen(
  key: 'page' | 'selection',
  holder: Pick<WidgetSource, 'page' | 'selection' | 'children'>,
  pointer: string,
  origin: Origin,
  diagnostics: DiagnosticList,
  left: (key: string) => boolean,
): void {
  const { [key]: name, children = [] } = holder;
  if (name === undefined || left(key) || (name === '' && key === 'selection')) return;
  const ids = children.flatMap(({ id, controls = id }) => controls ?? []);
  const isOpen = children.some(({ repeat, slot }) => repeat !== undefined || slot === true);
  if (isOpen || ids.includes(name) || [name, ...ids].some(isIdPattern)) return;
  const facts = { what: called[key], name, meant: nearestName(name, ids) };
  diagnostics.add('unknown-name', facts, origin.at(`${pointer}/${key}`));
}
