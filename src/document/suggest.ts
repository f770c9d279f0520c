import { distance } from 'fastest-levenshtein';

/** The name somebody may have meant: the nearest one, if it is near. */
export function nearestName(name: string, names: Iterable<string>): string | undefined {
  const wanted = name.slice(0, 80).toLowerCase();
  let best: string | undefined;
  // Two letters changed places count as two changes.
  let least = (wanted.length <= 3 ? 1 : Math.max(2, Math.floor(wanted.length / 3))) + 1;
  for (const candidate of names) {
    // With one letter in place of another, nothing of it is left.
    if (wanted.length === 1 && candidate.length === 1) continue;
    const away = distance(wanted, candidate.toLowerCase());
    if (away < least) {
      least = away;
      best = candidate;
    }
  }
  return best;
}
