import type { DocumentSource, WidgetSource } from 'pimbot';

/** A window that cuts off or holds what is in it, and what lies over it, each turned any way and some as wide as a share. */
export function viewBy(next: () => number): DocumentSource['views'] {
  const pick = <One>(all: readonly One[]): One => all[Math.floor(next() * all.length)]!;
  const length = (most: number) =>
    next() < 0.4 ? `${Math.round(next() * 40) + 5}%` : 15 + Math.round(next() * most);
  const one = (id: string, more: Partial<WidgetSource> = {}): WidgetSource => ({
    id,
    anchor: pick(['center', 'left top', 'right bottom']),
    offset: [Math.round(next() * 120 - 60), Math.round(next() * 120 - 60)],
    size: [length(160), length(90)],
    ...(next() < 0.6 && { rotate: pick([90, -90, 180, 20, -45]) }),
    ...(next() < 0.1 && { skew: 25 }),
    look: {
      background: pick(['#ff8800', '#ff880080']),
      ...(next() < 0.3 && { radius: pick([6, 30]) }),
      ...(next() < 0.3 && { scale: pick([0.5, 1.4]) }),
    },
    ...more,
  });
  const words = pick(['Depth', 'A letter with a red seal']);
  const inside = [
    one('button', { kind: 'button' }),
    one('words', { kind: 'text', text: words }),
    one('plate'),
  ];
  const children = [
    one('window', { children: inside, ...(next() < 0.6 && { overflow: 'clip' as const }) }),
    one('over'),
    one('beside'),
  ];
  const ids = ['button', 'plate', 'over', 'beside', 'window'];
  const expect: NonNullable<DocumentSource['views'][string]['expect']> = [
    { widget: 'button', within: pick(['window', 'safe', 'over']) },
    { widgets: [pick(ids), 'over'], never: 'overlap' },
    { widgets: ['plate', 'over'], aligned: pick(['left', 'middle', 'right']) },
    { widgets: ['window', 'beside'], order: 'left to right' },
    { widget: pick(ids), visible: next() < 0.7 },
    { widgets: ['over', 'beside'], touching: true },
  ];
  return { test: { children, expect: expect.filter(() => next() < 0.4) } };
}
