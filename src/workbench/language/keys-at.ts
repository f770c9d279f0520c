import { fixedBy, freeKeys } from '../../document/index.ts';
import type { TextContext } from './context.ts';
import { idsIn } from './ids-at.ts';
import type { Names } from './names.ts';
import type { Option } from './option.ts';
import { isKeyOf, isWidget, pointerOf, schemasAt, type Path } from './schema-at.ts';

/** The keys that a map may have at a place, and has not. */
export function keysAt(
  { path, siblings }: TextContext,
  names: Names | undefined,
  isTheme: boolean,
): Option[] {
  const found = new Map<string, Option>();
  const add = (label: string, detail: string, info: string) => {
    if (!siblings.has(label) && !found.has(label)) found.set(label, { label, detail, info });
  };
  if (names) for (const [label, detail] of namedKeys(path, siblings, names)) add(label, detail, '');
  const may = keysThatMay(path, siblings, names);
  for (const { properties } of schemasAt(path, isTheme)) {
    for (const [key, schema] of Object.entries(properties ?? {})) {
      if (schema === false || !may(key)) continue;
      const { description = '', title } = typeof schema === 'object' ? withSides(schema) : {};
      const is = title === undefined ? '' : ` ${title[0]!.toUpperCase()}${title.slice(1)}.`;
      add(key, 'key', `${description}${is}`.trim());
    }
  }
  return [...found.values()];
}

/** Which keys the widget, or what is changed of one, may have there. */
function keysThatMay(
  path: Path,
  siblings: ReadonlyMap<string, string>,
  names: Names | undefined,
): (key: string) => boolean {
  const isOf = (kind: string | undefined) => (key: string) => kind === undefined || isKeyOf(key, kind);
  if (path.at(-1) === 'change') {
    const changed = path.slice(0, -3);
    if (changed.length === 2 && changed[0] === 'views') return (key) => !fixedBy.view(key);
    const has = isOf(names?.widgets.get(pointerOf(changed))?.kind);
    return (key) => !fixedBy.condition(key) && has(key);
  }
  if (path.at(-2) === 'set') return (key) => !fixedBy.instance(key);
  if (!isWidget(path) && !(path.length === 2 && path[0] === 'components')) return () => true;
  const has = isOf(siblings.get('kind') ?? (siblings.has('use') ? undefined : 'panel'));
  // All children of one parent are arranged alike.
  const isArranged = names?.widgets.get(pointerOf([...path.slice(0, -1), 0]))?.isArranged;
  return (key) => has(key) && !(isArranged && (freeKeys as readonly string[]).includes(key));
}

/** Keys that the document itself has names for. */
function* namedKeys(
  path: Path,
  siblings: ReadonlyMap<string, string>,
  names: Names,
): Generator<[label: string, detail: string]> {
  const { parameters, values, widgets } = names;
  const use = siblings.get('use');
  if (use !== undefined && isWidget(path))
    for (const name of parameters.get(use) ?? []) yield [name, `parameter of ${use}`];
  if (path[0] === 'cases' && path.length === 2)
    for (const [name, { what }] of values) if (what === 'value' && !name.includes('.')) yield [name, what];
  const component = path.at(-1) === 'set' ? widgets.get(pointerOf(path.slice(0, -1)))?.use : undefined;
  if (component !== undefined) for (const id of idsIn(component, names)) yield [id, `of ${component}`];
}

function withSides<T extends { description?: string; title?: string; else?: T }>(
  schema: T,
): { description?: string; title?: string } {
  return {
    description: schema.description ?? schema.else?.description,
    title: schema.title ?? schema.else?.title,
  };
}
