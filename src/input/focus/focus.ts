import type { Direction } from '../../document/index.ts';
import type { Rect } from '../../layout/index.ts';
import type { FocusEffect } from '../events.ts';
import type { FocusField, Remembered } from './field.ts';

/* Where the focus is and how it moves. Pure: the same commands over the same fields give the same states everywhere. */

/** A closed scope the focus has gone into, and where it came from. */
export interface EnteredScope {
  readonly scope: string;
  readonly from: string | undefined;
}

export interface FocusState {
  readonly focused: string | undefined;
  /** Whether it is shown: after keys and pads it is, after pointers it is not. */
  readonly isShown: boolean;
  /** Where the focused control was, in u: when it goes away, the nearest one takes the focus. */
  readonly place: Rect | undefined;
  /** Open scope → the control in it that had the focus last. */
  readonly remembered: ReadonlyMap<string, string>;
  /** From the outside in. */
  readonly entered: readonly EnteredScope[];
}

export const noFocus: FocusState = {
  focused: undefined,
  isShown: false,
  place: undefined,
  remembered: new Map(),
  entered: [],
};

export type FocusCommand =
  | { readonly type: 'toward'; readonly direction: Direction }
  /** In the order of the scope, as Tab does. */
  | { readonly type: 'next' | 'previous' }
  /** To a control, by a pointer or the game; one that cannot take it is left alone. Undefined: away. */
  | { readonly type: 'to'; readonly control: string | undefined }
  /** Into a closed scope, such as a side menu: where the focus was gets it back. */
  | { readonly type: 'enter'; readonly scope: string }
  /** Out of the closed scope it is in; a dialog stays until the game closes it. */
  | { readonly type: 'back' }
  /** The view has changed: dialogs may have opened or closed, controls gone. */
  | { readonly type: 'settle' };

export interface FocusStep {
  readonly state: FocusState;
  readonly effects: readonly FocusEffect[];
}

/** What becomes of the focus by a command. @param dialog The index of the open dialog on top; −1 where none is. */
export function focusAfter(
  state: FocusState,
  command: FocusCommand,
  field: FocusField,
  dialog: number,
): FocusStep {
  const at = indexIn(state, field);
  switch (command.type) {
    case 'toward': {
      if (at === undefined) return moved(state, initial(state, field, dialog), field);
      const to = field.toward(at, command.direction, rememberedIn(state, field));
      if (to !== undefined) return moved(state, to, field);
      return {
        state,
        effects: [{ type: 'stopped', control: state.focused!, direction: command.direction }],
      };
    }
    case 'next':
    case 'previous': {
      if (at === undefined) return moved(state, initial(state, field, dialog), field);
      return moved(state, field.beside(at, command.type === 'next' ? 1 : -1) ?? at, field);
    }
    case 'to': {
      if (command.control === undefined) return moved(state, undefined, field);
      const to = field.indexOf(command.control);
      if (to === undefined || !field.isUsable(to)) return { state, effects: [] };
      return moved(crossed(state, field.scopeOf(to), field), to, field);
    }
    case 'enter': {
      const scope = field.indexOf(command.scope);
      const first = scope === undefined ? undefined : field.firstIn(scope);
      if (scope === undefined || first === undefined) return { state, effects: [] };
      if (at !== undefined && field.scopeOf(at) === scope) return { state, effects: [] };
      return moved(crossed(state, field.scopeOf(first), field), first, field);
    }
    case 'back': {
      const top = state.entered.at(-1);
      const effect = { type: 'back', scope: top?.scope } as const;
      const isDialog = top !== undefined && dialog >= 0 && field.indexOf(top.scope) === dialog;
      if (top === undefined || isDialog) return { state, effects: [effect] };
      const { state: after, effects } = returned(state, field, dialog);
      return { state: after, effects: [effect, ...effects] };
    }
    case 'settle':
      return settled(state, field, dialog);
  }
}

function indexIn({ focused }: FocusState, field: FocusField): number | undefined {
  const at = focused === undefined ? undefined : field.indexOf(focused);
  return at !== undefined && field.isUsable(at) ? at : undefined;
}

function rememberedIn({ remembered }: FocusState, field: FocusField): Remembered {
  return (scope) => {
    const id = remembered.get(field.idOf(scope));
    return id === undefined ? undefined : field.indexOf(id);
  };
}

/** Who gets the focus where nobody has it. */
function initial(state: FocusState, field: FocusField, dialog: number): number | undefined {
  const top = state.entered.at(-1);
  const scope = (top && field.indexOf(top.scope)) ?? (dialog >= 0 ? dialog : 0);
  return field.firstIn(scope) ?? field.firstIn(0);
}

function moved(state: FocusState, to: number | undefined, field: FocusField): FocusStep {
  const focused = to === undefined ? undefined : field.idOf(to);
  if (focused === state.focused) return { state, effects: [] };
  const next = to === undefined ? { ...state, focused, place: undefined } : placed(state, to, field);
  return { state: next, effects: [{ type: 'focus', control: focused, from: state.focused }] };
}

/** The focus on a control, remembered by the open scopes that it is in. */
function placed(state: FocusState, to: number, field: FocusField): FocusState {
  const focused = field.idOf(to);
  const scopes = field.openScopes(to);
  const remembered = scopes.length === 0 ? state.remembered : new Map(state.remembered);
  for (const scope of scopes) (remembered as Map<string, string>).set(field.idOf(scope), focused);
  return { ...state, focused, place: field.rectInU(to), remembered };
}

/** The closed scopes the focus is in once it is in one: those it has left are forgotten, those it has come into remember it. */
function crossed(state: FocusState, scope: number, field: FocusField): FocusState {
  const around: number[] = [];
  for (let at = scope; at > 0; at = field.outerScope(at)) around.unshift(at);
  const kept = state.entered.filter((one) => around.some((index) => field.idOf(index) === one.scope));
  const come = around
    .map((index) => field.idOf(index))
    .filter((id) => !kept.some((one) => one.scope === id))
    .map((id): EnteredScope => ({ scope: id, from: state.focused }));
  if (come.length === 0 && kept.length === state.entered.length) return state;
  return { ...state, entered: [...kept, ...come] };
}

/** Back to where the focus was before it went into the innermost closed scope. */
function returned(state: FocusState, field: FocusField, dialog: number): FocusStep {
  const top = state.entered.at(-1)!;
  const outer = { ...state, entered: state.entered.slice(0, -1) };
  const from = top.from === undefined ? undefined : field.indexOf(top.from);
  if (from !== undefined && field.isUsable(from)) return moved(outer, from, field);
  return moved(outer, top.from === undefined ? undefined : initial(outer, field, dialog), field);
}

function settled(before: FocusState, field: FocusField, dialog: number): FocusStep {
  let state = before;
  const isThere = ({ scope }: EnteredScope) => {
    const index = field.indexOf(scope);
    // One that a dialog has opened over is there all the same: it gets the focus back.
    return (
      index !== undefined && field.isVisible(index) && (dialog >= 0 || field.firstIn(index) !== undefined)
    );
  };
  while (state.entered.length > 0 && !isThere(state.entered.at(-1)!))
    state = returned(state, field, dialog).state;
  if (dialog >= 0 && !isWithinDialog(state, field, dialog)) {
    const first = field.firstIn(dialog);
    state = { ...state, entered: [...state.entered, { scope: field.idOf(dialog), from: state.focused }] };
    state = moved(state, first, field).state;
  } else if (state.focused !== undefined && indexIn(state, field) === undefined) {
    const next = nearestTo(state, field) ?? initial(state, field, dialog);
    state = moved(state, next, field).state;
  }
  const at = indexIn(state, field);
  if (at !== undefined && !isSame(state.place, field.rectInU(at)))
    state = { ...state, place: field.rectInU(at) };
  if (state.focused === before.focused) return { state, effects: [] };
  return { state, effects: [{ type: 'focus', control: state.focused, from: before.focused }] };
}

function isWithinDialog({ entered }: FocusState, field: FocusField, dialog: number): boolean {
  const id = field.idOf(dialog);
  return entered.some(({ scope }) => scope === id);
}

/** The control nearest to where the focus was, in the scope it was in. */
function nearestTo({ place, entered }: FocusState, field: FocusField): number | undefined {
  if (!place) return undefined;
  const scope = entered.length === 0 ? 0 : field.indexOf(entered.at(-1)!.scope);
  if (scope === undefined) return undefined;
  let found: number | undefined;
  let least = Infinity;
  for (const index of field.sequence(scope)) {
    const { x, y, width, height } = field.rectInU(index);
    const distance = Math.hypot(
      x + width / 2 - (place.x + place.width / 2),
      y + height / 2 - (place.y + place.height / 2),
    );
    if (!(distance < least)) continue;
    least = distance;
    found = index;
  }
  return found;
}

function isSame(one: Rect | undefined, other: Rect): boolean {
  return one?.x === other.x && one.y === other.y && one.width === other.width && one.height === other.height;
}
