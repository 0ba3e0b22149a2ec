/** How near a value must come. */
export interface Tolerance {
  readonly rel?: number | readonly number[];
  readonly abs?: number;
}

/** A worked case: what goes in, what must come out. */
export interface GoldenCase {
  readonly id: string;
  readonly topic: number;
  readonly inputs: Readonly<Record<string, never>> & Readonly<Record<string, unknown>>;
  readonly expected: Readonly<Record<string, number | null | boolean | readonly number[]>>;
  readonly tolerance: Tolerance & { readonly per_key: Readonly<Record<string, Tolerance>> };
}
