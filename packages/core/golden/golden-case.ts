/** How near a value must come. */
export interface Tolerance {
  readonly rel?: number | readonly number[];
  readonly abs?: number;
}

/** A worked case: what goes in, what must come out. */
export interface GoldenCase {
  readonly id: string;
  /** Section of the notes, or a name; cases about NC text carry a program instead. */
  readonly topic: number | string;
  readonly inputs: Readonly<Record<string, never>> & Readonly<Record<string, unknown>>;
  readonly expected: Readonly<
    Record<string, number | string | null | boolean | readonly number[] | readonly (readonly number[])[]>
  >;
  readonly tolerance: Tolerance & { readonly per_key?: Readonly<Record<string, Tolerance>> };
  readonly program?: string;
  /** Block of material, with a round hole through it where there is one. */
  readonly stock?: {
    readonly x: readonly [number, number];
    readonly y: readonly [number, number];
    readonly z: readonly [number, number];
    readonly hole?: { readonly x: number; readonly y: number; readonly d: number };
  };
  readonly tool?: { readonly D_mm: number };
}
