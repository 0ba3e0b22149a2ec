import { mixtureQuantile, momentsOf, type NormalPart } from '../numerics/normal-mixture.ts';
import { InputError } from '../units/input-error.ts';
import type { LearntShift } from './learnt.ts';
import { believed, type Posterior, posteriorOf, type Prior, type Reading } from './posterior.ts';

/** What a fit looks at of one edge. */
export interface EdgeTrial {
  readonly id: string;
  readonly heatLot: string;
  readonly machineId: string;
  /** Cutting speed over the library's thirty-minute speed of this very cut. */
  readonly speedRatio: number;
  /** Minutes of cutting until its end, or until it was last seen in order. */
  readonly minutes: number;
  /** Its end was seen: worn, chipped or broken. Otherwise it was still good. */
  readonly ended: boolean;
  /** Standard deviation of ln minutes where they are read from a wear curve; 0 where the end was seen. */
  readonly readingSd: number;
}

/** What the library knows before any trial. */
export interface LifePrior {
  /** Standard deviation of ln of the thirty-minute speed from shop to shop. */
  readonly speedSd: number;
  /** Taylor's exponent n. */
  readonly taylorN: number;
}

/** Of a heat lot about its alloy and of a machine about its like, ln of speed. Judgement: half a Rockwell point; coolant and spindle. */
export const LOT_SD = 0.06;
export const MACHINE_SD = 0.05;
/** Of ln 1/n about the library's. */
const SLOPE_SD = 0.2;
/** Scatter of ln life from edge to edge: middle and spread of its logarithm. */
const EDGE_SCATTER: Prior = { mean: Math.log(0.3), sd: 0.4 };

/** A fit of one edge family in one alloy. */
export interface EdgeLifeFit {
  readonly posterior: Posterior;
  readonly prior: LifePrior;
  readonly lots: readonly string[];
  readonly machines: readonly string[];
  readonly trials: readonly EdgeTrial[];
}

const FAMILY = 0;
const SLOPE = 1;

const distinct = (all: readonly string[]): string[] => [...new Set(all)].filter((s) => s !== '').sort();

const placeOf = (fit: Pick<EdgeLifeFit, 'lots'>) => ({
  lot: (lot: string): number => 2 + fit.lots.indexOf(lot),
  machine: (id: string, machines: readonly string[]): number => 2 + fit.lots.length + machines.indexOf(id),
});

/**
 * Hierarchical Bayes on ln life: ln T = ln 30 + s·(family + lot + machine − ln r)/n, with r the speed over the library's thirty-minute
 * speed of the same cut. The library is the prior, edges that were still good stay censored. Gelman et al. 2013, ch. 5; Lawless 2003.
 * Throws InputError naming a trial whose minutes or speed are not above 0.
 */
export function fitEdgeLife(trials: readonly EdgeTrial[], prior: LifePrior): EdgeLifeFit {
  for (const t of trials) {
    if (!(t.minutes > 0) || !(t.speedRatio > 0))
      throw new InputError([
        {
          field: `trial ${t.id}`,
          value: `${t.minutes} min at ${t.speedRatio}`,
          allowed: 'minutes and speed above 0',
        },
      ]);
  }
  const lots = distinct(trials.map((t) => t.heatLot));
  const machines = distinct(trials.map((t) => t.machineId));
  const priors: Prior[] = [
    { mean: 0, sd: prior.speedSd },
    { mean: 0, sd: SLOPE_SD },
    ...lots.map(() => ({ mean: 0, sd: LOT_SD })),
    ...machines.map(() => ({ mean: 0, sd: MACHINE_SD })),
  ];
  const place = placeOf({ lots });
  const readings = trials.map((t): Reading => {
    const of = [
      ...(t.heatLot === '' ? [] : [place.lot(t.heatLot)]),
      ...(t.machineId === '' ? [] : [place.machine(t.machineId, machines)]),
    ];
    const lnRatio = Math.log(t.speedRatio);
    return {
      y: Math.log(t.minutes),
      reached: t.ended,
      readingSd: t.readingSd,
      touches: [FAMILY, SLOPE, ...of],
      predict: (u, slopes) => {
        const m = Math.exp(u[SLOPE]!) / prior.taylorN;
        let speed = u[FAMILY]! - lnRatio;
        for (const k of of) speed += u[k]!;
        slopes[0] = m;
        slopes[1] = m * speed;
        for (let i = 0; i < of.length; i++) slopes[2 + i] = m;
        return Math.log(30) + m * speed;
      },
    };
  });
  return { posterior: posteriorOf(priors, readings, EDGE_SCATTER), prior, lots, machines, trials };
}

/** Places of the unknowns of a lot in a machine, and the variance of those no trial has seen. */
function speedOf(fit: EdgeLifeFit, heatLot: string | null, machineId: string | null) {
  const place = placeOf(fit);
  const weights: (readonly [number, number])[] = [[FAMILY, 1]];
  let unseen = 0;
  if (heatLot !== null && fit.lots.includes(heatLot)) weights.push([place.lot(heatLot), 1]);
  else unseen += LOT_SD ** 2;
  if (machineId !== null && fit.machines.includes(machineId))
    weights.push([place.machine(machineId, fit.machines), 1]);
  else unseen += MACHINE_SD ** 2;
  return { weights, unseen };
}

const widened = (parts: readonly NormalPart[], variance: number): NormalPart[] =>
  parts.map((q) => ({ ...q, sd: Math.sqrt(q.sd ** 2 + variance) }));

/** ln of the thirty-minute speed over the library's for a lot in a machine; null is one no trial has seen. */
export function speedShift(fit: EdgeLifeFit, heatLot: string | null, machineId: string | null): NormalPart[] {
  const { weights, unseen } = speedOf(fit, heatLot, machineId);
  return widened(believed(fit.posterior, weights), unseen);
}

/** ln minutes the next edge lasts at a speed over the library's thirty-minute speed of its cut. */
export function nextEdge(
  fit: EdgeLifeFit,
  at: { readonly speedRatio: number; readonly heatLot: string | null; readonly machineId: string | null },
): NormalPart[] {
  const { weights, unseen } = speedOf(fit, at.heatLot, at.machineId);
  const lnRatio = Math.log(at.speedRatio);
  return fit.posterior.nodes.map((node) => {
    const m = Math.exp(node.mode[SLOPE]!) / fit.prior.taylorN;
    let speed = -lnRatio;
    for (const [k] of weights) speed += node.mode[k]!;
    const slopes: (readonly [number, number])[] = [
      ...weights.map(([k]) => [k, m] as const),
      [SLOPE, m * speed],
    ];
    let variance = m * m * unseen + node.sigma ** 2;
    for (const [k, a] of slopes) for (const [l, b] of slopes) variance += a * b * node.covariance.get(k, l);
    return { weight: node.weight, mean: Math.log(30) + m * speed, sd: Math.sqrt(variance) };
  });
}

/** Scatter of ln life from edge to edge. */
export const edgeScatter = ({ posterior }: EdgeLifeFit): number =>
  posterior.nodes.reduce((s, q) => s + q.weight * q.sigma, 0);

/** ln of the slope 1/n over the library's. */
export const slopeShift = (fit: EdgeLifeFit): NormalPart[] => believed(fit.posterior, [[SLOPE, 1]]);

/** Of a lot alone, ln of its speed over that of its alloy. */
export const lotShift = (fit: EdgeLifeFit, heatLot: string): NormalPart[] =>
  believed(fit.posterior, [[placeOf(fit).lot(heatLot), 1]]);

/** Every lot and machine the trials have seen, and those they have not, each with its shift. */
export function shiftsOf(fit: EdgeLifeFit): LearntShift[] {
  const seen = new Set(fit.trials.map((t) => JSON.stringify([t.heatLot || null, t.machineId || null])));
  for (const t of fit.trials) {
    seen.add(JSON.stringify([t.heatLot || null, null]));
    seen.add(JSON.stringify([null, t.machineId || null]));
  }
  seen.add(JSON.stringify([null, null]));
  return [...seen].sort().map((key) => {
    const [heatLot, machineId] = JSON.parse(key) as [string | null, string | null];
    const { mean, sd } = momentsOf(speedShift(fit, heatLot, machineId));
    return { heatLot, machineId, shift: mean, sd };
  });
}

/** How far each trial lies from what the others and the library say, in standard deviations of an edge's life. */
export function residualsOf(fit: EdgeLifeFit): { readonly id: string; readonly z: number }[] {
  return fit.trials.map((t) => {
    const { mean } = momentsOf(
      nextEdge(fit, { speedRatio: t.speedRatio, heatLot: t.heatLot, machineId: t.machineId }),
    );
    const z = (Math.log(t.minutes) - mean) / Math.hypot(edgeScatter(fit), t.readingSd);
    // An edge that was still good says nothing against a longer life.
    return { id: t.id, z: t.ended ? z : Math.max(0, z) };
  });
}

/** Band that holds the middle 90% of a mixture, both ends. */
export const band90 = (parts: readonly NormalPart[]): readonly [number, number] => [
  mixtureQuantile(parts, 0.05),
  mixtureQuantile(parts, 0.95),
];
