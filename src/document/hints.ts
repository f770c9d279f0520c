import { isValueName } from './value-names.ts';

/* What people mean by keys and kinds that this format does not have: usual words of the trade. */

const place = 'say where it is with anchor and offset, as anchor: left top, offset: 10 20';
const look = (key: string): string => `it belongs into its look: { ${key}: … }, or into a style`;

/** What is in something, by other words than `children`. */
const insideNames: ReadonlySet<string> = new Set([
  'child',
  'content',
  'contents',
  'elements',
  'items',
  'nodes',
  'root',
  'widgets',
]);
const inside = 'say children, a list of widgets';

const keyHints: { readonly [key: string]: string } = {
  'left': place,
  'right': place,
  'top': place,
  'bottom': place,
  'x': place,
  'y': place,
  'position': place,
  'hidden': 'say visible: false to keep its place, or gone: true',
  'display': 'say gone: true for what is not there',
  'src': 'say image, the name of one of the pictures',
  'source': 'say image, the name of one of the pictures',
  'title': 'say text',
  'type': 'say kind',
  'class': 'say style',
  'styles': 'say style',
  'layout': 'say arrange',
  'spacing': 'say gap',
  'rotation': 'say rotate',
  'onclick': 'what happens then is the business of the game',
  'text-overflow': 'say ellipsis: end',
};

const restOfValue =
  'between braces a comma starts another key: quote a value that has commas, and put spaces between numbers, as offset: 10 20';

/** Whether a key is what stands after the comma of a value, as in `offset: 10, 20` or `rgb(1, 2, 3)`. */
function isRestOfValue(key: string): boolean {
  return /^[-+.\d]|\)$/.test(key);
}

/** Keys of looks that are written on the widget itself. */
const lookKeyNames: ReadonlySet<string> = new Set([
  'background',
  'border',
  'color',
  'font',
  'font-size',
  'font-style',
  'font-weight',
  'letter-spacing',
  'line-height',
  'opacity',
  'radius',
  'shadow',
  'text-align',
  'text-outline',
  'text-shadow',
  'text-transform',
]);

/** What somebody may have meant by a key that a widget does not have; undefined where nobody knows. */
export function keyHint(key: string): string | undefined {
  if (isRestOfValue(key)) return restOfValue;
  if (lookKeyNames.has(key)) return look(key);
  const name = key.toLowerCase();
  if (insideNames.has(name)) return inside;
  return Object.hasOwn(keyHints, name) ? keyHints[name] : undefined;
}

/** What somebody may have meant by a key that a view does not have; undefined where nobody knows. */
export function viewHint(key: string): string | undefined {
  return insideNames.has(key.toLowerCase()) ? inside : undefined;
}

const lookHints: { readonly [key: string]: string } = {
  'states': 'looks of states stand in a style, as styles: { key: { states: { focused: { … } } } }',
  'background-color': 'say background',
  'fill': 'say background',
  'border-radius': 'say radius',
  'corner-radius': 'say radius',
  'border-color': 'say border, a width and a colour',
  'border-width': 'say border, a width and a colour',
  'box-shadow': 'say shadow',
  'text-color': 'say color',
  'font-family': 'say font',
  'alpha': 'say opacity',
  'visible': 'it is a key of the widget',
  'gap': 'it is a key of the widget',
  'z': 'it is a key of the widget',
};

/** What somebody may have meant by a key that a look does not have; undefined where nobody knows. */
export function lookHint(key: string): string | undefined {
  if (isRestOfValue(key)) return restOfValue;
  // Names are read as in scripts too: fontFamily.
  const name = key.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
  return Object.hasOwn(lookHints, name) ? lookHints[name] : undefined;
}

const kindsMeant: { readonly [word: string]: string } = {
  label: 'text',
  string: 'text',
  heading: 'text',
  picture: 'image',
  icon: 'image',
  sprite: 'image',
  bar: 'meter',
  progress: 'meter',
  gauge: 'meter',
  healthbar: 'meter',
  box: 'panel',
  container: 'panel',
  group: 'panel',
  frame: 'panel',
  list: 'panel',
  row: 'panel',
  column: 'panel',
  grid: 'panel',
  input: 'textbox',
  field: 'textbox',
  textfield: 'textbox',
  toggle: 'switch',
  check: 'checkbox',
  range: 'slider',
  line: 'separator',
  divider: 'separator',
  window: 'dialog',
  modal: 'dialog',
  popup: 'dialog',
  hint: 'tooltip',
};

/** The kind that is meant by another word of the trade. */
export function kindMeant(word: string): string | undefined {
  const name = word.toLowerCase();
  return Object.hasOwn(kindsMeant, name) ? kindsMeant[name] : undefined;
}

const lengths: Readonly<Record<string, string>> = {
  'auto': 'content',
  'fit-content': 'content',
  'max-content': 'content',
  'min-content': 'content',
  'stretch': 'fill',
  'full': 'fill',
};
const places: Readonly<Record<string, string>> = {
  'flex-start': 'start',
  'flex-end': 'end',
  'left': 'start',
  'right': 'end',
  'top': 'start',
  'bottom': 'end',
  'middle': 'center',
  'between': 'space-between',
  'around': 'space-around',
  'evenly': 'space-evenly',
};
const axes: Readonly<Record<string, string>> = {
  horizontal: 'x',
  vertical: 'y',
  true: 'both',
  auto: 'both',
};

/** As YAML 1.1 had them. */
const yesNo: Readonly<Record<string, string>> = {
  yes: 'true',
  on: 'true',
  no: 'false',
  off: 'false',
};

/** What is meant by values that keys have elsewhere, in CSS above all. */
const valuesMeant: { readonly [key: string]: Readonly<Record<string, string>> } = {
  'width': lengths,
  'height': lengths,
  'size': lengths,
  'align': places,
  'justify': places,
  'align-self': places,
  'justify-self': places,
  'text-align': places,
  'overflow': { hidden: 'clip', scroll: 'clip', ellipsis: 'ellipsis: end' },
  'arrange': {
    horizontal: 'row',
    vertical: 'column',
    flex: 'row',
    list: 'column',
    absolute: 'free',
    none: 'free',
    stack: 'layers',
    overlay: 'layers',
    tabs: 'pages',
  },
  'scroll': axes,
  'font-weight': {
    thin: '100',
    light: '300',
    lighter: '300',
    normal: '400',
    regular: '400',
    medium: '500',
    semibold: '600',
    bold: '700',
    bolder: '800',
    heavy: '900',
    black: '900',
  },
  'visible': yesNo,
  'gone': yesNo,
  'disabled': yesNo,
  'wrap': yesNo,
  'reverse': yesNo,
};

/** Keys of lengths and numbers, in which other notations have px, commas and other signs between. */
const numeric =
  /^(?:offset|inset|size|width|height|(?:min|max)-(?:width|height)|margin|padding|gap|radius|letter-spacing)$/;

/** The numbers of a value as they are written here; undefined where there is anything else in it. */
function numbersMeant(word: string): string | undefined {
  const numbers = word
    .replace(/(\d) +%/g, '$1%')
    .replace(/(\d)px\b/g, '$1')
    .replace(/(?<=\d) *[,x×] *(?=[-\d])/g, ' ');
  return numbers !== word && /^-?[\d.]+%?(?: -?[\d.]+%?){0,3}$/.test(numbers) ? numbers : undefined;
}

/** A border as it is written here: its width, then its colour. */
function borderMeant(word: string): string | undefined {
  const plain = word.replace(/[\\"']/g, '').replace(/\bsolid\b ?/, '');
  const [, width, color] = /^([\d.]+)(?:px)? (#?[\w(),. ]+)$/.exec(plain) ?? [];
  if (color !== undefined) return plain === word ? undefined : `${width} ${color}`;
  const [, first, last] = /^(#?\w+) ([\d.]+)(?:px)?$/.exec(plain) ?? [];
  return last === undefined ? undefined : `${last} ${first}`;
}

/** What somebody may have meant by the value of a key; undefined where nobody knows. */
export function valueMeant(key: string, value: unknown): string | undefined {
  const word = String(value).trim().toLowerCase();
  if (key === 'border') return borderMeant(word);
  if (key === 'repeat' && isValueName(String(value).trim())) return `{${String(value).trim()}}`;
  // It is the name itself, not what stands for it.
  if (key === 'key') return /^\{([\w.-]+)\}$/.exec(String(value).trim())?.[1];
  const numbers = numeric.test(key) ? numbersMeant(word) : undefined;
  if (numbers !== undefined) return numbers;
  const meant = valuesMeant[key];
  if (!meant) return undefined;
  if (meant === lengths) {
    const share = /^(\d+(?:\.\d+)?)(fr|px|vw|vh)$/.exec(word);
    if (share) return share[2] === 'fr' ? `fill ${share[1]}` : share[2] === 'px' ? share[1] : `${share[1]}%`;
  }
  return Object.hasOwn(meant, word) ? meant[word] : undefined;
}
