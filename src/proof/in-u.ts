import type { CheckedDocument, PartReferenceSource, ReferenceSource } from '../document/index.ts';
import type { Tree, Widget } from '../dress/index.ts';
import { frameOf, referenceOf, referenceOfPart, weighted, type Reference } from '../layout/index.ts';
import { makeScreen } from '../screen/index.ts';

/*
 * A document of which one u is one px on every screen. Its views on a surface are those of the document itself wherever it has that
 * surface, at any scale: lengths in u follow from the surface alone.
 */

export class DocumentInU {
  readonly document: CheckedDocument;
  readonly #whole: Reference;
  /** px an inch. */
  readonly #density: number;
  /** What parts say of scalings that go along with that of the view. */
  readonly #following = new WeakSet<object>();

  /** @param density That of the screens it is put on, in px an inch. */
  constructor(document: CheckedDocument, density: number) {
    const { source } = document;
    this.#whole = referenceOf(source.reference);
    this.#density = density;
    this.document = {
      ...document,
      source: {
        ...source,
        reference: this.#reference(source.reference),
        views: this.#followed(source.views),
        ...(source.components && { components: this.#followed(source.components) }),
      },
    };
  }

  /** The first widget of a tree whose scaling does not go along with that of the view. */
  strayIn({ widgets }: Tree): Widget | undefined {
    return widgets.find(
      ({ index, box }) => index > 0 && box.reference !== undefined && !this.#following.has(box.reference),
    );
  }

  #reference(source: ReferenceSource | undefined): ReferenceSource {
    const { width, height, spare } = this.#whole;
    if (spare === 'extend') return { size: `${width}x${height}`, scaling: 'none' };
    // Where bars are follows from the fitted scale; what is between them is drawn at 1.
    const { 'step': _step, 'least-millimetres': _least, ...rest } = source!;
    return { ...rest, limits: '1..1' };
  }

  /** The same with a scale in the place of each scaling that goes along with that of the view. */
  #followed<Source>(source: Source): Source {
    if (Array.isArray(source)) return source.map((one: unknown) => this.#followed(one)) as Source;
    if (typeof source !== 'object' || source === null) return source;
    return Object.fromEntries(
      Object.entries(source).map(([key, value]: [string, unknown]) => [
        key,
        key === 'reference' && typeof value === 'object'
          ? this.#scaled(value as PartReferenceSource)
          : this.#followed(value),
      ]),
    ) as Source;
  }

  #scaled(source: PartReferenceSource): PartReferenceSource {
    const factor = factorOf(referenceOfPart(source, this.#whole), this.#whole, this.#density);
    if (factor === undefined) return source;
    const scaled = { scaling: 'physical', millimetres: (factor * 25.4) / this.#density } as const;
    this.#following.add(scaled);
    return scaled;
  }
}

/** How many u of a view one u of a part is on every screen; undefined where that is not the same on all (equation 1.5). */
function factorOf(part: Reference, whole: Reference, density: number): number | undefined {
  if (!isFree(part) || !isFree(whole)) return undefined;
  const [across, down] = [whole.width / part.width, whole.height / part.height];
  const { scaling } = part;
  if (scaling === 'none' || scaling === 'physical') {
    if (whole.scaling !== 'none' && whole.scaling !== 'physical') return undefined;
    return fixedOf(part, density) / fixedOf(whole, density);
  }
  if (scaling !== whole.scaling) return undefined;
  if (scaling === 'width') return across;
  if (scaling === 'height') return down;
  if (scaling === 'blend' && part.blend === whole.blend) return weighted(across, down, part.blend);
  const isAlike = Math.abs(across - down) < 1e-12 * across;
  return (scaling === 'contain' || scaling === 'cover') && isAlike ? across : undefined;
}

/** Device px a u is at HUD size 1, of the scalings that follow from no side of the screen. */
export function fixedOf(reference: Reference, density: number): number {
  return frameOf({ ...reference, ...free }, makeScreen({ width: 1, height: 1, density }), 1).scale;
}

/** What holds no scale. */
const free = { leastScale: 0, mostScale: Infinity, leastMillimetres: 0, step: 0 };

/** Whether nothing holds a scale, and it does not go in steps. */
function isFree(reference: Reference): boolean {
  return (Object.keys(free) as (keyof typeof free)[]).every((key) => reference[key] === free[key]);
}
