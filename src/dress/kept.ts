import type { CaseValue, State } from '../document/index.ts';
import { isSameValue, type Skeleton } from '../skeleton/index.ts';
import { TextBlock, type FontChain, type TextSetting } from '../text/index.ts';
import type { Look, Theme } from '../theme/index.ts';

/** A text and its stretches, filled in. */
type Words = Pick<TextBlock, 'text' | 'runs'>;

/** More texts than this are not kept: a check of a large document would keep everything it ever showed. */
const mostBlocks = 20_000;

/**
 * What many dresses of one document share while it is checked in everything that varies: skeletons, looks and set texts.
 * Whoever gets something from here may not change it.
 */
export class Kept {
  readonly #skeletons = new Map<string, Skeleton[]>();
  readonly #looks = new WeakMap<Skeleton, Map<Theme, Map<State | undefined, (Look | undefined)[]>>>();
  readonly #blocks: Map<string, TextBlock>;
  readonly #shapes: WeakMap<TextBlock, string>;
  readonly #lookShapes: WeakMap<Look, string>;
  readonly #chains: Map<FontChain, number>;

  /** @param like That of a document with the same fonts: texts that are set there need not be set again. */
  constructor(like?: Kept) {
    this.#blocks = like ? like.#blocks : new Map<string, TextBlock>();
    this.#shapes = like ? like.#shapes : new WeakMap<TextBlock, string>();
    this.#lookShapes = like ? like.#lookShapes : new WeakMap<Look, string>();
    this.#chains = like ? like.#chains : new Map<FontChain, number>();
  }

  /**
   * The skeleton of a view where the same conditions hold and every structural value is the same.
   * @param key Of the view, the language and the conditions.
   */
  skeleton(key: string, values: ReadonlyMap<string, CaseValue>, make: () => Skeleton): Skeleton {
    let known = this.#skeletons.get(key);
    if (!known) this.#skeletons.set(key, (known = []));
    const found = known.find((one) =>
      [...one.structural].every((name) => isSameValue(one.values.get(name), values.get(name))),
    );
    if (found) return found;
    const made = make();
    known.push(made);
    return made;
  }

  /** The looks of a skeleton's widgets in a theme, by index; whoever works one out puts it in. */
  looks(skeleton: Skeleton, theme: Theme, state: State | undefined): (Look | undefined)[] {
    let byTheme = this.#looks.get(skeleton);
    if (!byTheme) this.#looks.set(skeleton, (byTheme = new Map<Theme, Map<State | undefined, Look[]>>()));
    let byState = byTheme.get(theme);
    if (!byState) byTheme.set(theme, (byState = new Map<State | undefined, (Look | undefined)[]>()));
    let looks = byState.get(state);
    if (!looks) byState.set(state, (looks = new Array<Look | undefined>(skeleton.bones.length)));
    return looks;
  }

  /** Words that are set: the same object for the same words set in the same way. */
  block(words: Words, setting: TextSetting): TextBlock {
    const shape = this.#shapeOf(words, setting);
    const colors = words.runs.map(({ setting: { color } }) => color);
    const key = colors.length === 0 ? shape : `${shape}${JSON.stringify(colors)}`;
    let block = this.#blocks.get(key);
    if (!block) {
      if (this.#blocks.size >= mostBlocks) this.#blocks.clear();
      block = new TextBlock(words.text, setting, words.runs);
      this.#blocks.set(key, block);
      this.#shapes.set(block, shape);
    }
    return block;
  }

  /** The same text for words that are the same but for colours. */
  shapeOfBlock(block: TextBlock): string {
    return this.#shapes.get(block) ?? this.#shapeOf(block, block.setting);
  }

  /** The same text for looks that are the same but for colours; whether there is one is told. */
  shapeOfLook(look: Look): string {
    let shape = this.#lookShapes.get(look);
    if (shape === undefined) {
      shape = JSON.stringify(look, (key, value: unknown) => (isColorKey(key) && value ? 1 : value));
      this.#lookShapes.set(look, shape);
    }
    return shape;
  }

  #shapeOf({ text, runs }: Words, setting: TextSetting): string {
    const { chain, ...others } = setting;
    const stretches = runs.map(({ from, to, setting: { chain: own, scale, icon } }) => [
      from,
      to,
      this.#number(own),
      scale,
      icon?.name,
      icon?.aspect,
    ]);
    const numbers = Object.values(others).join(' ');
    return `${this.#number(chain)} ${numbers} ${runs.length === 0 ? '' : JSON.stringify(stretches)}\n${text}`;
  }

  #number(chain: FontChain): number {
    let number = this.#chains.get(chain);
    if (number === undefined) this.#chains.set(chain, (number = this.#chains.size));
    return number;
  }
}

/** `background` may be a gradient and `borderColor`, `color` … are colours; a shadow or outline holds one. */
function isColorKey(key: string): boolean {
  return key === 'background' || key === 'veil' || key === 'imageTint' || /color$/i.test(key);
}
