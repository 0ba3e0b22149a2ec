/** Fields of an entry by their keys, not yet an entry. */
export type Tree = Record<string, unknown>;

/** The shelf as a row has it. */
export interface RowShelf {
  readonly edges: number;
  readonly place: string;
  readonly price: number | null;
}

/** A row as it was read, before it is completed. */
export interface Row {
  readonly row: number;
  readonly tree: Tree;
  readonly id: string | null;
  readonly shelf: RowShelf | null;
}

/** Which heading of the file a field is told at. */
export type Told = (path: string) => string;
