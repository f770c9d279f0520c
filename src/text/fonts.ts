import { familyNames } from '../theme/index.ts';
import { FontChain } from './chain.ts';
import type { TextEngine } from './engine.ts';
import { FontFace, type Shaping } from './face.ts';

/** A file of a family. */
interface Member {
  readonly weight: number;
  readonly italic: boolean;
  readonly face: FontFace;
}

/** The fonts of a view, by family, weight and style. */
export class FontBook {
  readonly #families = new Map<string, Member[]>();
  readonly #engine: TextEngine;
  readonly #fallback: string;
  readonly #chains = new Map<string, FontChain>();

  /** @param fallback The family that is asked last, and for a name that was never added. */
  constructor(fallback: string, engine: TextEngine) {
    this.#engine = engine;
    this.#fallback = fallback;
  }

  /**
   * Adds a font file: TrueType or OpenType; a WOFF or WOFF 2 file goes through `unpackFont` first.
   * @param weight From 1 to 999, as in CSS.
   * @throws FontError when the bytes are no font that can be read.
   */
  add(family: string, weight: number, file: Uint8Array, italic = false): void {
    const members = this.#families.get(family) ?? [];
    members.push({
      weight,
      italic,
      face: new FontFace(this.#engine.shaper, file, { family, weight, italic }),
    });
    members.sort((a, b) => a.weight - b.weight);
    this.#families.set(family, members);
    this.#chains.clear();
  }

  has(family: string): boolean {
    return this.#families.has(family);
  }

  /**
   * The faces of several families one after the other, the fallback last.
   * @param families Names with commas between, as in CSS's font-family.
   * @throws Error when neither any of the families nor the fallback was added.
   */
  chain(families: string, weight: number, italic: boolean, shaping: Shaping): FontChain {
    const key = `${families}\n${weight}\n${italic}\n${shaping.tabular}\n${shaping.language}`;
    let chain = this.#chains.get(key);
    if (!chain) {
      const faces = [...familyNames(families), this.#fallback].flatMap((family) => {
        const members = this.#families.get(family);
        return members ? [nearest(members, weight, italic)] : [];
      });
      const [first, ...others] = new Set(faces);
      if (!first) throw new Error(`the font family "${this.#fallback}" was never added to this FontBook`);
      chain = new FontChain([first, ...others], shaping, this.#engine);
      this.#chains.set(key, chain);
    }
    return chain;
  }

  /** The file of a family nearest to a weight and style; of the fallback for a family that was never added. */
  face(family: string, weight: number, italic = false): FontFace {
    const members = this.#families.get(family) ?? this.#families.get(this.#fallback);
    if (!members) throw new Error(`the font family "${this.#fallback}" was never added to this FontBook`);
    return nearest(members, weight, italic);
  }
}

/** The file nearest to a style, then to a weight, chosen as CSS Fonts 4 §5.2 does. */
function nearest(members: readonly Member[], weight: number, italic: boolean): FontFace {
  const styled = members.filter((one) => one.italic === italic);
  const among = styled.length > 0 ? styled : members;
  const lighter = among.filter((one) => one.weight <= weight).at(-1);
  const heavier = among.find((one) => one.weight >= weight);
  if (weight >= 400 && weight <= 500) {
    const between = among.find((one) => one.weight >= weight && one.weight <= 500);
    return (between ?? lighter ?? heavier)!.face;
  }
  return (weight < 400 ? (lighter ?? heavier) : (heavier ?? lighter))!.face;
}
