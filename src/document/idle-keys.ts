import type { DiagnosticList } from './diagnostics.ts';
import {
  usualArrangement,
  type ComponentSource,
  type Kind,
  type LookSource,
  type Origin,
  type PlacedSource,
  type ViewSource,
  type WidgetSource,
} from './model.ts';
import { isTemplate } from './templates.ts';

type Holder = Pick<ViewSource, 'arrange'> & {
  readonly use?: string | undefined;
  readonly kind?: Kind;
  readonly when?: readonly { readonly change: { readonly arrange?: string } }[];
};

/** What of a look is drawn by some kinds alone, and is not inherited by what is in others. */
const looksOfKinds: { readonly [Key in keyof LookSource]?: readonly Kind[] } = {
  'handle-color': ['switch', 'slider', 'scrollbar'],
  'trail-color': ['meter'],
  'veil': ['dialog'],
};

/** Whether the children of a widget or view may stand in cells: of a grid, of layers or of pages. */
function mayHaveCells({ arrange = 'free', use, when = [] }: Holder, cells: readonly string[]): boolean {
  const said = [arrange, ...when.map(({ change }) => change.arrange ?? 'free')];
  return use !== undefined || said.some((one) => isTemplate(one) || cells.includes(one));
}

/** Whether the children of a widget or view may be arranged: by itself, its kind, a condition, a value or a component. */
export function mayArrange({ arrange = 'free', kind, use, when = [] }: Holder): boolean {
  const isSaid = isTemplate(arrange) || arrange !== 'free' || usualArrangement(kind) !== 'free';
  return isSaid || use !== undefined || when.some(({ change }) => (change.arrange ?? 'free') !== 'free');
}

/** Whether a meter fills round its middle: by itself or by a condition. */
function mayGoRound({ 'fill-from': from, when = [] }: WidgetSource): boolean {
  const said = [from, ...when.map(({ change }) => change['fill-from'])];
  return said.some((one) => one === 'clockwise' || one === 'counterclockwise');
}

/** Warns of keys that do nothing where they are. @param around What the widget is in; undefined where that is not known. */
export function checkIdleKeys(
  { widget, pointer }: PlacedSource,
  around: WidgetSource | ViewSource | ComponentSource | undefined,
  isInComponent: boolean,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  // It is often left over from another arrangement, and does no harm.
  const warn = (key: keyof WidgetSource, needs: string) => {
    if (widget[key] === undefined) return;
    const at = { ...origin.atKey(`${pointer}/${key}`), severity: 'warning' } as const;
    diagnostics.add('key-needs', { key, needs }, at);
  };
  if (around && !mayArrange(around)) warn('align-self', 'a parent that arranges its children');
  if (around && !mayHaveCells(around, ['grid', 'layers', 'pages']))
    warn('justify-self', 'a parent with arrange: grid, layers or pages');
  if (around && !mayHaveCells(around, ['grid']))
    for (const key of ['column-span', 'row-span'] as const) warn(key, 'a parent with arrange: grid');
  if (!mayScroll(widget)) warn('scroll-offset', 'scroll');
  if (widget.use === undefined && !mayGoRound(widget))
    warn('ring', 'fill-from: clockwise or counterclockwise');
  if (!mayArrange(widget)) warn('reverse', 'arrange: row, column or wrap');
  // Of an instance it may be a parameter.
  if (widget.repeat === undefined && widget.use === undefined) warn('key', 'repeat');
  if (widget.repeat !== undefined && widget.id === undefined) warn('key', 'an id that it follows');
  if (!isInComponent) warn('slot', 'a component around it');
  // What kind an instance is, its component says.
  if (widget.use !== undefined) return;
  for (const [key, kinds] of Object.entries(looksOfKinds)) {
    if (widget.look?.[key as keyof LookSource] === undefined || kinds.includes(widget.kind ?? 'panel'))
      continue;
    const at = { ...origin.atKey(`${pointer}/look/${key}`), severity: 'warning' } as const;
    diagnostics.add(
      'key-needs',
      { key, needs: `kind: ${kinds.join(', ').replace(/, (\S+)$/, ' or $1')}` },
      at,
    );
  }
}

/** Warns of what a look of a view does not do: the view is as large as its screen. */
export function checkIdleLook(
  { look }: ViewSource,
  pointer: string,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  if (look?.scale === undefined) return;
  const at = { ...origin.atKey(`${pointer}/look/scale`), severity: 'warning' } as const;
  diagnostics.add('key-needs', { key: 'scale', needs: 'a widget in a view' }, at);
}

function mayScroll({ scroll, use, when = [] }: WidgetSource): boolean {
  return scroll !== undefined || use !== undefined || when.some(({ change }) => change.scroll !== undefined);
}
