import { valueMeant } from './hints.ts';
import type { Diagnostic, DiagnosticCode, DiagnosticFacts } from './diagnostics.ts';

/** A classic of YAML: an unquoted colour is a comment, and the value ends before it. */
const hashNote = '; in YAML a # after a space starts a comment, so put the value in quotes';

/** Whether nothing but numbers is left of a value. */
const lacksColor = (found: string): boolean => found === 'empty' || /^"?[-\d. ]+"?$/.test(found);

type Wording = { [Code in DiagnosticCode]: (facts: DiagnosticFacts[Code]) => string };

const meant = (name: string | undefined): string => (name === undefined ? '' : `; did you mean "${name}"?`);

const wording: Wording = {
  'syntax': ({ detail }) => `this is not YAML or JSON: ${detail}`,
  'unquoted-color': ({ found }) =>
    `the colour ${found} needs quotes${hashNote.replace(', so put the value in quotes', '')}`,
  'too-large': ({ bytes, most }) => `the document has ${bytes} characters; ${most} is the most that is read`,
  'too-deep': ({ most }) => `this is nested deeper than ${most} levels`,
  'too-many-values': ({ most }) => `the document holds more than ${most} values (aliases counted each time)`,
  'duplicate-key': ({ key }) => `the key "${key}" stands here a second time`,
  'not-a-map': ({ what }) => `${what} is a map of keys and values`,
  'unknown-key': ({ key, where, meant: name, hint }) =>
    `${where} has no key "${key}"${hint === undefined ? meant(name) : `; ${hint}`}`,
  'missing-key': ({ key, where }) => `${where} needs the key "${key}"`,
  'wrong-value': ({ key, expected, found, meant: value }) =>
    `"${key}" is ${expected}, not ${found}${meant(value ?? valueMeant(key, found.replace(/^"(.*)"$/, '$1')))}${expected.includes('colour') && lacksColor(found) ? hashNote : ''}`,
  'not-worked-out': ({ key, found, meant: other }) =>
    `"${key}" is left to "${found}", which is neither a name nor anything that can be worked out${meant(other)}`,
  'not-one-of': ({ key, found, choices, meant: name }) =>
    `"${key}" is one of ${choices.join(', ')}, not ${found}${meant(name)}`,
  'key-not-for-kind': ({ key, kind, kinds }) =>
    `"${key}" is for ${kinds.join(', ')}; this widget is of kind ${kind}`,
  'text-and-children': ({ kind }) =>
    `a ${kind} has a text or children, not both; put the text into a child of kind text`,
  'key-fixed': ({ key, by }) =>
    by === 'condition'
      ? `"${key}" cannot change from screen to screen`
      : `"${key}" of a widget in a component cannot change in an instance of it`,
  'refused-value': ({ message }) => message,
  'style-bound': ({ key, meant: token }) =>
    `"${key}" of a style uses no value${token === undefined ? ': write it in the look of a widget' : meant(token)}`,
  'view-bound': ({ key, meant: token }) =>
    `"${key}" of a view uses no value${token === undefined ? ': write it on a widget that fills the view' : meant(token)}`,
  'key-needs': ({ key, needs }) => `"${key}" does something only with ${needs}`,
  'duplicate-id': ({ id, firstLine, where, isView }) =>
    isView
      ? `the id "${id}" is taken by the view itself; ids are unique in a view`
      : firstLine > 0
        ? `the id "${id}" is taken already, on line ${firstLine}; ids are unique in a ${where}`
        : `the id "${id}" is taken already; ids are unique in a ${where}`,
  'unknown-name': ({ what, name, meant: near }) => `there is no ${what} "${name}"${meant(near)}`,
  'parameter-taken': ({ name }) =>
    `a parameter cannot be called "${name}": that key says what an instance is made of; give it another name`,
  'name-chain': ({ what, chain }) => `${what} leads back to itself: ${chain.join(' → ')}`,
  'offset-on-span': ({ axis }) =>
    `an offset does nothing on the ${axis} axis, where the anchor is a span; use inset, or anchor to a point`,
  'inset-without-span': () => `an inset needs an anchor that is a span, such as left..right`,
  'anchor-in-flow': ({ key, arrange }) =>
    `"${key}" does nothing here: the parent arranges its children in a ${arrange}`,
  'dialog-in-flow': ({ arrange }) =>
    `a dialog takes its place in the ${arrange} here, as its neighbours do: put it into a parent that arranges nothing`,
  'case-lacks-value': ({ case: name, value }) => `the case "${name}" gives no value for "{${value}}"`,
  'bad-message': ({ detail }) => `this text is not a message that can be filled in: ${detail}`,
  'bad-color': ({ found, meant: value }) =>
    fillHint(found) ??
    `${found} is not a colour of CSS Color 4, such as #0a4d68 or rgb(10 77 104)${meant(value)}${found.includes('(') && !found.includes(')') ? hashNote : ''}`,
  'promise-empty': ({ kinds }) =>
    `this promises nothing: say ${kinds.slice(0, -1).join(', ')} or ${kinds.at(-1)!}`,
  'foreign-mark': ({ mark, words }) =>
    `${mark} is shown as it is written: words that look another way are marked so: [${words}](700), or with a style or a colour for 700`,
  'weight-alone': ({ weight, columns, apart }) =>
    `"fill ${weight}" is one column with a weight of ${weight}; for ${columns} columns, one of them ${weight} u wide, write ${apart}`,
  'limits-crossed': ({ key, least, most }) => `"${key}" asks for at least ${least} and at most ${most}`,
  'file-outside': ({ path }) => `"${path}" lies outside the project folder`,
  'file-missing': ({ path }) => `there is no file "${path}"`,
  'file-unreadable': ({ path, what, detail }) => `"${path}" cannot be read as ${what}: ${detail}`,
};

/** What to say of a fill that CSS has and no look; undefined of what is meant for a colour. */
function fillHint(found: string): string | undefined {
  if (/repeating|conic/.test(found))
    return `${found} is not drawn: there are linear and radial gradients, and pictures (image)`;
  if (/linear-gradient\(/.test(found))
    return `${found} is not a gradient that is drawn, such as linear-gradient(180deg, #0d4452, #062631 60%): an angle in deg or a side, colours, and places in %`;
  if (/radial-gradient\(/.test(found))
    return `${found} is not a gradient that is drawn, such as radial-gradient(circle at 50% 100%, #1d7f8c, #062631 60%): a shape, how far it reaches, where its middle is, colours, and places in %`;
  return /\burl\(/.test(found) ? `${found} is no colour: a picture is named by image` : undefined;
}

/** One sentence without a full stop that says what is wrong. */
export function messageOf(diagnostic: Diagnostic): string {
  const word = wording[diagnostic.code] as (facts: Diagnostic['facts']) => string;
  return word(diagnostic.facts);
}

/** `file:line:column: error: sentence`, then the line with a caret under the place. */
export function formatDiagnostic(diagnostic: Diagnostic): string {
  const { source, range, severity } = diagnostic;
  const sentence = `${severity}: ${messageOf(diagnostic)}`;
  if (source === undefined) return `${diagnostic.pointer === '' ? '/' : diagnostic.pointer}: ${sentence}`;
  if (range === undefined) return `${source.name}: ${sentence}`;
  const { line, column } = source.placeOf(range.start);
  return `${source.name}:${line}:${column}: ${sentence}\n${source.excerpt(range)}`;
}
