import {
  componentsOf,
  isNamePattern,
  isTemplate,
  namesInId,
  templateNames,
  caseNames,
  entryNames,
  entryOf,
  isCaseMap,
  nearestName,
  partOf,
  pointerTo,
  rootOf,
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
  const known = new Set(cases.flatMap(([, values]) => caseNames(values)));
  const ofEntries = entryNames(cases.map(([, values]) => values));
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
        if (at.widget.repeat !== undefined) for (const name of ofEntries) local.add(name);
      }
      const asked = [
        ...namesAsked(widget, pointer, messages, document, diagnostics),
        ...(widget.when ?? []).flatMap(({ change }, index) =>
          namesAsked(change, `${pointer}/when/${index}/change`, messages, document, diagnostics),
        ),
        ...Object.entries(widget.set ?? {}).flatMap(([id, change]) =>
          namesAsked(change, pointerTo(`${pointer}/set`, id), messages, document, diagnostics).filter(
            ({ name }) => !isOfComponent(document, widget.use, name, ofEntries),
          ),
        ),
      ];
      for (const { name, at } of asked) {
        // What a parameter is given is known where that is written.
        if (local.has(name) || params.includes(rootOf(name))) continue;
        if (!known.has(name)) {
          const facts = { what: 'value', name, meant: meantBy(name, document, [...known, ...local]) };
          diagnostics.add('unknown-name', facts, document.origin.at(at));
          continue;
        }
        for (const [caseName, values] of cases) {
          const key = `${caseName} ${name}`;
          if (partOf(values, name) !== undefined || told.has(key)) continue;
          told.add(key);
          const inCase = pointerTo('/cases', caseName);
          const isMap = isCaseMap(entryOf(values, rootOf(name)));
          const place = document.origin.atKey(isMap ? pointerTo(inCase, rootOf(name)) : inCase);
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
  ofEntries: ReadonlySet<string>,
): boolean {
  for (const { component } of componentsOf(document.source, use)) {
    if (Object.hasOwn(component.params ?? {}, rootOf(name))) return true;
    if (ofEntries.has(name))
      for (const { widget } of widgetsOf(component, '')) if (widget.repeat !== undefined) return true;
  }
  return false;
}

/**
 * What somebody meant by the name of a value there is not: an alias of a token is written so among tokens alone, and what an entry
 * holds goes by its own name.
 */
function meantBy(name: string, document: CheckedDocument, names: readonly string[]): string | undefined {
  const { notations, themes } = document;
  const isToken = name.includes('.') && 'value' in notations.tokens('', themes).resolve(name);
  if (isToken) return `$${name}`;
  const last = name.slice(name.lastIndexOf('.') + 1);
  return names.includes(last) ? last : nearestName(name, names);
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
        for (const name of namesPutIn(key, inner)) asked.push({ name, at: pointerTo(at, part) });
      continue;
    }
    if (isNamePattern(key, value)) {
      for (const name of namesPutIn(key, value)) asked.push({ name, at });
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

/** The names that a value of a key, or one in its list, is put in for. */
function namesPutIn(key: string, value: unknown): readonly string[] {
  if (isTemplate(value)) return templateNames(value);
  return isNamePattern(key, value) ? namesInId(value) : [];
}
