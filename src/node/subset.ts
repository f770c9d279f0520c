import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

type Exports = { readonly [name: string]: (...values: number[]) => number } & {
  readonly memory: WebAssembly.Memory;
};

/** `HB_MEMORY_MODE_READONLY`: the bytes stay where they are. */
const readOnly = 1;

/** Cuts fonts down to some characters, with the subsetter of HarfBuzz. */
export class Subsetter {
  readonly #c: Exports;

  constructor() {
    const file = fileURLToPath(new URL('../../assets/subsetter.wasm', import.meta.url));
    const { exports } = new WebAssembly.Instance(new WebAssembly.Module(readFileSync(file)));
    this.#c = exports as unknown as Exports;
    this.#c._initialize!();
  }

  /**
   * The same font with the glyphs of some characters alone, and what shaping them needs.
   * @param font TrueType or OpenType. @returns undefined where it cannot be cut.
   */
  subset(font: Uint8Array, characters: Iterable<number>): Uint8Array | undefined {
    const c = this.#c;
    const at = c.malloc!(font.length);
    new Uint8Array(c.memory.buffer, at, font.length).set(font);
    const blob = c.hb_blob_create!(at, font.length, readOnly, 0, 0);
    const face = c.hb_face_create!(blob, 0);
    c.hb_blob_destroy!(blob);
    const input = c.hb_subset_input_create_or_fail!();
    // What no font has is drawn as a box, as it is where fonts are whole.
    c.hb_subset_input_set_flags!(input, boxForMissing);
    const wanted = c.hb_subset_input_unicode_set!(input);
    for (const character of characters) c.hb_set_add!(wanted, character);
    // Every feature is kept that the shaper may ask for.
    const features = c.hb_subset_input_set!(input, layoutFeatures);
    c.hb_set_clear!(features);
    c.hb_set_invert!(features);
    const cut = c.hb_subset_or_fail!(face, input);
    c.hb_subset_input_destroy!(input);
    c.hb_face_destroy!(face);
    c.free!(at);
    if (cut === 0) return undefined;
    const out = c.hb_face_reference_blob!(cut);
    const start = c.hb_blob_get_data!(out, 0);
    const bytes = new Uint8Array(c.memory.buffer, start, c.hb_blob_get_length!(out)).slice();
    c.hb_blob_destroy!(out);
    c.hb_face_destroy!(cut);
    return bytes;
  }
}

/** `HB_SUBSET_FLAGS_NOTDEF_OUTLINE`. */
const boxForMissing = 0x40;
/** `HB_SUBSET_SETS_LAYOUT_FEATURE_TAG`. */
const layoutFeatures = 6;
