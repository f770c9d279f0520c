/* What the core uses of the WebAssembly JavaScript Interface (W3C): it stands in no library of TypeScript but those of hosts. */
declare namespace WebAssembly {
  class Module {
    constructor(bytes: ArrayBufferView | ArrayBuffer);
  }
  type ExportValue = unknown;
  class Instance {
    readonly exports: { readonly [name: string]: ExportValue };
    constructor(module: Module, imports?: object);
  }
  class Memory {
    readonly buffer: ArrayBuffer;
    grow(pages: number): number;
  }
  class Table {
    grow(by: number): number;
    set(at: number, value: unknown): void;
  }
}
