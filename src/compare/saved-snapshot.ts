import type { SeenWidget, Snapshot } from './snapshot.ts';

/** How many parts a widget is told in. */
const widgetParts: SeenWidget['length'] = 10;

/** A snapshot that was kept; undefined where not everything a comparison reads is there and of its type: a file may hold anything. */
export function readSnapshot(saved: object): Snapshot | undefined {
  const { views, seen, findings } = saved as Partial<Snapshot>;
  const isText = (value: unknown) => typeof value === 'string';
  const isList = (value: unknown, isOne: (one: unknown) => boolean) =>
    Array.isArray(value) && value.every(isOne);
  const isMap = (value: unknown): value is { readonly [key: string]: unknown } =>
    typeof value === 'object' && value !== null && !Array.isArray(value);
  const isPlace = (one: unknown) =>
    Array.isArray(one) && Number.isInteger(one[0]) && (one[1] === null || Number.isFinite(one[1]));
  const isWidget = (one: unknown) =>
    Array.isArray(one) && one.length === widgetParts && isText(one[0]) && one.slice(1).every(Number.isFinite);
  const isFinding = (one: unknown) =>
    isMap(one) &&
    [one['key'], one['check'], one['message'], one['fails'], one['unit']].every(isText) &&
    isList(one['on'], isPlace);
  const isSeen = (one: unknown) =>
    isMap(one) &&
    [one['view'], one['screen']].every(isText) &&
    [one['width'], one['height']].every(Number.isFinite) &&
    isMap(one['occasion']) &&
    isList(one['widgets'], isWidget);
  const isWhole = isList(views, isText) && isList(findings, isFinding) && isList(seen, isSeen);
  return isWhole ? (saved as Snapshot) : undefined;
}
