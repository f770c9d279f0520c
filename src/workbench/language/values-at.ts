import type { TextContext } from './context.ts';
import { idsAt, type NamingPlace } from './ids-at.ts';
import type { Names, ValueType, WrittenNames } from './names.ts';
import { offerOf, type Named, type Offer } from './offered.ts';
import type { Option } from './option.ts';
import { schemasAt, type PartSchema, type Path } from './schema-at.ts';

type Add = (labels: Iterable<string>, detail: string, written?: (label: string) => string) => void;

/** What may stand as the value of a key, as an entry of a list, or between braces. */
export function valuesAt(
  { path, key, word, isInBraces, siblings }: TextContext,
  names: Names | undefined,
  isTheme: boolean,
): Option[] {
  const found = new Map<string, Option>();
  const add: Add = (labels, detail, written) => {
    for (const label of labels)
      if (!found.has(label))
        found.set(label, { label, detail, info: '', ...(written && { written: written(label) }) });
  };
  if (isInBraces) for (const [name, { what }] of names?.values ?? []) add([name], what);
  if (isInBraces) return [...found.values()];
  const at = key === undefined ? path : [...path, key];
  const schemas = schemasAt(at, isTheme);
  const offers = offersAt(at, schemas, isTheme);
  if (!word.startsWith('$')) {
    for (const { enum: choices = [] } of schemas) add(choices.map(String), 'value');
    if (schemas.some(isFlag)) add(['true', 'false'], 'value');
    for (const offer of offers) {
      add(offer.words ?? [], offer.what ?? 'value');
      if (names)
        for (const one of offer.names ?? [])
          addNamed(one, offer, { at, word, names, id: siblings.get('id') }, add);
    }
  }
  if (names && mayHaveTokens(at))
    for (const { tokens = [] } of offers)
      add(
        [...names.tokens].filter(([, type]) => tokens.includes(type ?? '')).map(([name]) => name),
        'token',
      );
  return [...found.values()];
}

/** Whether a value is true or false, or a text that comes to that. */
function isFlag({ type }: PartSchema): boolean {
  const types = [type ?? []].flat();
  return types.includes('boolean') && types.every((one) => one === 'boolean' || one === 'string');
}

/** What is offered for a value; for an entry of a list, what the list says of its entries. */
function offersAt(at: Path, schemas: readonly PartSchema[], isTheme: boolean): Offer[] {
  const own = schemas.map(({ title }) => offerOf(title));
  if (typeof at.at(-1) !== 'number') return own;
  const lists = schemasAt(at.slice(0, -1), isTheme).map(({ title }) => offerOf(title));
  return [...own, ...lists.map(({ names = [], tokens = [] }) => ({ names, tokens }))];
}

/** Whether tokens may stand in a value. */
function mayHaveTokens(at: Path): boolean {
  return (
    at.includes('look') ||
    at[0] === 'styles' ||
    at[0] === 'kinds' ||
    at.at(-1) === 'tint' ||
    at.includes('backdrop')
  );
}

/** What each kind of names is called beside one of them. */
const details: { readonly [one in Named]: string } = {
  styles: 'style',
  pictures: 'picture',
  components: 'component',
  fonts: 'font',
  themes: 'theme',
  widgets: 'widget',
  children: 'child',
  tooltips: 'tooltip',
  flags: 'value',
  numbers: 'value',
  counts: 'value',
};
const bound: { readonly [one in Named]?: readonly ValueType[] } = {
  flags: ['flag'],
  numbers: ['number'],
  counts: ['number', 'list'],
};

function addNamed(one: Named, { isList }: Offer, place: NamingPlace, add: Add): void {
  const { at, names } = place;
  const types = bound[one];
  // A view itself is the same with every value.
  if (types && at[0] === 'views' && !at.includes('children')) return;
  if (types) {
    const fitting = [...names.values].filter(([, value]) => types.some((type) => value.types.has(type)));
    // Braces that stand in no quotes are a map.
    add(
      fitting.map(([name]) => `{${name}}`),
      details[one],
      (label) => `"${label}"`,
    );
  } else if (one === 'widgets' || one === 'children' || one === 'tooltips')
    add(idsAt(one, place), details[one], isList && ((label) => `[${label}]`));
  else add(names[one as keyof WrittenNames], details[one]);
}
