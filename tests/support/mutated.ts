/** What goes wrong with files by chance: bytes, letters, and the structure of what is written in them. */

/** Changes bytes at a few places: others, none, twice, zeros, the end cut off. */
export function mutatedBytes(bytes: Buffer, next: () => number): Buffer {
  let made = Buffer.from(bytes);
  const place = () => Math.floor(next() * made.length);
  for (let times = 1 + Math.floor(next() * 4); times > 0; times--) {
    const [from, to] = [place(), place()].sort((a, b) => a - b) as [number, number];
    const how = Math.floor(next() * 6);
    if (how === 0) made[from] = Math.floor(next() * 256);
    else if (how === 1) made = made.subarray(0, from);
    else if (how === 2) made.fill(0, from, Math.min(to, from + 16));
    else if (how === 3)
      made = Buffer.concat([made.subarray(0, from), made.subarray(Math.min(to, from + 200))]);
    else if (how === 4)
      made = Buffer.concat([made.subarray(0, to), made.subarray(from, to), made.subarray(to)]);
    else made.fill(0xff, from, Math.min(made.length, from + 4));
    if (made.length === 0) break;
  }
  return made;
}

const scraps = [
  '{',
  '}',
  '[',
  ']',
  ':',
  ',',
  '"',
  '&a',
  '*a',
  '<<: ',
  '!!js',
  '- ',
  '#',
  '|',
  '>',
  '%',
  '\t',
  '\u0000',
  '\ud800',
  '1e308',
  '-0',
  '.nan',
  '.inf',
  '{depth',
  '$color.',
  '__proto__',
  'null',
  '~',
  '99999999999999999999',
  'fill 0',
  '50% -',
  '..',
  'left..left',
  '<script>',
  '\u202e',
];

/** Changes a text at a few places: cuts, doubles, swaps and scraps of notation. */
export function mutatedText(text: string, next: () => number, most = 4): string {
  let result = text;
  const changes = 1 + Math.floor(next() * most);
  for (let change = 0; change < changes; change++) {
    const at = Math.floor(next() * result.length);
    const to = Math.min(result.length, at + 1 + Math.floor(next() ** 3 * 200));
    const scrap = scraps[Math.floor(next() * scraps.length)]!;
    switch (Math.floor(next() * 5)) {
      case 0:
        result = result.slice(0, at) + result.slice(to);
        break;
      case 1:
        result = result.slice(0, to) + result.slice(at);
        break;
      case 2:
        result = result.slice(0, at) + scrap + result.slice(at);
        break;
      case 3:
        result = result.slice(0, at) + scrap + result.slice(to);
        break;
      default: {
        const from = Math.floor(next() * result.length);
        result = result.slice(0, at) + result.slice(from, from + (to - at)) + result.slice(to);
      }
    }
  }
  return result;
}

/** What stands somewhere in a document: its keys and entries, and in what. */
interface Spot {
  readonly holder: Record<string, unknown> | unknown[];
  readonly key: string | number;
}

function spotsOf(root: unknown): Spot[] {
  const spots: Spot[] = [];
  const stack: unknown[] = [root];
  for (let next = stack.pop(); next !== undefined; next = stack.pop()) {
    if (typeof next !== 'object' || next === null) continue;
    const holder = next as Spot['holder'];
    const keys = Array.isArray(holder) ? [...holder.keys()] : Object.keys(holder);
    for (const key of keys) {
      spots.push({ holder, key });
      stack.push((holder as Record<string | number, unknown>)[key]);
    }
  }
  return spots;
}

const wrongValues: readonly unknown[] = [
  null,
  true,
  -1,
  0,
  1e9,
  -1e308,
  0.5,
  '',
  'fill',
  'fill 3',
  'content',
  '50% - 24',
  '900%',
  'left..right top',
  'center',
  '$color.none',
  '{depth',
  '{depth, plural, one {x}}',
  '{depth / 0}',
  '__proto__',
  [],
  [[]],
  {},
  { x: 1 },
  'a\u0000b',
];

/** Changes what is written at a few places: taken away, of another kind, moved elsewhere, there twice, under another key. */
export function mutatedTree(tree: unknown, next: () => number): unknown {
  const root = structuredClone(tree);
  const pick = <T>(values: readonly T[]): T => values[Math.floor(next() * values.length)]!;
  for (let times = 1 + Math.floor(next() ** 2 * 4); times > 0; times--) {
    const spots = spotsOf(root);
    if (spots.length === 0) break;
    const { holder, key } = pick(spots);
    const held = holder as Record<string | number, unknown>;
    switch (Math.floor(next() * 5)) {
      case 0:
        if (Array.isArray(holder)) holder.splice(Number(key), 1);
        else Reflect.deleteProperty(holder, key);
        break;
      case 1:
        held[key] = structuredClone(pick(wrongValues));
        break;
      case 2: {
        const other = pick(spots);
        held[key] = structuredClone((other.holder as Record<string | number, unknown>)[other.key]);
        break;
      }
      case 3:
        if (Array.isArray(holder)) holder.push(structuredClone(held[key]));
        else held[`${key}-2`] = structuredClone(held[key]);
        break;
      default:
        if (!Array.isArray(holder)) held[String(pick(spots).key)] = structuredClone(held[key]);
    }
  }
  return root;
}
