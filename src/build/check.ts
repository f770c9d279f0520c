import {
  nearestName,
  own,
  pointerTo,
  widgetsOf,
  type CheckedDocument,
  type DiagnosticList,
} from '../document/index.ts';
import type { Messages } from '../text/index.ts';
import { MessageError } from '../text/index.ts';

/** Reports texts that are no messages, and values that a view asks for and a case does not give. */
export function checkMessages(
  document: CheckedDocument,
  messages: Messages,
  diagnostics: DiagnosticList,
): void {
  const cases = Object.entries(document.source.cases ?? {});
  const known = new Set(cases.flatMap(([, values]) => Object.keys(values)));
  const told = new Set<string>();
  for (const [name, view] of Object.entries(document.source.views)) {
    for (const { widget, pointer } of widgetsOf(view, pointerTo('/views', name))) {
      const asked: { name: string; at: string }[] = [];
      if (widget.text !== undefined) {
        try {
          for (const value of messages.names(String(widget.text)))
            asked.push({ name: value, at: `${pointer}/text` });
        } catch (error) {
          if (!(error instanceof MessageError)) throw error;
          diagnostics.add('bad-message', { detail: error.message }, document.origin.at(`${pointer}/text`));
        }
      }
      if (typeof widget.value === 'string')
        asked.push({ name: widget.value.slice(1, -1), at: `${pointer}/value` });
      for (const value of asked) {
        if (!known.has(value.name)) {
          const facts = { what: 'value', name: value.name, meant: nearestName(value.name, known) };
          diagnostics.add('unknown-name', facts, document.origin.at(value.at));
          continue;
        }
        for (const [caseName, values] of cases) {
          const key = `${caseName} ${value.name}`;
          if (own(values, value.name) !== undefined || told.has(key)) continue;
          told.add(key);
          const at = document.origin.atKey(pointerTo('/cases', caseName));
          diagnostics.add('case-lacks-value', { case: caseName, value: value.name }, at);
        }
      }
    }
  }
}
