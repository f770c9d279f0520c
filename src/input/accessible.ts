import type { Kind, WidgetSource } from '../document/index.ts';
import { isDivider, shareOf } from '../skeleton/index.ts';
import { isControl, labelOf, type Tree, type Widget } from '../dress/index.ts';
import { slidesAlong } from '../inside/index.ts';
import { iconLetter } from '../text/index.ts';
import { outward, tipOf } from './tips.ts';
import type { FocusGround } from './focus/field.ts';

/** The roles of WAI-ARIA 1.2 that widgets have. */
export type Role =
  | 'button'
  | 'checkbox'
  | 'dialog'
  | 'group'
  | 'listbox'
  | 'option'
  | 'radio'
  | 'radiogroup'
  | 'img'
  | 'meter'
  | 'separator'
  | 'slider'
  | 'switch'
  | 'tab'
  | 'tablist'
  | 'text'
  | 'textbox'
  | 'tooltip';

/** One thing of a view as a screen reader is to know it. */
export interface AccessibleItem {
  readonly id: string;
  readonly role: Role;
  /** Undefined where nothing names it. */
  readonly name: string | undefined;
  /** What its tooltip says, if that is its alone: of one that several share only the game knows whom it tells of. */
  readonly description: string | undefined;
  /** The id of the item it is in; undefined for those in the view itself. */
  readonly parent: string | undefined;
  readonly isDisabled: boolean;
  /** Of checkboxes, switches and radio buttons. */
  readonly isChecked: boolean | undefined;
  /** Of tabs and options. */
  readonly isSelected: boolean | undefined;
  /** Of a slider that stands upright (`aria-orientation`). */
  readonly orientation: 'vertical' | undefined;
  /** Of sliders, meters and dividers with a name: 0 to 1. */
  readonly value: number | undefined;
  /** What a textbox holds. */
  readonly text: string | undefined;
  /** Whether a change of it is told (`aria-live`). */
  readonly live: 'polite' | 'assertive' | undefined;
}

const roles: { readonly [Name in Kind]?: Role } = {
  button: 'button',
  checkbox: 'checkbox',
  switch: 'switch',
  slider: 'slider',
  textbox: 'textbox',
  meter: 'meter',
  separator: 'separator',
  tabs: 'tablist',
  radiogroup: 'radiogroup',
  listbox: 'listbox',
  dialog: 'dialog',
  tooltip: 'tooltip',
  text: 'text',
};

/** What a button is that is one of some. */
const amongRoles: { readonly [Name in Kind]?: Role } = {
  tabs: 'tab',
  radiogroup: 'radio',
  listbox: 'option',
};

/** Kinds whose name is what is written in them, where they say no other (ARIA, name from content). */
const namedByContent: ReadonlySet<Kind> = new Set(['button', 'checkbox', 'switch', 'text', 'tooltip']);

/**
 * What a widget is called (Accessible Name and Description Computation 1.2): its label; of what is named by its content the texts in
 * it; else, of a control, the label of what is around it and no other control, as a label of HTML that is around one.
 */
export function accessibleName(widget: Widget, widgets: readonly Widget[]): string | undefined {
  const own = labelOf(widget);
  if (own !== undefined) return spoken(own);
  const content = namedByContent.has(widget.kind) ? spoken(contentOf(widget, widgets)) : undefined;
  if (content !== undefined || !isControl(widget)) return content;
  for (let at = widget.parent; at > 0; at = widgets[at]!.parent) {
    const label = labelOf(widgets[at]!);
    if (label !== undefined) return labelsOne(at, widgets) ? spoken(label) : undefined;
  }
  return undefined;
}

/** The texts in a widget, and the labels of what is in it and has none. */
function contentOf(widget: Widget, widgets: readonly Widget[]): string {
  const parts: string[] = [];
  const end = endOf(widget.index, widgets);
  for (let at = widget.index; at < end; at++) {
    const inner = widgets[at]!;
    if (!inner.visible && at > widget.index) continue;
    const part = inner.text?.text ?? (at > widget.index ? labelOf(inner) : undefined);
    if (part !== undefined) parts.push(part);
  }
  return parts.join(' ');
}

/** The index after the last widget in one. */
function endOf(index: number, widgets: readonly Widget[]): number {
  let end = index + 1;
  while (end < widgets.length && widgets[end]!.parent >= index) end++;
  return end;
}

/** Whether there is one control in a widget: its label is that of the control. */
function labelsOne(index: number, widgets: readonly Widget[]): boolean {
  return widgets.slice(index + 1, endOf(index, widgets)).filter(isControl).length === 1;
}

/** How far a slider, meter or divider is: 0 to 1. */
function valueOf(widget: Widget): number | undefined {
  const { kind, source, scope, value } = widget;
  if (kind === 'slider' || kind === 'meter') return value;
  return isDivider(widget) && isControl(widget) ? shareOf((source as WidgetSource).value, scope) : undefined;
}

/** What tooltips that one control alone names say, by the index of that. */
function descriptions(widgets: readonly Widget[]): ReadonlyMap<number, string> {
  const named = new Map<string, number[]>();
  if (!widgets.some(({ source }) => 'tooltip' in source)) return noDescriptions;
  for (const widget of widgets) {
    const tip = isControl(widget) ? tipOf(outward(widgets, widget.index)) : undefined;
    if (tip !== undefined) named.set(tip, [...(named.get(tip) ?? []), widget.index]);
  }
  const found = new Map<number, string>();
  for (const { id, text } of widgets) {
    const [only, other] = named.get(id) ?? [];
    const said = text && spoken(text.text);
    if (only !== undefined && other === undefined && said !== undefined) found.set(only, said);
  }
  return found;
}

const noDescriptions: ReadonlyMap<number, string> = new Map();

/** A text without markup and spaces that nobody hears; undefined where nothing is left. */
function spoken(text: string): string | undefined {
  const words = text.replaceAll(iconLetter, ' ').replace(/\s+/g, ' ').trim();
  return words === '' ? undefined : words;
}

/** The role of a widget; undefined for what is nothing to a screen reader. */
function roleOf({ kind, source, parent, index }: Widget, widgets: readonly Widget[]): Role | undefined {
  const among = kind === 'button' ? amongRoles[widgets[parent]?.kind ?? 'panel'] : undefined;
  if (among) return among;
  const role = roles[kind];
  if (role) return role;
  if ((source as WidgetSource).label === undefined) return undefined;
  if (kind !== 'panel') return 'img';
  return labelsOne(index, widgets) ? undefined : 'group';
}

/**
 * A view as a screen reader is to know it, in document order: what has a role, can be seen and is not behind an open dialog. Texts
 * that name a control are not told beside it.
 */
export function accessibleItems(
  { widgets }: Pick<Tree, 'widgets'>,
  ground: Pick<FocusGround, 'isShown'>,
): readonly AccessibleItem[] {
  const found: AccessibleItem[] = [];
  const tips = descriptions(widgets);
  /** By index: the item it is, or is in. */
  const items: (string | undefined)[] = [];
  /** By index: whether what is in it is told by its name. */
  const isTold: boolean[] = [];
  for (const widget of widgets) {
    const { index, parent, id, kind, states, source } = widget;
    const outer = parent < 0 ? undefined : items[parent];
    items[index] = outer;
    isTold[index] = parent >= 0 && isTold[parent]!;
    if (index === 0 || isTold[index] || !ground.isShown(index)) continue;
    const role = roleOf(widget, widgets);
    if (!role) continue;
    const name = accessibleName(widget, widgets);
    if (role === 'text' && name === undefined) continue;
    items[index] = id;
    isTold[index] = namedByContent.has(kind);
    const live = (source as WidgetSource).live;
    found.push({
      id,
      role,
      name,
      description: isControl(widget) ? tips.get(index) : undefined,
      parent: outer,
      isDisabled: isControl(widget) && states.includes('disabled'),
      isChecked:
        role === 'checkbox' || role === 'switch'
          ? states.includes('checked')
          : role === 'radio'
            ? widget.selected
            : undefined,
      isSelected: role === 'tab' || role === 'option' ? widget.selected : undefined,
      orientation: role === 'slider' && slidesAlong(widget).axis === 'y' ? 'vertical' : undefined,
      value: valueOf(widget),
      text: role === 'textbox' ? (widget.isPlaceholder ? '' : (widget.text?.text ?? '')) : undefined,
      live: live === 'off' ? undefined : live,
    });
  }
  return found;
}
