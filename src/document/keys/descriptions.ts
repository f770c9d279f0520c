/** What an editor shows of a key of a widget, or of one inside it: what it does, its unit, what it is if left out. Only the schema needs them. */
const descriptions: { readonly [key: string]: string } = {
  'id': 'Unique in the view.',
  'kind': 'panel if left out.',
  'style': 'One or more named styles; later ones win.',
  'look': 'Changes of the look of this widget alone.',
  'states': 'The states it is in.',
  'tint': "Short for the look's color.",
  'anchor': 'The place in the parent this widget is tied to; a..b stretches it between two places.',
  'pivot': 'The point of the widget that is put at the anchor; follows the anchor if left out.',
  'offset': 'From anchor to pivot.',
  'inset': 'Distance from each end of an anchor that is a span.',
  'area':
    'full: a child of the view that may reach under notches and into overscan; bleed: laid out in the safe area, and drawn on to the edges of the screen where it stands on those of the safe area.',
  'size': 'Width and height.',
  'justify-self': "In a grid or layers, instead of the parent's justify.",
  'aspect': 'Width divided by height.',
  'anchor-to':
    'Anchored to that widget, not to the parent; "map..radio": a span starts at the one and ends at the other.',
  'z': 'Drawing order among siblings.',
  'reference': 'Another scaling for this widget and all that is in it: pixel art in a smooth view.',
  'gone': 'true: not there at all, takes no room.',
  'scroll': 'A viewport over larger content.',
  'align-self': "Instead of the parent's align.",
  'overflow':
    'Said: children may reach out of this widget (and are cut off with clip). Unsaid: they should not.',
  'may-overlap': 'Widgets this one is meant to overlap; true for any.',
  'accept': 'Findings of this widget and what is in it that are meant, by check, each with the reason why.',
  'visible': 'false: keeps its place, is not drawn.',
  'pointer-events':
    'none: it and what is in it take no input; what lies under it does. auto again for something in it.',
  'hit-area':
    'Where it takes input: in its box (if left out), the ellipse in it, or where its picture is more opaque than the threshold, 0.5 if left out.',
  'arrange': 'How the children are placed: free means by their anchors.',
  'reverse': 'Children follow each other from the far end.',
  'columns':
    'Of a grid: 3, "120 content fill 2", "auto 120" (as many as fit) or "auto 120.." (sharing the room).',
  'rows': "The height of a grid's rows.",
  'page': 'Of pages: the child that is shown.',
  'selection': 'Of a radio group or list box: the child that is chosen.',
  'direction': 'The writing direction: what start and end mean.',
  'gap':
    'Between children; two lengths: between rows, then between columns, as in CSS; % is of the room the children stand in.',
  'align': 'Across a row or column, as align-items in CSS.',
  'justify': 'Along a row or column, as justify-content in CSS.',
  'focus-order': 'The controls in it, in the order the focus visits them.',
  'focus-scope':
    'closed: moving the focus does not leave it, as in a dialog. open: the focus looks in it first, and comes back to where it was.',
  'focus-wrap': 'Past its end the focus goes on at its other end.',
  'text': 'With {name} for a value of the case.',
  'wrap': 'Whether lines break to fit; true if left out.',
  'ellipsis': 'Where a text that does not fit its width or max-lines is shortened.',
  'least-font-size': 'A text that does not fit is shrunk, down to this size.',
  'image': 'A name of pictures:.',
  'fit': 'As object-fit in CSS.',
  'image-position': 'As object-position in CSS; the middle if left out.',
  'tile': 'The picture over and over: cut off at the end, resized to fit, or with gaps.',
  'slice': 'Cuts the picture into nine: corners keep their size, edges and middle fill the rest.',
  'slice-edges': 'How edges and middle fill; stretch if left out.',
  'slice-center': 'hollow: the middle is not drawn.',
  'image-rendering': 'pixelated: pixels stay sharp.',
  'checked': 'Of a checkbox or switch.',
  'disabled': 'Of a control: it takes no input, and is in the state disabled, as in HTML.',
  'controls':
    'Of a button among tabs: the page it shows; of a scrollbar or a sign of more: the id of the widget that scrolls; as aria-controls.',
  'tooltip':
    'The id of the tooltip of a control, or of all controls in it: in a game it is shown beside one that a pointer or the focus rests on.',
  'side': 'Of a tooltip: the side of its control it stands on where there is room; `top` if left out.',
  'at': 'Of a tooltip: whether it stands beside its `control` or the `pointer` on it; `control` if left out.',
  'shows-more': 'A sign that what it controls can be scrolled further to that side: it is drawn only then.',
  'hides-after':
    'Of a scrollbar: how many ms after the last scroll it goes out of sight in a running game; never if left out.',
  'autofocus': 'It gets the focus first in the view, dialog or scope it is in, as in HTML.',
  'draggable': 'A pointer that drags takes it along, as in HTML; the game says what that does.',
  'step': 'Its value is a multiple of this, and keys change it by it; 0.05 by keys if left out.',
  'label': 'What it is called for those who do not see it (ARIA, aria-label); its text if left out.',
  'live': 'Whether a screen reader tells a change of it, and at once, as aria-live in ARIA.',
  'placeholder': 'What an empty textbox says.',
  'theme': 'Another theme for this widget and all that is in it.',
  'slot': 'Where the children given to an instance go.',
  'repeat': 'How often it is there, or the list of the case it is there for.',
  'key': 'Of a repeat over a list: the field its entries are told apart by, for their ids.',
  'nav-up': 'Where the focus goes up from here; the nearest control there if left out. As in CSS.',
  'nav-right': 'Where the focus goes right from here; the nearest control there if left out. As in CSS.',
  'nav-down': 'Where the focus goes down from here; the nearest control there if left out. As in CSS.',
  'nav-left': 'Where the focus goes left from here; the nearest control there if left out. As in CSS.',
  'width':
    'The width, margins not counted: a length in u or a share of the parent, content or fill; follows from its content if left out.',
  'height':
    'The height, margins not counted: a length in u or a share of the parent, content or fill; follows from its content if left out.',
  'min-width': 'The least width, in u or as a share of the parent.',
  'max-width': 'The most width, in u or as a share of the parent.',
  'min-height': 'The least height, in u or as a share of the parent.',
  'max-height': 'The most height, in u or as a share of the parent.',
  'margin': 'Room kept free around it, in u; 0 if left out.',
  'rotate': 'Degrees, clockwise about the pivot; the layout stays as it is. 0 if left out.',
  'skew': 'Degrees along x, then y, about the pivot, as in CSS; the layout stays as it is. 0 if left out.',
  'column-span': 'In a grid: how many columns it takes; 1 if left out.',
  'row-span': 'In a grid: how many rows it takes; 1 if left out.',
  'scroll-offset': 'How far its content is scrolled, in u; 0 if left out.',
  'scroll-snap':
    'Which of its edges, or its middle, an entry has in line with that of what scrolls it when that comes to rest; nowhere in particular if left out.',
  'padding':
    'Room between its edges and its children; % is of what the widget stands in, each axis of its own; that of its look, else 0, if left out.',
  'children': 'The widgets in it, in drawing order.',
  'max-lines': 'The most lines its text has; no limit if left out.',
  'flip': 'Mirrors its picture: x from left to right, y from top to bottom.',
  'trail': 'Of a meter: where it was before, from 0 to 1; its value if left out.',
  'value': 'Of a meter or slider: from 0 to 1, or a {value} of the case.',
  'segments': 'Of a meter: cuts it into this many pieces; one if left out.',
  'fill-from':
    'Of a meter or slider: the side it fills from, where lines start if left out; top and bottom make a slider upright; clockwise or counterclockwise of one that fills round its middle, from the top.',
  'ring':
    'Of a meter that fills round its middle: how thick it is from its edges inwards, in u; all of it if left out.',
  'when': 'Changes that hold on some screens only; later ones win.',
  'reference.size': 'The resolution the views are designed at; 1920x1080 if left out.',
  'reference.scaling': 'contain if left out.',
  'reference.limits': 'The least and the most device px one u becomes.',
  'reference.blend': 'Of scaling blend: 0 follows the width, 1 the height; 0.5 if left out.',
  'reference.millimetres': 'Of scaling physical: what one u is on the glass.',
  'reference.least-millimetres': 'The least one u is on the glass, whatever the pixels.',
  'reference.step': 'The scale is a multiple of it, rounded down.',
};

/** What a key of a widget does; an empty text for one that nobody has described. */
export function descriptionOf(key: string): string {
  const [, side] = /\.(top|right|bottom|left)$/.exec(key) ?? [];
  if (side !== undefined) return `Of the ${side} edge.`;
  return Object.hasOwn(descriptions, key) ? descriptions[key]! : '';
}
