/*
 * What is offered where a value is entered, by the title that its schema has for it: what follows «"image" is …».
 */

/** What a document has names of, and which of them: of widgets, those in sight, the children of one, the tooltips; of values by their type. */
export type Named =
  | 'styles'
  | 'pictures'
  | 'components'
  | 'fonts'
  | 'themes'
  | 'widgets'
  | 'children'
  | 'tooltips'
  | 'flags'
  | 'numbers'
  | 'counts';

export interface Offer {
  readonly names?: readonly Named[];
  /** Of the format itself, and what they are. */
  readonly words?: readonly string[];
  readonly what?: string;
  /** True where several are written as a list. */
  readonly isList?: true;
  /** True where it is a colour alone, or may be. */
  readonly isColor?: true;
  /** Types of the tokens that may stand in a look: Design Tokens format, §8 and §9. */
  readonly tokens?: readonly string[];
}

/** Anchors that are offered where one is entered. */
const usualAnchors: readonly string[] = [
  'left top',
  'center top',
  'right top',
  'left center',
  'center',
  'right center',
  'left bottom',
  'center bottom',
  'right bottom',
  'start top',
  'end top',
  'start bottom',
  'end bottom',
  'left..right top',
  'left..right bottom',
  'left top..bottom',
  'right top..bottom',
  'left..right top..bottom',
];

const points = { words: ['center', 'left top', 'right bottom'], what: 'point' };
const lengths = { tokens: ['dimension', 'number'] };
const shadows = { tokens: ['shadow', 'color', 'dimension', 'number'] };
const strokes = { tokens: ['border', 'color', 'dimension', 'number'] };

const offers: { readonly [title: string]: Offer } = {
  'a colour': { isColor: true, tokens: ['color'] },
  'a colour or a gradient': { isColor: true, tokens: ['color', 'gradient'] },
  'a width and a colour': strokes,
  'a width and a colour, or none': strokes,
  'lengths and a colour such as "0 8 24 #00000080", or none': shadows,
  'lengths and a colour such as "0 2 4 #000000c0", or none': shadows,
  'a colour, a picture, or a list of them': { names: ['pictures'], tokens: ['color'] },
  'one to four numbers of u': lengths,
  'a number of u from 1 to 2000': lengths,
  'a number of u': lengths,
  'one to four lengths in the order of CSS: top right bottom left': lengths,
  'a number from 0 to 1': { tokens: ['number'] },
  'a number from 0.5 to 5': { tokens: ['number'] },
  'a number from 1 to 1000': { words: ['400', '700'], what: 'weight', tokens: ['fontWeight', 'number'] },
  'the name of a font family, or several with commas between': { names: ['fonts'], tokens: ['fontFamily'] },
  'the name of a picture': { names: ['pictures'] },
  'the name of a style': { names: ['styles'] },
  'a name or a list of names': { names: ['styles'] },
  'the name of a component': { names: ['components'] },
  'a name of themes': { names: ['themes'] },
  'a name of themes, or the path of a theme file': { names: ['themes'] },
  'the id of a widget': { names: ['widgets'] },
  'the id of a widget, or of two such as "map..radio"': { names: ['widgets'] },
  'safe, screen, or the id of a widget': { words: ['safe', 'screen'], what: 'value', names: ['widgets'] },
  'the id of a page or widget': { names: ['widgets'] },
  'the id of a tooltip': { names: ['tooltips'] },
  'the id of a child': { names: ['children'] },
  'a list of ids': { names: ['widgets'], isList: true },
  'true or a list of ids': { names: ['widgets'], isList: true },
  'an anchor such as "right bottom", "left..right top" or "25% center"': {
    words: usualAnchors,
    what: 'anchor',
  },
  'a point such as "right bottom", "center" or "0.5 1"': points,
  'a point such as "left top", "center" or "0.5 1"': points,
  'a point such as "center" or "left top"': points,
  'a length such as 24 or "50% - 24", or content, or fill': {
    words: ['fill', 'content', '50%', '100%'],
    what: 'size',
  },
  'one or two sizes such as 280, "300 content" or "50% fill"': {
    words: ['fill', 'content', 'fill content', '50%', '100%'],
    what: 'size',
  },
  'box, ellipse, picture, or picture with a threshold such as "picture 0.2"': {
    words: ['box', 'ellipse', 'picture'],
    what: 'value',
  },
  'true, false, or a value such as "{shown}", "{not shown}" or "{depth > 400}"': { names: ['flags'] },
  'a number from 0 to 1 or a {value}': { names: ['numbers'] },
  'a whole number from 0 to 1000, or a value such as "{slots}"': { names: ['counts'] },
};

/** What is offered for a value. @param title Of its schema. */
export function offerOf(title: string | undefined): Offer {
  return (title !== undefined && Object.hasOwn(offers, title) && offers[title]) || {};
}

/** The titles that something is offered for. */
export const offeredTitles: readonly string[] = Object.keys(offers);
