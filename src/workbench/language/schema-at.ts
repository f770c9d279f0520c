import { documentSchema, kinds, keyRow, pointerTo, themeSchema, type Kind } from '../../document/index.ts';

/** A schema, as far as completing needs it. */
export interface PartSchema {
  readonly $ref?: string;
  readonly title?: string;
  readonly description?: string;
  readonly type?: string | readonly string[];
  readonly enum?: readonly unknown[];
  readonly items?: PartSchema | boolean;
  readonly properties?: { readonly [key: string]: PartSchema | boolean };
  readonly additionalProperties?: PartSchema | boolean;
  readonly then?: PartSchema;
  readonly else?: PartSchema;
  readonly $defs?: { readonly [name: string]: PartSchema };
}

/** The schemas that may hold of what a path leads to, in a document or a theme file. */
export function schemasAt(path: Path, isTheme: boolean): PartSchema[] {
  const root = (isTheme ? themeSchema : documentSchema) as unknown as PartSchema;
  let now = branches(root, root);
  for (const step of path) {
    now = now.flatMap((schema) => {
      const { properties, additionalProperties, items } = schema;
      const next =
        typeof step === 'number'
          ? items
          : properties && Object.hasOwn(properties, step)
            ? properties[step]
            : additionalProperties;
      return typeof next === 'object' ? branches(next, root) : [];
    });
  }
  return now;
}

/** What a schema may be: what it refers to, and both sides of a condition. */
function branches(schema: PartSchema, root: PartSchema): PartSchema[] {
  if (schema.$ref !== undefined) {
    const name = schema.$ref.split('/').at(-1)!;
    const found = root.$defs?.[name];
    return found ? branches(found, root) : [];
  }
  const sides = [schema.then, schema.else].flatMap((one) => (one ? branches(one, root) : []));
  return sides.length > 0
    ? sides.map((one) => ({ ...one, description: one.description ?? schema.description }))
    : [schema];
}

/** The keys and places in lists that lead somewhere in a document. */
export type Path = readonly (string | number)[];

/** A path as a JSON Pointer. */
export function pointerOf(path: Path): string {
  return path.reduce<string>((at, step) => pointerTo(at, step), '');
}

/** What leads to the innermost widget around a place. */
export function pathToWidget(path: Path): Path | undefined {
  for (let length = path.length; length > 0; length--)
    if (isWidget(path.slice(0, length))) return path.slice(0, length);
  return undefined;
}

/** Whether a path leads to a widget. */
export function isWidget(path: Path): boolean {
  return path.at(-2) === 'children' && typeof path.at(-1) === 'number';
}

/** Whether widgets of a kind have a key. */
export function isKeyOf(key: string, kind: string | undefined): boolean {
  const row = keyRow(key);
  const known = (kinds as readonly string[]).includes(kind ?? 'panel')
    ? ((kind ?? 'panel') as Kind)
    : undefined;
  return known === undefined || !row?.kinds || row.kinds.includes(known);
}
