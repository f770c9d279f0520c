import { FontFace } from './face.ts';

/** The font files a view is set in, by family and weight. */
export class FontBook {
  readonly #families = new Map<string, { weight: number; face: FontFace }[]>();
  readonly #fallback: string;

  /** @param fallback The family used for a name that was never added. */
  constructor(fallback: string) {
    this.#fallback = fallback;
  }

  /**
   * Adds a font file.
   * @param weight From 1 to 999, as in CSS.
   * @throws FontError when the bytes are no font that can be read.
   */
  add(family: string, weight: number, file: Uint8Array): void {
    const faces = this.#families.get(family) ?? [];
    faces.push({ weight, face: new FontFace(file) });
    faces.sort((a, b) => a.weight - b.weight);
    this.#families.set(family, faces);
  }

  has(family: string): boolean {
    return this.#families.has(family);
  }

  /**
   * The file nearest to a weight, chosen as CSS Fonts 4 §5.2 does.
   * @throws Error when neither the family nor the fallback was added.
   */
  face(family: string, weight: number): FontFace {
    const faces = this.#families.get(family) ?? this.#families.get(this.#fallback);
    if (!faces) throw new Error(`the font family "${this.#fallback}" was never added to this FontBook`);
    const lighter = faces.filter((one) => one.weight <= weight).at(-1);
    const heavier = faces.find((one) => one.weight >= weight);
    if (weight >= 400 && weight <= 500) {
      const between = faces.find((one) => one.weight >= weight && one.weight <= 500);
      return (between ?? lighter ?? heavier)!.face;
    }
    return (weight < 400 ? (lighter ?? heavier) : (heavier ?? lighter))!.face;
  }
}
