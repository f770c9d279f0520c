import {
  entryOf,
  isFixed,
  pointerTo,
  rootsOf,
  widgetsOf,
  type CheckedDocument,
  type ComponentSource,
  type WidgetSource,
} from '../document/index.ts';
import { DocumentText } from './document-text.ts';
import { EditError } from './edit-error.ts';

/** One value that an instance has in place of its component's. */
export interface InstanceChange {
  /** The view or component it is in. */
  readonly root: string;
  /** The id of the instance; its pointer where it has none. */
  readonly instance: string;
  readonly component: string;
  /** The id of the widget inside; undefined where the key stands on the instance itself. */
  readonly widget: string | undefined;
  readonly key: string;
  /** What the component says; undefined where it says nothing. */
  readonly from: unknown;
  readonly to: unknown;
  /** JSON Pointer of the instance's value. */
  readonly pointer: string;
}

/** Where instances differ from their components, in document order. */
export function instanceChanges(document: CheckedDocument): InstanceChange[] {
  const found: InstanceChange[] = [];
  for (const { name, root, pointer: start } of rootsOf(document.source)) {
    for (const { widget, pointer } of widgetsOf(root, start)) {
      const component =
        widget.use === undefined ? undefined : entryOf(document.source.components, widget.use);
      if (!component) continue;
      const instance = widget.id ?? pointer;
      const note = (of: string | undefined, key: string, from: unknown, to: unknown, at: string) =>
        found.push({ root: name, instance, component: widget.use!, widget: of, key, from, to, pointer: at });
      for (const key of overridden(widget, component))
        note(undefined, key, component[key], widget[key], pointerTo(pointer, key));
      const inner = new Map([...widgetsOf(component, '')].map((one) => [one.widget.id, one.widget]));
      for (const [id, change] of Object.entries(widget.set ?? {})) {
        for (const [key, to] of Object.entries(change as Record<string, unknown>)) {
          const from = (inner.get(id) as Record<string, unknown> | undefined)?.[key];
          note(id, key, from, to, pointerTo(pointerTo(pointerTo(pointer, 'set'), id), key));
        }
      }
    }
  }
  return found;
}

/** The keys that an instance says itself in place of what its component says of them. */
function overridden(
  instance: WidgetSource,
  component: ComponentSource,
): (keyof WidgetSource & keyof ComponentSource)[] {
  const params = component.params ?? {};
  return (Object.keys(instance) as (keyof WidgetSource & keyof ComponentSource)[]).filter(
    (key) =>
      component[key] !== undefined && !isFixed(key) && !innerKeys.has(key) && !Object.hasOwn(params, key),
  );
}

/** Keys of which an instance and its component each have their own. */
const innerKeys: ReadonlySet<string> = new Set(['children', 'when', 'accept']);

/**
 * Takes all changes of an instance out, so that it follows its component again. Everything else stays as it is.
 * @returns the changed text. @throws EditError when there is no such instance, or it changes nothing.
 */
export function resetInstance(document: CheckedDocument, root: string, instance: string): string {
  const text = new DocumentText(document);
  for (const one of rootsOf(document.source)) {
    if (one.name !== root) continue;
    for (const { widget, pointer } of widgetsOf(one.root, one.pointer)) {
      if ((widget.id ?? pointer) !== instance) continue;
      const component =
        widget.use === undefined ? undefined : entryOf(document.source.components, widget.use);
      const keys = component
        ? [...overridden(widget, component), ...(widget.set === undefined ? [] : ['set'])]
        : [];
      if (keys.length === 0) throw new EditError(`"${instance}" changes nothing of its component`);
      for (const key of keys) text.remove(pointer, key);
      return text.text;
    }
  }
  throw new EditError(`there is no instance "${instance}" in ${root}`);
}
