import { nearestName } from '../document/index.ts';
import { findScreen, makeScreen, screens, type Screen } from '../screen/index.ts';
import { UsageError } from './io.ts';

export interface ScreenOptions {
  readonly safe?: readonly [number, number, number, number];
  readonly density?: number;
}

/**
 * A screen of the catalogue, or WIDTHxHEIGHT, with the insets and density that were given beside it.
 * @throws UsageError
 */
export function screenFrom(name: string, { safe, density }: ScreenOptions): Screen {
  const known = findScreen(name);
  const size = /^([1-9]\d{0,5}) ?[xX] ?([1-9]\d{0,5})$/.exec(name);
  if (!known && !size) {
    const near = nearestName(
      name,
      screens.map((screen) => screen.name),
    );
    const hint = near === undefined ? '`pimbot screens` lists them' : `did you mean "${near}"?`;
    throw new UsageError(`there is no screen "${name}", and it is not a size such as 1920x1080; ${hint}`);
  }
  const base = known ?? {
    name,
    title: `${size![1]} × ${size![2]}`,
    width: Number(size![1]),
    height: Number(size![2]),
  };
  try {
    return makeScreen({ ...base, ...(safe && { safe }), ...(density !== undefined && { density }) });
  } catch (error) {
    if (error instanceof RangeError) throw new UsageError(error.message);
    throw error;
  }
}
