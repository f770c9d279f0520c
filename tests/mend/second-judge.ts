import { openView, type CheckedDocument, type ViewLayout } from 'pimbot';
import type { Finding, Suggestion } from 'pimbot/tools';
import { fonts } from '../support/views.ts';

/** What a finding is of. */
export const nameOf = ({ check, view, widget, other }: Finding) => [check, view, widget, other].join(' ');

/**
 * A second judge, written apart from the one that chooses: what a change takes away that the author meant. On the reference
 * nothing that is pressed gets smaller (but by the little that the ring of its focus needs), nothing bound is unbound, and edges that were in a line with a sibling's still are.
 */
export function harms(before: CheckedDocument, after: CheckedDocument, finding: Finding): string[] {
  const bound = ({ source }: CheckedDocument) =>
    JSON.stringify(source).match(/"[^"]*\{\w+[^"]*\}[^"]*"/g) ?? [];
  const found = bound(before).length > bound(after).length ? ['a binding is lost'] : [];
  const name = finding.view;
  if (name === undefined) return found;
  const at = ({ width, height }: { width: number; height: number }) => ({ width, height });
  const [old, now] = [before, after].map((document) => {
    const view = openView(document, name, { resources: { fonts } });
    return view.layoutOn(at(view.reference));
  }) as [ViewLayout, ViewLayout];
  const rects = (on: ViewLayout) =>
    new Map(
      on.widgets.map(({ id, index, parent, kind, look }) => {
        // Nobody sees how wide the box of bare words is.
        const isBare = kind === 'text' && !look.background && look.borderWidth === 0;
        return [id, { ...on.layout.rectInU(index), kind, parent, isBare }];
      }),
    );
  const [was, is] = [rects(old), rects(now)];
  for (const [id, a] of was) {
    const b = is.get(id);
    if (!b) continue;
    const kept = finding.check === 'cut-ring' ? 0.95 : 1;
    if (a.kind === 'button' && (b.width < kept * a.width - 0.6 || b.height < kept * a.height - 0.6))
      found.push(`${id} is smaller`);
    for (const [other, c] of was) {
      const d = is.get(other);
      const isPair =
        [finding.widget, finding.other].includes(id) && [finding.widget, finding.other].includes(other);
      if (!d || other <= id || c.parent !== a.parent || a.parent < 0 || isPair) continue;
      for (const key of ['x', 'y', 'width', 'height'] as const)
        if (
          !(key === 'width' && (a.isBare || c.isBare)) &&
          Math.abs(a[key] - c[key]) < 0.01 &&
          Math.abs(b[key] - d[key]) > 1
        )
          found.push(`${id} and ${other} had one ${key}`);
    }
  }
  return found;
}

/** How many widgets a change moves or resizes in what they are in on the reference, and by how much at the most, in u. */
export function moves(
  before: CheckedDocument,
  after: CheckedDocument,
  view: string,
): Pick<Suggestion['disturbance'], 'widgets' | 'u'> {
  const edges = (document: CheckedDocument) => {
    const opened = openView(document, view, { resources: { fonts } });
    const { width, height } = opened.reference;
    const on = opened.layoutOn({ width, height });
    return new Map(
      on.widgets.map(({ id, index, parent }) => {
        const own = on.layout.rectInU(index);
        const around = parent < 0 ? own : on.layout.rectInU(parent);
        const [x, y] = [own.x - around.x, own.y - around.y];
        return [id, [x, y, x + own.width, y + own.height]] as const;
      }),
    );
  };
  const [was, is] = [edges(before), edges(after)];
  let [widgets, u] = [0, 0];
  for (const [id, a] of was) {
    const b = is.get(id);
    const by = b ? Math.max(...a.map((edge, at) => Math.abs(edge - b[at]!))) : 0;
    if (by <= 0.5) continue;
    widgets++;
    u = Math.max(u, by);
  }
  return { widgets, u };
}
