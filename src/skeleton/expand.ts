import {
  filledId,
  isFixed,
  isIdPattern,
  isNamePattern,
  isTemplate,
  namesIn,
  namesInId,
  entryOf,
  pointerTo,
  refusedBy,
  type CheckedDocument,
  type ComponentSource,
  type LookSource,
  type ViewSource,
  type WidgetSource,
} from '../document/index.ts';
import { isPutIn } from './put-in.ts';
import { holds, readCondition, type OnScreen } from './conditions.ts';
import { namedBy, namedInside, namingIn, type Inside, type Naming } from './naming.ts';
import { BuildError, cannotBe, mostEntries, type Scope, type ValueOfCase } from './scope.ts';

/** A widget as it stands in its place: conditions, repeats, components and parameters worked in. */
export interface Expanded {
  readonly source: WidgetSource;
  readonly pointer: string;
  /** Where keys stand that are not at the pointer: in a component, a condition, a change of an instance. */
  readonly origins: Origins;
  readonly bound: Bound;
  readonly scope: Scope;
  readonly naming: Naming;
  readonly id: string | undefined;
  /** Its id without that of the instance or entry it is in. */
  readonly name: string | undefined;
  readonly children: readonly Unexpanded[];
  /** Of an instance. */
  readonly inside: Inside | undefined;
}

/** Key → JSON Pointer of its value. */
export type Origins = ReadonlyMap<string, string>;

/** Key, or key/place in its list → the value of the case that was put in there; undefined where it is worked out. */
export type Bound = ReadonlyMap<string, ValueOfCase | undefined>;

/** A widget as it is written, and where. */
export interface Unexpanded {
  readonly source: WidgetSource;
  readonly pointer: string;
  readonly scope: Scope;
  readonly naming: Naming;
  /** Changes of the instance it is in. */
  readonly set: { readonly [id: string]: WidgetSource } | undefined;
  /** JSON Pointer of those changes. */
  readonly setPointer: string;
  /** The children given to the instance it is in. */
  readonly slotted: readonly Unexpanded[];
  /** Worked out already. */
  readonly finished?: Expanded;
}

/**
 * What a key is to be, where a value that is put in for a name in it is none of those; undefined where it is one.
 * @param part Of a look: which of its keys.
 */
export type Refuses = (key: string, value: unknown, part?: string) => string | undefined;

/** What was found on the way. */
export interface Trace {
  readonly refuses: Refuses;
  /** Who hears of what a key cannot be, which is left out then; it is thrown if left out. */
  readonly wrong?: (error: BuildError) => void;
  /** Pointers of the conditions that hold. */
  readonly applied: string[];
  /** Names of the case that decide which widgets there are, or how they are laid out. */
  readonly structural: Set<string>;
}

/** The children of a view or widget as they are written. */
export function childrenOf(
  children: readonly WidgetSource[] | undefined,
  pointer: string,
  from: Pick<Unexpanded, 'scope' | 'naming' | 'set' | 'setPointer' | 'slotted'>,
): Unexpanded[] {
  const { scope, naming, set, setPointer, slotted } = from;
  // Written out: spreading is what building a view spent most of its time on.
  return (children ?? []).map((source, index) => ({
    source,
    pointer: `${pointer}/children/${index}`,
    scope,
    naming,
    set,
    setPointer,
    slotted,
  }));
}

/** Works one written widget out: none, one, or several widgets. */
export function expand(
  document: CheckedDocument,
  written: Unexpanded,
  on: OnScreen,
  trace: Trace,
): Expanded[] {
  if (written.finished) return [written.finished];
  const { source, scope, naming: outer } = written;
  if (source.slot === true) return written.slotted.flatMap((one) => expand(document, one, on, trace));
  const origins = new Map<string, string>();
  const changed = withSet(withConditions(source, written.pointer, on, trace, origins), written, origins);
  const { repeat } = changed;
  const made = (name: string | undefined, inner: Scope, naming: Naming) =>
    instantiate(document, { written, source: changed, name, scope: inner, naming }, on, trace, origins);
  if (repeat === undefined) {
    const one = made(ownId(changed, scope, trace), scope, outer);
    return one.source.gone === true ? [] : [one];
  }
  const taken = new Set<string>();
  const own = namesIn(changed);
  const entries = heard(trace, () => entriesOf(written, repeat, trace)) ?? [];
  return entries
    .map((inner, index) => {
      const name = entryId(changed, inner, index, taken);
      const prefix = name === undefined ? '' : `${outer.prefix}${name}.`;
      return made(name, inner, own ? namingIn(prefix, () => own, outer) : outer);
    })
    .filter((one) => one.source.gone !== true);
}

/** @throws BuildError where it is neither a number of entries nor a list. */
function entriesOf({ scope, pointer }: Unexpanded, repeat: number | string, { structural }: Trace): Scope[] {
  const entries = scope.repeat(repeat, structural);
  if (entries) return entries;
  const expected = `a whole number from 0 to ${mostEntries} or a list`;
  const gives = scope.evaluate(String(repeat));
  throw cannotBe('repeat', expected, repeat, gives, pointerTo(pointer, 'repeat'));
}

/** The id of an entry of a repeat: with its place, what its key says, or what its names stand for; of two alike the later has its place too. */
function entryId(
  { id, key }: WidgetSource,
  scope: Scope,
  index: number,
  taken: Set<string>,
): string | undefined {
  if (id === undefined) return undefined;
  const place = String(index + 1);
  const pattern = isIdPattern(id) ? id : `${id}-${key === undefined ? place : `{${key}}`}`;
  const plain = filledId(pattern, (name) => textIn(scope, name) ?? place);
  const made = taken.has(plain) ? `${plain}-${index + 1}` : plain;
  taken.add(made);
  return made;
}

/** The id of a widget that is there once; names in it are those around it. */
function ownId({ id }: WidgetSource, scope: Scope, trace: Trace): string | undefined {
  if (id === undefined || !isIdPattern(id)) return id;
  for (const name of namesInId(id)) scope.follow(`{${name}}`, trace.structural);
  return filledId(id, (name) => textIn(scope, name) ?? name);
}

/** What a name stands for in an id; undefined of a list, and of nothing. */
function textIn(scope: Scope, name: string): string | undefined {
  const said = scope.written(name);
  return said === undefined || said === '' || typeof said === 'object' ? undefined : String(said);
}

/** A widget as it is to be made, once or for an entry. */
interface Made {
  readonly written: Unexpanded;
  /** With conditions and changes worked in. */
  readonly source: WidgetSource;
  /** Its id without what it starts with. */
  readonly name: string | undefined;
  readonly scope: Scope;
  readonly naming: Naming;
}

/** Follows `use` to the widget it stands for. */
function instantiate(
  document: CheckedDocument,
  one: Made,
  on: OnScreen,
  trace: Trace,
  said: Origins,
): Expanded {
  const { written, name, naming, scope } = one;
  const { pointer } = written;
  const id = name === undefined ? undefined : written.naming.prefix + name;
  const given = one.source;
  const bound = new Map<string, ValueOfCase | undefined>();
  const own = given.children ? childrenOf(given.children, pointer, { ...written, scope, naming }) : none;
  if (given.use === undefined) {
    // Most are no instances; nothing is copied for them.
    const source = substituted(given, scope, pointer, trace, bound);
    return {
      source,
      pointer,
      origins: said,
      bound,
      scope,
      naming,
      id,
      name,
      children: own,
      inside: undefined,
    };
  }
  const component = entryOf(document.source.components, given.use);
  if (!component) throw new BuildError(`there is no component "${given.use}"`, pointer);
  const { inner, own: keys } = parametersOf(component, given, scope, pointer);
  // What is given to a parameter stays as it is written: whoever shows it follows it to the names around.
  const outside = substituted(keys, scope, pointer, trace, bound);
  const at = pointerTo('/components', given.use);
  const keysInside = new Map<string, string>();
  const body = withConditions(component, at, on, trace, keysInside);
  const inside = namingIn(id === undefined ? '' : `${id}.`, () => namesIn(body), naming);
  const children = childrenOf(body.children, at, {
    scope: inner,
    naming: inside,
    set: given.set,
    setPointer: said.get('set') ?? `${pointer}/set`,
    slotted: own,
  });
  const { params: _params, children: _children, ...rest } = body;
  const within = new Map<string, ValueOfCase>();
  const made = substituted(rest, inner, at, trace, within);
  for (const [key, value] of within) if (!(key.replace(/\/.*/, '') in outside)) bound.set(key, value);
  // What is said outside wins.
  const look = merged(made.look, outside.look, `${at}/look`, keysInside);
  for (const key of Object.keys(rest)) {
    if (key in outside) keysInside.delete(key);
    else if (!keysInside.has(key)) keysInside.set(key, pointerTo(at, key));
  }
  const origins = new Map([...keysInside, ...said]);
  const source = { ...made, ...outside, ...(look && { look }) };
  return {
    source,
    pointer,
    origins,
    bound,
    scope: inner,
    naming,
    id,
    name,
    children,
    inside: { naming: inside, outside },
  };
}

const none: readonly Unexpanded[] = [];

/** What is in a widget that has got its id now: in an instance or entry that says none, names start with the one it was given. */
export function childrenNamed({ children, naming, inside }: Expanded, id: string): readonly Unexpanded[] {
  const around = namedBy(naming, id);
  const within = inside && namedInside(inside, around, id);
  if (around === naming && within === inside?.naming) return children;
  const named = (one: Unexpanded): Unexpanded => {
    const own = one.naming === naming ? around : one.naming === inside?.naming ? within! : one.naming;
    return { ...one, slotted: one.slotted.map(named), naming: own };
  };
  return children.map(named);
}

/** Splits the keys of an instance into parameters and keys of the widget. */
function parametersOf(
  component: ComponentSource,
  instance: WidgetSource,
  scope: Scope,
  pointer: string,
): { inner: Scope; own: WidgetSource } {
  // Without what objects are born with: a parameter may be called as one of those.
  const given = Object.create(null) as Record<string, string | number | boolean>;
  const ownKeys: Record<string, unknown> = {};
  const params = component.params ?? {};
  for (const [key, value] of Object.entries(instance)) {
    if (Object.hasOwn(params, key)) given[key] = value as string;
    else if (!isFixed(key)) ownKeys[key] = value;
  }
  for (const [name, parameter] of Object.entries(params)) {
    if (Object.hasOwn(given, name)) continue;
    const fallback = typeof parameter === 'object' ? parameter.default : undefined;
    if (fallback === undefined) throw new BuildError(`the instance gives no "${name}"`, pointer);
    given[name] = fallback;
  }
  return { inner: scope.inner(given), own: ownKeys };
}

/** Puts the values of lone `{name}`s in. */
function substituted<Source extends WidgetSource>(
  source: Source,
  scope: Scope,
  pointer: string,
  trace: Trace,
  bound: Map<string, ValueOfCase | undefined>,
): Source {
  let changes: Record<string, unknown> | undefined;
  for (const key of Object.keys(source)) {
    const value = (source as Readonly<Record<string, unknown>>)[key];
    if (!isBound(key, value)) continue;
    followBound(key, value, scope, trace.structural);
    noteBound(key, value, scope, bound);
    (changes ??= {})[key] = heard(trace, () => boundValue(key, value, scope, pointer, trace.refuses));
  }
  return changes ? { ...source, ...changes } : source;
}

/** Whether the value of a key is to be put in: a lone `{name}`, or a list or map that holds one. */
function isBound(key: string, value: unknown): boolean {
  // The cheapest is asked first: few keys are bound.
  const mayBe =
    isPut(key, value) ||
    (typeof value === 'object' &&
      value !== null &&
      key !== 'children' &&
      Object.values(value).some((one) => isPut(key, one)));
  return mayBe && isPutIn(key);
}

/** Whether what stands for a name, or for the names in the name of a widget, is put in. */
function isPut(key: string, value: unknown): value is string {
  return isTemplate(value) || isNamePattern(key, value);
}

function followBound(key: string, value: unknown, scope: Scope, into: Set<string>): void {
  for (const one of isPut(key, value) ? [value] : Object.values(value as object)) {
    if (isTemplate(one)) scope.follow(one, into);
    else if (isNamePattern(key, one)) for (const name of namesInId(one)) scope.follow(`{${name}}`, into);
  }
}

function noteBound(
  key: string,
  value: unknown,
  scope: Scope,
  bound: Map<string, ValueOfCase | undefined>,
): void {
  const parts: readonly (readonly [string, unknown])[] = isPut(key, value)
    ? [[key, value]]
    : Object.entries(value as object).map(([part, one]) => [`${key}/${part}`, one]);
  for (const [place, one] of parts) if (isTemplate(one)) bound.set(place, scope.valueOf(one));
}

/** What a bound key of a widget is now. @throws BuildError for what it cannot be. */
function boundValue(key: string, value: unknown, scope: Scope, pointer: string, refuses: Refuses): unknown {
  // Where it stands is worked out only for what is wrong: games set values in every frame.
  const valueOf = (template: string, part?: string): unknown => {
    if (!isTemplate(template)) return filledId(template, (name) => textIn(scope, name) ?? name);
    const found = scope.lookup(template.slice(1, -1));
    if (found !== undefined) return found;
    const at = pointerTo(pointer, key);
    throw lacking(template, scope, part === undefined ? at : pointerTo(at, part));
  };
  const put = isPut(key, value) ? valueOf(value) : putIn(key, value as object, valueOf);
  if (key === 'look' && !isTemplate(value)) {
    for (const [part, one] of Object.entries(value as object))
      if (isTemplate(one))
        hold(
          part,
          one,
          (put as Record<string, unknown>)[part],
          `${pointer}/look`,
          refuses('look', (put as Record<string, unknown>)[part], part),
        );
  } else hold(key, value, put, pointer, refusedBy(key, put) ?? refuses(key, put));
  return put;
}

/** A key is to be what nothing gives. */
function lacking(template: string, scope: Scope, pointer: string): BuildError {
  const name = scope.missing(template);
  const lone = name === undefined ? template : `{${name}}`;
  const said = template === lone ? '' : ` of "${template}"`;
  const refused = { expected: 'a value', said: template, gives: undefined };
  return new BuildError(`there is no value for ${lone}${said}${scope.entries}`, pointer, undefined, refused);
}

/** What is made, or undefined where it cannot be and somebody hears of it. @throws BuildError where nobody does. */
function heard<Value>({ wrong }: Trace, make: () => Value): Value | undefined {
  if (!wrong) return make();
  try {
    return make();
  } catch (error) {
    if (!(error instanceof BuildError)) throw error;
    wrong(error);
    return undefined;
  }
}

/** @throws BuildError where something else was expected than what was put in. */
function hold(key: string, said: unknown, put: unknown, pointer: string, expected: string | undefined): void {
  if (expected !== undefined) throw cannotBe(key, expected, said, put, pointerTo(pointer, key));
}

/** The bound keys of a widget that is nothing but itself: no component, repeat or condition; undefined for others. */
export function plainlyBound({
  source,
  slotted,
  set,
}: Unexpanded): readonly (readonly [string, unknown])[] | undefined {
  if (source.use !== undefined || source.repeat !== undefined || source.when !== undefined) return undefined;
  if (source.id !== undefined && isIdPattern(source.id)) return undefined;
  if (source.slot === true || slotted.length > 0 || (source.id !== undefined && entryOf(set, source.id)))
    return undefined;
  return Object.entries(source).filter(([key, value]) => isBound(key, value));
}

/** The same widget with what its bound keys are now; itself where they are what they were. @throws BuildError */
export function rebound(
  made: Expanded,
  bound: readonly (readonly [string, unknown])[],
  written: Unexpanded,
  refuses: Refuses,
): { readonly made: Expanded; readonly keys: readonly string[] } {
  const changes: Record<string, unknown> = {};
  const keys: string[] = [];
  for (const [key, value] of bound) {
    const put = boundValue(key, value, written.scope, written.pointer, refuses);
    const known = (made.source as Readonly<Record<string, unknown>>)[key];
    if (isSameKey(put, known)) continue;
    changes[key] = put;
    keys.push(key);
  }
  return keys.length === 0
    ? { made, keys }
    : { made: { ...made, source: { ...made.source, ...changes } }, keys };
}

function isSameKey(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (Array.isArray(one) && Array.isArray(other))
    return one.length === other.length && one.every((part, at) => part === (other as unknown[])[at]);
  return typeof one === 'object' && JSON.stringify(one) === JSON.stringify(other);
}

/** What changes on this screen worked in; conditions further down win. */
export function withConditions<Source extends WidgetSource | ViewSource>(
  source: Source,
  pointer: string,
  on: OnScreen,
  trace: Trace,
  origins: Map<string, string>,
): Source {
  let result = source;
  source.when?.forEach(({ screen, change }, index) => {
    if (!holds(readCondition(screen), on)) return;
    trace.applied.push(`${pointer}/when/${index}`);
    const look = merged(result.look, change.look, `${pointer}/look`, origins);
    result = { ...result, ...change, ...(look && { look }) };
    for (const key of Object.keys(change))
      origins.set(key, pointerTo(`${pointer}/when/${index}/change`, key));
  });
  return result;
}

function withSet(
  source: WidgetSource,
  { set, setPointer, pointer }: Unexpanded,
  origins: Map<string, string>,
): WidgetSource {
  const change = source.id === undefined ? undefined : entryOf(set, source.id);
  if (!change) return source;
  const at = pointerTo(setPointer, source.id!);
  const look = merged(source.look, change.look, `${pointer}/look`, origins);
  for (const key of Object.keys(change)) origins.set(key, pointerTo(at, key));
  return { ...source, ...change, ...(look && { look }), id: source.id };
}

/**
 * A look with the changes of another: what they do not say stays, and so does where it is written.
 * @param pointer Where the first stands, unless its origin says so.
 */
function merged(
  look: LookSource | undefined,
  change: LookSource | undefined,
  pointer: string,
  origins: Map<string, string>,
): LookSource | undefined {
  if (!look || !change) return change ?? look;
  const before = origins.get('look') ?? pointer;
  for (const key of Object.keys(look)) {
    const part = `look/${key}`;
    if (Object.hasOwn(change, key)) origins.delete(part);
    else if (!origins.has(part)) origins.set(part, pointerTo(before, key));
  }
  return { ...look, ...change };
}

/** A list or map with the values of lone `{name}`s in it put in. */
function putIn(key: string, value: object, valueOf: (template: string, part: string) => unknown): unknown {
  const put = (one: unknown, part: string) => (isPut(key, one) ? valueOf(one, part) : one);
  if (Array.isArray(value)) return (value as unknown[]).map((one, nth) => put(one, String(nth)));
  return Object.fromEntries(
    Object.entries(value).map(([part, one]: [string, unknown]) => [part, put(one, part)]),
  );
}
