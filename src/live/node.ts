import type { Length } from '../document/index.ts';
import type { Caret, Widget } from '../dress/index.ts';
import type { LayoutItem } from '../layout/index.ts';
import type { Moving } from './motion.ts';
import type { Bone, Expanded, Site, Slide, Unexpanded } from '../skeleton/index.ts';

/** One widget of a live view: the same object for as long as the widget is there, wherever it moves. */
export interface LiveNode {
  index: number;
  parent: LiveNode | undefined;
  bone: Bone;
  widget: Widget;
  /** What the layout knows of it. */
  item: Mutable<LayoutItem>;
  /** What its widget is to be, and what of it is on its way; undefined where it is that already. */
  motion: { target: Widget; moving: readonly Moving[] } | undefined;
  /** Whether it is drawn although it is invisible: what it is in is on its way out of sight. */
  leaves: boolean;
  /** Whether it will be no more once it is out of sight: it has become `gone`, or its entry has left the list. */
  departs: boolean;
  /** Whether it is out of sight for a while: a scrollbar nobody scrolls by. */
  rests: boolean;
  /** The version of the view in which it last looked, said or stood otherwise. */
  stamp: number;
  /** How many snapshots there were when its widget was made: a later one shows it. */
  own: number;
  /** Its children as they are written. */
  children: readonly Unexpanded[] | undefined;
  /** The sites among its children; undefined where there are none, as of most. */
  sites: Set<LiveSite> | undefined;
  /** What it was unfolded to, where it follows from values. */
  made: Expanded | undefined;
  /** What is written over where it slides. */
  held: Held | undefined;
  /** Of a textbox somebody types in. */
  caret: Caret | undefined;
  /** The names of the case it shows, under which it is known; undefined where it shows none. */
  names: ReadonlySet<string> | undefined;
  /** What it said it is called when that was last told; undefined too where that follows from nothing. */
  label: string | undefined;
}

/** A widget to which nothing has happened yet. */
export function nodeOf({
  parent,
  bone,
  widget,
  item,
  stamp,
  own,
  children,
}: Pick<LiveNode, 'parent' | 'bone' | 'widget' | 'item' | 'stamp' | 'own' | 'children'>): LiveNode {
  // All keys at once: an object that others are copied into grows with each.
  return {
    parent,
    bone,
    widget,
    item,
    stamp,
    own,
    children,
    index: bone.index,
    motion: undefined,
    leaves: false,
    departs: false,
    rests: false,
    sites: undefined,
    made: undefined,
    held: undefined,
    caret: undefined,
    names: undefined,
    label: undefined,
  };
}

/** What is written over where a widget slides: objects that nobody else keeps. */
export interface Held {
  readonly bone: Bone;
  readonly made: Expanded;
  /** How many snapshots there were when they were made: a later one shows them. */
  readonly snapshots: number;
  readonly offset: [number, number];
  /** Undefined along a span, which has no offset. */
  readonly x: Mutable<Length> | undefined;
  readonly y: Mutable<Length> | undefined;
}

/** A written widget that follows from values, and what it is unfolded to now. */
export interface LiveSite extends Pick<Site, 'written' | 'place'> {
  readonly parent: LiveNode;
  /** Its bound keys, where it is nothing but one widget. */
  readonly bound: readonly (readonly [string, unknown])[] | undefined;
  /** How it moves, where nothing but that is bound. */
  readonly slide: Slide | undefined;
  /** Whether anything in it may say at which place of a list it stands; undefined where nobody has asked. */
  saysPlaces: boolean | undefined;
  /** What it is unfolded to now. */
  heads: readonly LiveNode[];
  /** The names of the case that it follows from. */
  names: ReadonlySet<string>;
}

/** A way along both axes, in u. */
export interface Offset {
  readonly x: number;
  readonly y: number;
}

export type Mutable<T> = { -readonly [Key in keyof T]: T[Key] };

/** What a widget is to be, when all has arrived that is on its way, where it stands now. */
export function targetOf({ widget, motion }: LiveNode): Widget {
  const { index, parent } = widget;
  return { ...(motion?.target ?? widget), index, parent };
}
