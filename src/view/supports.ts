import { readLimits, readScreenSize, type SupportSource } from '../document/index.ts';

/** Screens that are supported: at least and at most so large, in device px, and of these aspects. */
export interface Support {
  readonly from: { readonly width: number; readonly height: number };
  readonly to: { readonly width: number; readonly height: number };
  readonly aspect: { readonly least: number; readonly most: number };
}

/** What a view supports; everything where it says nothing. */
export function supportOf(source: SupportSource | undefined): Support {
  return {
    from: (source?.from === undefined ? undefined : readScreenSize(source.from)) ?? { width: 0, height: 0 },
    to: (source?.to === undefined ? undefined : readScreenSize(source.to)) ?? {
      width: Infinity,
      height: Infinity,
    },
    aspect: (source?.aspect === undefined ? undefined : readLimits(source.aspect)) ?? {
      least: 0,
      most: Infinity,
    },
  };
}

/** Whether a screen is one of those. */
export function isSupported(
  { from, to, aspect }: Support,
  { width, height }: { readonly width: number; readonly height: number },
): boolean {
  const of = width / height;
  return (
    width >= from.width &&
    height >= from.height &&
    width <= to.width &&
    height <= to.height &&
    of >= aspect.least &&
    of <= aspect.most
  );
}
