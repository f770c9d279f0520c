/** What HarfBuzz's WebAssembly exports, as its C interface names it; addresses and numbers alike are numbers. */
type Exports = { readonly [name: string]: (...values: number[]) => number } & {
  readonly memory: WebAssembly.Memory;
  readonly __indirect_function_table: WebAssembly.Table;
};

/** A `WebAssembly.Module`: TypeScript knows it only together with a browser. */
export type CompiledModule = object;

/** Commands of an outline with their numbers, in font units, y upwards. */
export type DrawTo = (type: 'M' | 'L' | 'Q' | 'C' | 'Z', values: readonly number[]) => void;

/** One glyph of a shaped buffer. In font units. */
export type GlyphTo = (id: number, cluster: number, advance: number, x: number, y: number) => void;

const leftToRight = 4;
const rightToLeft = 5;
/** `HB_MEMORY_MODE_READONLY`: the bytes stay where they are. */
const readOnly = 1;

/** The shaper HarfBuzz. A thin layer over its C interface: nothing here knows of texts or fonts more than it does. */
export class HarfBuzz {
  readonly #c: Exports;
  readonly #draw: number;
  #drawTo: DrawTo = () => {};
  readonly #finished: FinalizationRegistry<() => void>;
  readonly #languages = new Map<string, number>();

  /** @param shaper The module of HarfBuzz, compiled. */
  constructor(shaper: CompiledModule) {
    let grow = (_bytes: number): number => 0;
    const fail = () => {
      throw new Error('the shaper has failed');
    };
    const none = () => 0;
    const { exports } = new WebAssembly.Instance(shaper, {
      env: {
        _abort_js: fail,
        emscripten_resize_heap: (bytes: number) => grow(bytes),
        _emscripten_runtime_keepalive_clear: none,
        _setitimer_js: none,
      },
      wasi_snapshot_preview1: { proc_exit: fail },
    });
    const c = (this.#c = exports as unknown as Exports);
    grow = (bytes) => {
      try {
        c.memory.grow(Math.ceil((bytes - c.memory.buffer.byteLength) / 65_536));
        return 1;
      } catch {
        return 0;
      }
    };
    c.__wasm_call_ctors!();
    this.#finished = new FinalizationRegistry((end) => end());
    this.#draw = this.#drawFunctions();
  }

  /**
   * A font of a file's bytes. @param owner What it is for: when that is gone, so is the font.
   */
  font(bytes: Uint8Array, owner: object): HarfBuzzFont {
    const c = this.#c;
    const at = c.malloc!(bytes.length);
    if (at === 0) throw new Error('the shaper has no memory left');
    new Uint8Array(c.memory.buffer, at, bytes.length).set(bytes);
    const blob = c.hb_blob_create!(at, bytes.length, readOnly, 0, 0);
    const face = c.hb_face_create!(blob, 0);
    const font = c.hb_font_create!(face);
    this.#finished.register(owner, () => {
      c.hb_font_destroy!(font);
      c.hb_face_destroy!(face);
      c.hb_blob_destroy!(blob);
      c.free!(at);
    });
    return { face, font };
  }

  unitsPerEm({ face }: HarfBuzzFont): number {
    return this.#c.hb_face_get_upem!(face);
  }

  /** Every code point there is a glyph for. */
  characters({ face }: HarfBuzzFont): Set<number> {
    const c = this.#c;
    const set = c.hb_set_create!();
    c.hb_face_collect_unicodes!(face, set);
    const count = c.hb_set_get_population!(set);
    const at = c.malloc!(count * 4 || 4);
    c.hb_set_next_many!(set, -1, at, count);
    const characters = new Set(new Uint32Array(c.memory.buffer, at, count));
    c.free!(at);
    c.hb_set_destroy!(set);
    return characters;
  }

  /** Ascender and descender of lines. */
  heights({ font }: HarfBuzzFont): { readonly ascender: number; readonly descender: number } {
    return this.#asked(48, (at) => {
      this.#c.hb_font_get_h_extents!(font, at);
      const [ascender, descender] = new Int32Array(this.#c.memory.buffer, at, 2);
      return { ascender: ascender!, descender: descender! };
    });
  }

  /** A metric of the font, by its OpenType tag; undefined where the font does not say it. */
  metric({ font }: HarfBuzzFont, tag: string): number | undefined {
    return this.#asked(4, (at) =>
      this.#c.hb_ot_metrics_get_position!(font, tagOf(tag), at)
        ? new Int32Array(this.#c.memory.buffer, at, 1)[0]
        : undefined,
    );
  }

  /** Left, top, width and height (downwards, so negative) of a glyph; undefined where there is no such glyph. */
  extents({ font }: HarfBuzzFont, glyph: number): readonly number[] | undefined {
    return this.#asked(16, (at) =>
      this.#c.hb_font_get_glyph_extents!(font, glyph, at)
        ? [...new Int32Array(this.#c.memory.buffer, at, 4)]
        : undefined,
    );
  }

  /** Hands over the outline of a glyph. */
  outline({ font }: HarfBuzzFont, glyph: number, to: DrawTo): void {
    this.#drawTo = to;
    this.#c.hb_font_draw_glyph!(font, glyph, this.#draw, 0);
  }

  /** Shapes a text of one direction and hands over its glyphs from left to right. @param feature A tag to switch on. */
  shape(
    { font }: HarfBuzzFont,
    text: string,
    how: { readonly rightToLeft: boolean; readonly language: string; readonly feature: string | undefined },
    to: GlyphTo,
  ): void {
    const c = this.#c;
    const buffer = c.hb_buffer_create!();
    const letters = c.malloc!(text.length * 2 || 2);
    const units = new Uint16Array(c.memory.buffer, letters, text.length);
    for (let at = 0; at < text.length; at++) units[at] = text.charCodeAt(at);
    c.hb_buffer_add_utf16!(buffer, letters, text.length, 0, text.length);
    c.free!(letters);
    c.hb_buffer_guess_segment_properties!(buffer);
    c.hb_buffer_set_direction!(buffer, how.rightToLeft ? rightToLeft : leftToRight);
    c.hb_buffer_set_language!(buffer, this.#language(how.language));
    const { feature } = how;
    this.#asked(16, (at) => {
      // hb_feature_t: its tag, its value, where it starts and ends.
      if (feature !== undefined)
        new Uint32Array(c.memory.buffer, at, 4).set([tagOf(feature), 1, 0, 0xffff_ffff]);
      c.hb_shape!(font, buffer, at, feature === undefined ? 0 : 1);
    });
    const count = c.hb_buffer_get_length!(buffer);
    // hb_glyph_info_t and hb_glyph_position_t: five words each.
    const infos = new Uint32Array(c.memory.buffer, c.hb_buffer_get_glyph_infos!(buffer, 0), count * 5);
    const places = new Int32Array(c.memory.buffer, c.hb_buffer_get_glyph_positions!(buffer, 0), count * 5);
    for (let n = 0; n < count * 5; n += 5)
      to(infos[n]!, infos[n + 2]!, places[n]!, places[n + 2]!, places[n + 3]!);
    c.hb_buffer_destroy!(buffer);
  }

  #language(tag: string): number {
    let language = this.#languages.get(tag);
    if (language === undefined) {
      const bytes = new TextEncoder().encode(tag);
      language = this.#asked(bytes.length + 1, (at) => {
        new Uint8Array(this.#c.memory.buffer, at, bytes.length).set(bytes);
        return this.#c.hb_language_from_string!(at, bytes.length);
      });
      this.#languages.set(tag, language);
    }
    return language;
  }

  /** Room on the stack for an answer. */
  #asked<T>(bytes: number, ask: (at: number) => T): T {
    const before = this.#c.emscripten_stack_get_current!();
    try {
      return ask(this.#c._emscripten_stack_alloc!(bytes));
    } finally {
      this.#c._emscripten_stack_restore!(before);
    }
  }

  /** HarfBuzz calls back with each command of an outline: functions, data, state, numbers, data. */
  #drawFunctions(): number {
    const c = this.#c;
    const draw = c.hb_draw_funcs_create!();
    const kinds = [
      ['move_to', 'M', 2],
      ['line_to', 'L', 2],
      ['quadratic_to', 'Q', 4],
      ['cubic_to', 'C', 6],
      ['close_path', 'Z', 0],
    ] as const;
    for (const [name, type, numbers] of kinds) {
      const call = (...values: number[]) => this.#drawTo(type, values.slice(3, 3 + numbers));
      const table = c.__indirect_function_table;
      const place = table.grow(1);
      table.set(place, callable(call, numbers));
      c[`hb_draw_funcs_set_${name}_func`]!(draw, place, 0, 0);
    }
    return draw;
  }
}

/** A face and a font made of it: their addresses. */
export interface HarfBuzzFont {
  readonly face: number;
  readonly font: number;
}

/** A tag of OpenType as one number. */
function tagOf(tag: string): number {
  return [...tag].reduce((number, letter) => ((number << 8) | letter.charCodeAt(0)) >>> 0, 0);
}

const int32 = 0x7f;
const float32 = 0x7d;

/**
 * A function that WebAssembly can call through its table: three addresses, some numbers, an address. Tables take functions of
 * WebAssembly alone, so that a module is made that does nothing but take one in and hand it on (WebAssembly Core 2, §5.5).
 */
function callable(call: (...values: number[]) => void, numbers: number): WebAssembly.ExportValue {
  const parameters = [int32, int32, int32, ...Array.from({ length: numbers }, () => float32), int32];
  const section = (id: number, ...bytes: number[]) => [id, bytes.length, ...bytes];
  const module = new WebAssembly.Module(
    new Uint8Array([
      ...[0x00, 0x61, 0x73, 0x6d, 0x01, 0x00, 0x00, 0x00],
      // One type: the parameters, no result.
      ...section(1, 1, 0x60, parameters.length, ...parameters, 0),
      // The function "f" of the module "e" comes in, and goes out as "f".
      ...section(2, 1, 1, 0x65, 1, 0x66, 0, 0),
      ...section(7, 1, 1, 0x66, 0, 0),
    ]),
  );
  return new WebAssembly.Instance(module, { e: { f: call } }).exports.f!;
}
