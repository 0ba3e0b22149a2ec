/** What the kernel uses of WebAssembly: browsers and Node have it, the language's own library does not say so. */
declare namespace WebAssembly {
  interface Memory {
    readonly buffer: ArrayBuffer;
    /** Grows by so many pages of 64 KiB. Throws a RangeError where there is no more. */
    grow(pages: number): number;
  }
  type Module = object;
  interface Instance {
    readonly exports: Record<string, unknown>;
  }
  const Module: new (code: Uint8Array) => Module;
  const Instance: new (module: Module) => Instance;
}
