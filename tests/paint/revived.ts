import type { DrawList } from 'pimbot';

/* Runs in pages: what came as JSON can be drawn again. */

interface SentFace {
  readonly outlines: Readonly<Record<number, unknown>>;
  outline?: (glyph: number) => unknown;
  box?: (glyph: number) => unknown;
}

/** A list that was sent by `sendable`, with its outlines and pictures. */
export async function revived(drawing: DrawList): Promise<DrawList> {
  const images = new Map<string, HTMLImageElement>();
  const give = (runs: readonly { readonly face: unknown }[]) => {
    for (const { face } of runs) {
      const sent = face as SentFace;
      sent.outline = (glyph) => sent.outlines[glyph];
      // As large as any glyph: nothing is cut off.
      sent.box = () => ({ left: -2000, right: 4000, top: 4000, bottom: -2000 });
    }
  };
  for (const one of drawing.operations) {
    if (one.type === 'glyphs') give(one.runs);
    if (one.type === 'shadow' && one.shape.type === 'glyphs') give(one.shape.runs);
    if (one.type !== 'picture') continue;
    const { data } = one.picture as unknown as { data: string };
    if (!images.has(data)) {
      const image = new Image();
      image.src = data;
      await image.decode();
      images.set(data, image);
    }
    (one.picture as { drawable?: unknown }).drawable = images.get(data);
  }
  return drawing;
}
