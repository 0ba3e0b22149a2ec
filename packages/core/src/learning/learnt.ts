/** What of one lot in one machine was learnt about the speed of an edge, against the library; null is any other. */
export interface LearntShift {
  readonly heatLot: string | null;
  readonly machineId: string | null;
  /** ln of the thirty-minute speed here over the library's. */
  readonly shift: number;
  readonly sd: number;
}

/** Life of the edges of one family in one alloy, as learnt from trials. */
export interface LearntLife {
  readonly kind: 'life';
  readonly alloyId: string;
  /** Type, substrate and coating of the cutter. */
  readonly edgeFamily: string;
  readonly shifts: readonly LearntShift[];
  /** ln of the slope 1/n of Taylor's line over the library's. */
  readonly slope: { readonly shift: number; readonly sd: number };
  /** Standard deviation of ln life from edge to edge. */
  readonly edgeSigma: number;
  readonly trials: number;
  /** Of them, edges whose end was seen. */
  readonly ended: number;
}

/** Specific cutting force of one alloy, as learnt from load meters. */
export interface LearntForce {
  readonly kind: 'force';
  readonly alloyId: string;
  /** By lot; null is a lot nobody has read a meter on. */
  readonly lots: readonly {
    readonly heatLot: string | null;
    /** ln of kc1.1 here over the library's. */
    readonly shift: number;
    readonly sd: number;
  }[];
  readonly trials: number;
}

/** What a spindle takes idle and how much of its power reaches the edge, as learnt from its load meter. */
export interface LearntDrive {
  readonly kind: 'drive';
  readonly machineId: string;
  /** Share of the power drawn that cuts. */
  readonly efficiency: number;
  /** Standard deviation of its logarithm. */
  readonly efficiencySd: number;
  readonly idleKw: number;
  /** Standard deviation of its logarithm. */
  readonly idleSd: number;
  readonly trials: number;
}

export type LearntConstant = LearntLife | LearntForce | LearntDrive;

/** A constant somebody accepted, with when. */
export type Accepted<T extends LearntConstant = LearntConstant> = T & {
  readonly id: string;
  /** Day it was accepted, ISO 8601. */
  readonly acceptedAt: string;
  readonly acceptedBy: string;
};

/** What was learnt that bears on one operation. */
export interface LearntHere {
  readonly life?: Accepted<LearntLife>;
  readonly force?: Accepted<LearntForce>;
  readonly drive?: Accepted<LearntDrive>;
  /** Lot of the job; empty where nobody stated one. */
  readonly heatLot: string;
}

/** Edges that wear alike: what they are, made of and coated with. */
export const edgeFamilyOf = (cutter: {
  readonly type: string;
  readonly extended: { readonly substrate: string; readonly coating: string };
}): string => `${cutter.type}/${cutter.extended.substrate}/${cutter.extended.coating}`;

/** The shift that fits best: of this lot in this machine, of this lot, of this machine, of any other. */
export function shiftFor(
  shifts: readonly LearntShift[],
  heatLot: string,
  machineId: string,
): LearntShift | undefined {
  const of = (lot: string | null, machine: string | null): LearntShift | undefined =>
    shifts.find((s) => s.heatLot === lot && s.machineId === machine);
  return of(heatLot, machineId) ?? of(heatLot, null) ?? of(null, machineId) ?? of(null, null);
}

/** What was learnt of one alloy, edge family and machine; undefined where nothing bears on them. */
export function learntFor(
  constants: readonly Accepted[],
  where: {
    readonly alloyId: string;
    readonly edgeFamily: string;
    readonly machineId: string;
    readonly heatLot: string;
  },
): LearntHere | undefined {
  let here: LearntHere = { heatLot: where.heatLot };
  let any = false;
  for (const c of constants) {
    if (c.kind === 'life' && c.alloyId === where.alloyId && c.edgeFamily === where.edgeFamily)
      here = { ...here, life: c };
    else if (c.kind === 'force' && c.alloyId === where.alloyId) here = { ...here, force: c };
    else if (c.kind === 'drive' && c.machineId === where.machineId) here = { ...here, drive: c };
    else continue;
    any = true;
  }
  return any ? here : undefined;
}
