import type { DiagnosticList } from './diagnostics.ts';
import {
  directions,
  isTemplate,
  own,
  widgetsOf,
  type DocumentSource,
  type Origin,
  type ViewSource,
  type WidgetSource,
} from './model.ts';
import { pointerTo } from './parse.ts';
import { nearestName } from './suggest.ts';

/* Names that lead from one part of a document to another: promises to widgets, components to components. */

/** Whether an id is made when the view is built: `hull.bar` is in the instance `hull`, `slot-2` the second `slot`. */
function isMade(id: string, ids: ReadonlyMap<string, string>): boolean {
  return ids.has(id.replace(/\..*$/, '')) || ids.has(id.replace(/(\..*|-\d+)$/, ''));
}

/** Other widgets that a widget names: what it may overlap, is anchored to, and sends the focus to. */
export function checkWidgetNames(
  widget: WidgetSource,
  at: string,
  ids: ReadonlyMap<string, string>,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const refuse = (name: string, place: string) => {
    const facts = { what: 'widget', name, meant: nearestName(name, ids.keys()) };
    diagnostics.add('unknown-name', facts, origin.at(`${at}/${place}`));
  };
  const may = widget['may-overlap'];
  if (Array.isArray(may))
    (may as readonly string[]).forEach((id, nth) => {
      if (!ids.has(id)) refuse(id, `may-overlap/${nth}`);
    });
  const target = widget['anchor-to'];
  if (target !== undefined && !isTemplate(target) && !ids.has(target)) refuse(target, 'anchor-to');
  for (const key of directions) {
    const to = widget[key];
    if (to !== undefined && !isTemplate(to) && !ids.has(to) && !isMade(to, ids)) refuse(to, key);
  }
  checkFocusOrder(widget, at, ids, origin, diagnostics);
}

/** Widgets that a focus order names. */
export function checkFocusOrder(
  holder: Pick<WidgetSource, 'focus-order'>,
  at: string,
  ids: ReadonlyMap<string, string>,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  holder['focus-order']?.forEach((name, nth) => {
    if (ids.has(name) || isMade(name, ids)) return;
    const facts = { what: 'widget', name, meant: nearestName(name, ids.keys()) };
    diagnostics.add('unknown-name', facts, origin.at(`${at}/focus-order/${nth}`));
  });
}

/** Widgets that promises name; those of instances and repeats are only known when the view is built. */
export function checkPromises(
  { expect }: ViewSource,
  pointer: string,
  ids: ReadonlyMap<string, string>,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  expect?.forEach(({ widget, widgets, within }, nth) => {
    const at = `${pointer}/expect/${nth}`;
    const named: [id: string, at: string][] = (widgets ?? []).map((id, index) => [
      id,
      `${at}/widgets/${index}`,
    ]);
    if (widget !== undefined) named.push([widget, `${at}/widget`]);
    if (within !== undefined && within !== 'safe' && within !== 'screen')
      named.push([within, `${at}/within`]);
    if (widget === undefined && widgets === undefined)
      diagnostics.add('missing-key', { key: 'widget', where: 'a promise' }, origin.at(at));
    for (const [id, place] of named) {
      if (ids.has(id) || isMade(id, ids)) continue;
      const facts = { what: 'widget', name: id, meant: nearestName(id, ids.keys()) };
      diagnostics.add('unknown-name', facts, origin.at(place));
    }
  });
}

/** A component that leads back to itself is refused with the chain. */
export function checkUses(document: DocumentSource, origin: Origin, diagnostics: DiagnosticList): void {
  const components = document.components ?? {};
  const usesOf = (name: string): { use: string; pointer: string }[] => {
    const component = own(components, name);
    if (!component) return [];
    const pointer = pointerTo('/components', name);
    const all = [{ widget: component as WidgetSource, pointer }, ...widgetsOf(component, pointer)];
    return all.flatMap(({ widget, pointer: at }) =>
      widget.use === undefined ? [] : [{ use: widget.use, pointer: at }],
    );
  };
  const done = new Set<string>();
  for (const start of Object.keys(components)) {
    const path: { name: string; left: { use: string; pointer: string }[] }[] = [
      { name: start, left: usesOf(start) },
    ];
    while (path.length > 0) {
      const top = path.at(-1)!;
      const next = top.left.shift();
      if (!next) {
        done.add(top.name);
        path.pop();
        continue;
      }
      const seen = path.findIndex(({ name }) => name === next.use);
      if (seen >= 0) {
        const chain = [...path.slice(seen).map(({ name }) => name), next.use];
        diagnostics.add('name-chain', { what: 'this component', chain }, origin.at(`${next.pointer}/use`));
      } else if (!done.has(next.use)) path.push({ name: next.use, left: usesOf(next.use) });
    }
  }
}
