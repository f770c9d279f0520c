import {
  own,
  pointerTo,
  rootsOf,
  widgetsOf,
  type CheckedDocument,
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
  /** The id of the widget inside. */
  readonly widget: string;
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
      const component = widget.use === undefined ? undefined : own(document.source.components, widget.use);
      if (!component || !widget.set) continue;
      const inner = new Map([...widgetsOf(component, '')].map((one) => [one.widget.id, one.widget]));
      for (const [id, change] of Object.entries(widget.set)) {
        for (const [key, to] of Object.entries(change as Record<string, unknown>)) {
          const from = (inner.get(id) as Record<string, unknown> | undefined)?.[key];
          const at = pointerTo(pointerTo(pointerTo(pointer, 'set'), id), key);
          const instance = widget.id ?? pointer;
          found.push({
            root: name,
            instance,
            component: widget.use!,
            widget: id,
            key,
            from,
            to,
            pointer: at,
          });
        }
      }
    }
  }
  return found;
}

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
      if (!isChanged(widget)) throw new EditError(`"${instance}" changes nothing of its component`);
      text.remove(pointer, 'set');
      return text.text;
    }
  }
  throw new EditError(`there is no instance "${instance}" in ${root}`);
}

function isChanged(widget: WidgetSource): boolean {
  return widget.use !== undefined && widget.set !== undefined;
}
