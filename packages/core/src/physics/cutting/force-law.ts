/** Forces per mm of edge length, N/mm: along the cutting speed, normal to the edge, along the edge. */
export interface EdgeForce {
  tangential: number;
  radial: number;
  axial: number;
}

/** What every force law offers: the force on a mm of edge at a chip thickness. */
export interface ForceLaw {
  readonly id: string;
  readonly name: string;
  readonly source: string;
  /** Writes the force at chip thickness `h` (mm, above 0) into `out`; nothing is allocated in the hot loop. */
  at(h: number, out: EdgeForce): void;
}

/** What a worn edge adds on each mm that is in the cut, whatever the chip: friction of the flank. */
export interface WearForce {
  readonly tangential: number;
  readonly radial: number;
}

/** The same law on a worn edge. */
export function worn(law: ForceLaw, wear: WearForce): ForceLaw {
  if (wear.tangential === 0) return law;
  return {
    ...law,
    at(h, out) {
      law.at(h, out);
      out.tangential += wear.tangential;
      out.radial += wear.radial;
    },
  };
}
