import type { Source } from '../judging/estimate.ts';
import { shiftFor } from '../learning/learnt.ts';
import { counted } from '../units/counted.ts';
import { formatDay } from '../units/date.ts';
import type { OperationContext } from './context.ts';
import type { Operation } from './operation.ts';

/** What edges of this family taught about their life here. */
export interface LearntLifeHere {
  /** Thirty-minute speed over the library's. */
  readonly factor: number;
  readonly speed: Source;
  /** Slope of Taylor's line over the library's. */
  readonly slopeFactor: number;
  readonly slope: Source;
  readonly scatter: Source;
  readonly note: string;
}

/** Life as measured here, for this lot in this machine; null where nobody accepted any. */
export function learntLifeOf(op: Operation, { learnt }: OperationContext): LearntLifeHere | null {
  const life = learnt?.life;
  const shift = life && shiftFor(life.shifts, learnt.heatLot, op.machineId);
  if (!life || !shift) return null;
  const factor = Math.exp(shift.shift);
  const rests = `${counted(life.trials, 'edge')}, ${life.ended} with end seen or read from wear, accepted ${formatDay(life.acceptedAt)}`;
  const where = [shift.heatLot && `lot ${shift.heatLot}`, shift.machineId && 'this machine'].filter(Boolean);
  return {
    factor,
    speed: {
      id: 'life-speed',
      label: `30-minute speed measured here, ${factor.toFixed(2)} × the library${where.length ? ` (${where.join(', ')})` : ''}; ${rests}`,
      kind: 'measured',
      sigma: shift.sd,
      narrowBy: 'log another edge to its end',
    },
    slopeFactor: Math.exp(life.slope.shift),
    slope: {
      id: 'life-slope',
      label: 'slope of life against speed, measured here',
      kind: 'measured',
      sigma: life.slope.sd,
      narrowBy: 'log an edge at another speed',
    },
    scatter: {
      id: 'edge-to-edge',
      label: 'scatter from edge to edge, measured here',
      kind: 'measured',
      sigma: life.edgeSigma,
      narrowBy: 'log several edges; it does not vanish',
    },
    note: `measured here: ${rests}`,
  };
}

/** Specific cutting force of this lot, from load meters here; null where nobody accepted any. */
export function learntForceOf(
  op: Operation,
  { learnt }: OperationContext,
): { readonly factor: number; readonly source: Source } | null {
  const force = op.measured.kc11NMm2 === null ? learnt?.force : undefined;
  const lot =
    force?.lots.find((l) => l.heatLot === learnt?.heatLot) ?? force?.lots.find((l) => l.heatLot === null);
  if (!force || !lot) return null;
  return {
    factor: Math.exp(lot.shift),
    source: {
      id: 'kc',
      label: `kc1.1 measured here, ${Math.exp(lot.shift).toFixed(2)} × the library${lot.heatLot ? ` (lot ${lot.heatLot})` : ''}; ${counted(force.trials, 'reading')}, accepted ${formatDay(force.acceptedAt)}`,
      kind: 'measured',
      sigma: lot.sd,
      narrowBy: 'read the load meter in another cut',
    },
  };
}

/** Efficiency of this spindle, from its load meter; null where nobody accepted any. */
export function learntDriveOf({
  learnt,
}: OperationContext): { readonly value: number; readonly source: Source } | null {
  const drive = learnt?.drive;
  if (!drive) return null;
  return {
    value: drive.efficiency,
    source: {
      id: 'drive-efficiency',
      label: `drive efficiency ${drive.efficiency.toFixed(2)} measured here; ${counted(drive.trials, 'reading')}, accepted ${formatDay(drive.acceptedAt)}`,
      kind: 'measured',
      sigma: drive.efficiencySd,
      narrowBy: 'read idle and cutting power in another alloy',
    },
  };
}
