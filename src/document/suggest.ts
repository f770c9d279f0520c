import { distance } from 'fastest-levenshtein';

/** The name somebody may have meant: the nearest one, if it is near. */
export function nearestName(name: string, names: Iterable<string>): string | undefined {
  const wanted = name.slice(0, 64).toLowerCase();
  let best: string | undefined;
  // Ten thousand wrong names are told in time as well.
  let left = 5000;
  // Two letters changed places count as two changes.
  let most = wanted.length > 3 ? Math.max(2, wanted.length / 3) : 1;
  for (const candidate of names) {
    // With one letter in place of another, nothing of it is left.
    if (wanted.length * candidate.length === 1) continue;
    const away = --left < 0 ? 99 : distance(wanted, candidate.toLowerCase());
    if (away <= most) {
      most = away - 1;
      best = candidate;
    }
  }
  return best;
}
