import { nearestName } from '../document/index.ts';

/** Somebody asked for a view, case or widget that is not there. */
export class NoSuchName extends Error {
  override readonly name = 'NoSuchName';

  constructor(what: string, wanted: string, names: readonly string[]) {
    const near = nearestName(wanted, names);
    const hint = near === undefined ? listed(names) : `; did you mean "${near}"?`;
    super(`there is no ${what} "${wanted}"${hint}`);
  }
}

function listed(names: readonly string[]): string {
  return names.length === 0
    ? ''
    : `; there is ${names.slice(0, 12).join(', ')}${names.length > 12 ? ' …' : ''}`;
}
