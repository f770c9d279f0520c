import {
  componentsOf,
  isTemplate,
  namesInId,
  templateNames,
  nearestName,
  entryOf,
  pointerTo,
  rootsOf,
  widgetsOf,
  type CheckedDocument,
  type DiagnosticList,
  type PlacedSource,
} from '../document/index.ts';
import { isPutIn } from './put-in.ts';
import { MessageError, type Messages } from '../text/index.ts';

/** Reports texts that are no messages, and values that a view asks for and a case does not give. */
export function checkMessages(
  document: CheckedDocument,
  messages: Messages,
  diagnostics: DiagnosticList,
): void {
  const cases = Object.entries(document.source.cases ?? {});
  const known = new Set(cases.flatMap(([, values]) => Object.keys(values)));
  const fields = new Set(cases.flatMap(([, values]) => Object.values(values).flatMap(fieldsOf)));
  const told = new Set<string>();
  for (const { root, pointer: rootPointer, component } of rootsOf(document.source)) {
    const params = Object.keys(component?.params ?? {});
    const top: PlacedSource[] = component
      ? [{ widget: component, pointer: rootPointer, parent: undefined, arrange: undefined }]
      : [];
    for (const placed of [...top, ...widgetsOf(root, rootPointer)]) {
      const { widget, pointer } = placed;
      const local = new Set(params);
      for (let at: PlacedSource | undefined = placed; at; at = at.parent) {
        if (at.widget.repeat !== undefined) ['index', 'item', ...fields].forEach((name) => local.add(name));
      }
      const asked = [
        ...namesAsked(widget, pointer, messages, document, diagnostics),
        ...(widget.when ?? []).flatMap(({ change }, index) =>
          namesAsked(change, `${pointer}/when/${index}/change`, messages, document, diagnostics),
        ),
        ...Object.entries(widget.set ?? {}).flatMap(([id, change]) =>
          namesAsked(change, pointerTo(`${pointer}/set`, id), messages, document, diagnostics).filter(
            ({ name }) => !isOfComponent(document, widget.use, name, fields),
          ),
        ),
      ];
      for (const { name, at } of asked) {
        if (local.has(name)) continue;
        if (!known.has(name)) {
          const facts = { what: 'value', name, meant: nearestName(name, [...known, ...local]) };
          diagnostics.add('unknown-name', facts, document.origin.at(at));
          continue;
        }
        for (const [caseName, values] of cases) {
          const key = `${caseName} ${name}`;
          if (entryOf(values, name) !== undefined || told.has(key)) continue;
          told.add(key);
          const place = document.origin.atKey(pointerTo('/cases', caseName));
          diagnostics.add('case-lacks-value', { case: caseName, value: name }, place);
        }
      }
    }
  }
}

/** Whether a name is one in a component: a parameter, or of an entry where something in it is repeated. */
function isOfComponent(
  document: CheckedDocument,
  use: string | undefined,
  name: string,
  fields: ReadonlySet<string>,
): boolean {
  const isOfEntry = name === 'index' || name === 'item' || fields.has(name);
  for (const { component } of componentsOf(document.source, use)) {
    if (Object.hasOwn(component.params ?? {}, name)) return true;
    if (isOfEntry)
      for (const { widget } of widgetsOf(component, '')) if (widget.repeat !== undefined) return true;
  }
  return false;
}

function fieldsOf(value: unknown): string[] {
  return Array.isArray(value)
    ? value.flatMap((entry) => (typeof entry === 'object' ? Object.keys(entry as object) : []))
    : [];
}

/** Every name a widget asks for: in its text, in lone `{name}`s, and in what it gives a component. */
function namesAsked(
  widget: PlacedSource['widget'],
  pointer: string,
  messages: Messages,
  document: CheckedDocument,
  diagnostics: DiagnosticList,
): { name: string; at: string }[] {
  const asked: { name: string; at: string }[] = [];
  for (const [key, value] of Object.entries(widget)) {
    const at = pointerTo(pointer, key);
    if (key === 'id') {
      for (const name of namesInId(String(value))) asked.push({ name, at });
      continue;
    }
    if (key === 'look' && typeof value === 'object') {
      for (const [part, inner] of Object.entries(value as object)) {
        if (isTemplate(inner))
          for (const name of templateNames(inner)) asked.push({ name, at: pointerTo(at, part) });
      }
      continue;
    }
    if (isPutIn(key) && typeof value === 'object' && value !== null) {
      for (const [part, inner] of Object.entries(value as object))
        if (isTemplate(inner))
          for (const name of templateNames(inner)) asked.push({ name, at: pointerTo(at, part) });
      continue;
    }
    const message =
      key === 'text' ||
      key === 'placeholder' ||
      key === 'label' ||
      (widget.use !== undefined && typeof value === 'string');
    if (!message && !isTemplate(value)) continue;
    if (isTemplate(value)) {
      for (const name of templateNames(value)) asked.push({ name, at });
      continue;
    }
    try {
      for (const name of messages.names(String(value))) asked.push({ name, at });
    } catch (error) {
      if (!(error instanceof MessageError)) throw error;
      diagnostics.add('bad-message', { detail: error.message }, document.origin.at(at));
    }
  }
  return asked;
}
