import { CODE } from './kernel-code.ts';

/** A byte of the kernel's memory at which numbers begin. */
export type Place = number;

/** Functions of the kernel: packages/core/kernel says what each does. Rows, sizes and counts of nodes are even. */
interface KernelFunctions {
  readonly begin: () => Place;
  readonly multiply: (a: Place, rows: number, columns: number, x: Place, apart: number, out: Place) => void;
  readonly factor: (a: Place, n: number, exchanged: Place) => void;
  readonly solve: (a: Place, n: number, exchanged: Place, b: Place) => void;
  readonly square: (v: Place, size: number) => number;
  readonly scale: (v: Place, size: number, by: number) => void;
  readonly orthogonalise: (w: Place, basis: Place, count: number, size: number, parts: Place) => void;
  readonly eigen: (matrix: Place, n: number, values: Place, vectors: Place) => number;
  readonly prepare: (frame: Place, depthM: number) => void;
  readonly apply: (frame: Place, depthM: number, from: Place, to: Place, forces: Place) => void;
  readonly passesInCut: (teeth: Place) => number;
  readonly layTeeth: (teeth: Place) => number;
  readonly pieceMotion: (
    modes: Place,
    modeCount: number,
    count: number,
    steps: number,
    basis: Place,
    nearest: Place,
    room: Place,
    flown: Place,
    forced: Place,
    speeds: Place,
  ) => void;
}

const PAGE = 65536;
/** Bytes of a number. */
export const FLOAT = 8;

/**
 * The inner loops of the periodic solution in WebAssembly, several times as quick as the same in JavaScript, and the memory they work in. One
 * thing at a time is laid there; who lays the next one begins at the beginning, and what lay there before must be laid again.
 */
class Kernel {
  readonly run: KernelFunctions;
  private readonly memory: WebAssembly.Memory;
  private readonly first: Place;
  private next: Place;
  private views: { readonly floats: Float64Array; readonly words: Int32Array };
  /** What is laid now. */
  holder: object | null = null;

  constructor() {
    const code = Uint8Array.from(atob(CODE), (c) => c.charCodeAt(0));
    const { exports } = new WebAssembly.Instance(new WebAssembly.Module(code));
    this.run = exports as unknown as KernelFunctions;
    this.memory = exports['memory'] as WebAssembly.Memory;
    this.first = this.next = this.run.begin();
    this.views = this.seen();
  }

  private seen(): Kernel['views'] {
    return { floats: new Float64Array(this.memory.buffer), words: new Int32Array(this.memory.buffer) };
  }

  /** Begins to lay something else. */
  layAnew(holder: object): void {
    this.holder = holder;
    this.next = this.first;
  }

  /** Room for so many numbers, uninitialised. */
  room(numbers: number): Place {
    const place = this.next;
    this.next += 2 * FLOAT * Math.ceil(numbers / 2);
    const missing = this.next - this.memory.buffer.byteLength;
    if (missing > 0) {
      // Twice as much as there is, so that it seldom grows.
      this.memory.grow(Math.ceil(Math.max(missing, this.memory.buffer.byteLength) / PAGE));
      this.views = this.seen();
    }
    return place;
  }

  /** Forgets what was laid from a place on. */
  backTo(place: Place): void {
    this.next = place;
  }

  lay(values: ArrayLike<number>): Place {
    const place = this.room(values.length);
    this.views.floats.set(values, place / FLOAT);
    return place;
  }

  layWords(values: ArrayLike<number>): Place {
    const place = this.room(Math.ceil(values.length / 2));
    this.views.words.set(values, place / 4);
    return place;
  }

  /** The numbers at a place, where they lie: gone when something else is laid. */
  at(place: Place, length: number): Float64Array {
    return this.views.floats.subarray(place / FLOAT, place / FLOAT + length);
  }

  /** Whole numbers at a place, likewise. */
  wordsAt(place: Place, length: number): Int32Array {
    return this.views.words.subarray(place / 4, place / 4 + length);
  }
}

let started: Kernel | null = null;

/** The kernel of this thread. */
export const kernel = (): Kernel => (started ??= new Kernel());
