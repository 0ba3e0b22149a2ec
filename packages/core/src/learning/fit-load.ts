import type { NormalPart } from '../numerics/normal-mixture.ts';
import { InputError } from '../units/input-error.ts';
import { believed, type Posterior, posteriorOf, type Prior, type Reading } from './posterior.ts';

/** What a fit looks at of one reading of a load meter. */
export interface LoadTrial {
  readonly id: string;
  readonly alloyId: string;
  readonly heatLot: string;
  readonly machineId: string;
  /** Power at the edge the library expects, kW. */
  readonly edgeKw: number;
  /** Continuous power of the spindle at this speed, kW: 100% of the meter. */
  readonly fullKw: number;
  /** Meter in the cut, %. */
  readonly percent: number;
  /** Meter at the same speed out of the cut, %; null where nobody looked. */
  readonly idlePercent: number | null;
}

/** Usual share of the power drawn that reaches the edge, and how far drives differ, ln. */
export const USUAL_EFFICIENCY = 0.8;
const EFFICIENCY_SD = 0.07;
/** Idle power as a share of the meter's full scale: middle and spread of its logarithm. */
const IDLE_SHARE = 0.04;
const IDLE_SD = 0.5;
const LOT_SD = 0.05;
/** A needle or a bar is read to this many per cent of full scale; the force model is off by this share from cut to cut. */
const METER_PERCENT = 1.5;
const CUT_SD = 0.08;

export interface LoadFit {
  readonly posterior: Posterior;
  readonly alloys: readonly string[];
  /** Alloy and lot, as one word. */
  readonly lots: readonly string[];
  readonly machines: readonly string[];
  /** Largest full scale seen of each machine, kW. */
  readonly fullKw: ReadonlyMap<string, number>;
  readonly trials: readonly LoadTrial[];
}

const lotKey = (alloyId: string, heatLot: string): string => `${alloyId}\n${heatLot}`;
const distinct = (all: readonly string[]): string[] => [...new Set(all)].sort();

const places = (f: Pick<LoadFit, 'alloys' | 'lots' | 'machines'>) => ({
  alloy: (id: string): number => f.alloys.indexOf(id),
  lot: (key: string): number => f.alloys.length + f.lots.indexOf(key),
  efficiency: (id: string): number => f.alloys.length + f.lots.length + f.machines.indexOf(id),
  idle: (id: string): number => f.alloys.length + f.lots.length + f.machines.length + f.machines.indexOf(id),
});

/**
 * Specific cutting force of alloys and lots, efficiency and idle power of spindles, from load meters: reading = idle + edge power ×
 * (kc here over the library's) / efficiency, the library as prior. Force and efficiency are told apart as far as cuts of other
 * alloys in the same spindle, and of the same alloy in other spindles, allow. Gauss and Newton; normal about the mode.
 * Throws InputError naming a trial with a reading outside 0 to 300% or without power.
 */
export function fitLoad(trials: readonly LoadTrial[], kcSd: (alloyId: string) => number): LoadFit {
  for (const t of trials) {
    if (!(t.percent > 0 && t.percent <= 300) || !(t.edgeKw > 0) || !(t.fullKw > 0))
      throw new InputError([
        { field: `trial ${t.id}`, value: `${t.percent}%`, allowed: 'above 0 and up to 300%, in a cut' },
      ]);
  }
  const alloys = distinct(trials.map((t) => t.alloyId));
  const lots = distinct(trials.filter((t) => t.heatLot !== '').map((t) => lotKey(t.alloyId, t.heatLot)));
  const machines = distinct(trials.map((t) => t.machineId));
  const fullKw = new Map(
    machines.map((m) => [m, Math.max(...trials.filter((t) => t.machineId === m).map((t) => t.fullKw))]),
  );
  const priors: Prior[] = [
    ...alloys.map((a) => ({ mean: 0, sd: kcSd(a) })),
    ...lots.map(() => ({ mean: 0, sd: LOT_SD })),
    ...machines.map(() => ({ mean: 0, sd: EFFICIENCY_SD })),
    ...machines.map(() => ({ mean: 0, sd: IDLE_SD })),
  ];
  const at = places({ alloys, lots, machines });
  const readings = trials.flatMap((t): Reading[] => {
    const idle = IDLE_SHARE * fullKw.get(t.machineId)!;
    const [e, i] = [at.efficiency(t.machineId), at.idle(t.machineId)];
    const force = [at.alloy(t.alloyId), ...(t.heatLot === '' ? [] : [at.lot(lotKey(t.alloyId, t.heatLot))])];
    const drawn = t.edgeKw / USUAL_EFFICIENCY;
    const meter = (METER_PERCENT / 100) * t.fullKw;
    const cut: Reading = {
      y: (t.percent / 100) * t.fullKw,
      reached: true,
      readingSd: Math.hypot(meter, CUT_SD * drawn),
      touches: [i, e, ...force],
      predict: (u, slopes) => {
        const still = idle * Math.exp(u[i]!);
        let ln = -u[e]!;
        for (const k of force) ln += u[k]!;
        const cutting = drawn * Math.exp(ln);
        slopes[0] = still;
        slopes[1] = -cutting;
        for (let n = 0; n < force.length; n++) slopes[2 + n] = cutting;
        return still + cutting;
      },
    };
    if (t.idlePercent === null) return [cut];
    const out: Reading = {
      y: (t.idlePercent / 100) * t.fullKw,
      reached: true,
      readingSd: meter,
      touches: [i],
      predict: (u, slopes) => (slopes[0] = idle * Math.exp(u[i]!)),
    };
    return [out, cut];
  });
  return { posterior: posteriorOf(priors, readings, null), alloys, lots, machines, fullKw, trials };
}

/** ln of kc1.1 here over the library's, for a lot; null is one no meter was read on. */
export function forceShift(fit: LoadFit, alloyId: string, heatLot: string | null): NormalPart[] {
  const at = places(fit);
  const key = lotKey(alloyId, heatLot ?? '');
  const known = heatLot !== null && fit.lots.includes(key);
  const parts = believed(fit.posterior, [
    [at.alloy(alloyId), 1],
    ...(known ? [[at.lot(key), 1] as const] : []),
  ]);
  return known ? parts : parts.map((q) => ({ ...q, sd: Math.hypot(q.sd, LOT_SD) }));
}

/** Lots of an alloy a meter was read on. */
export const lotsOf = (fit: LoadFit, alloyId: string): string[] =>
  fit.lots.filter((k) => k.startsWith(`${alloyId}\n`)).map((k) => k.slice(alloyId.length + 1));

/** ln of a spindle's efficiency over the usual one, and ln of its idle power over the usual share of its full scale. */
export function driveShift(
  fit: LoadFit,
  machineId: string,
): { efficiency: NormalPart[]; idle: NormalPart[] } {
  const at = places(fit);
  return {
    efficiency: believed(fit.posterior, [[at.efficiency(machineId), 1]]),
    idle: believed(fit.posterior, [[at.idle(machineId), 1]]),
  };
}

/** Idle power a spindle is taken to have before anybody looked, kW. */
export const usualIdleKw = (fullKw: number): number => IDLE_SHARE * fullKw;

/** How far each reading lies from what the rest and the library say, in standard deviations. */
export function loadResiduals(fit: LoadFit): { readonly id: string; readonly z: number }[] {
  const node = fit.posterior.nodes[0]!;
  const at = places(fit);
  return fit.trials.map((t) => {
    let ln = node.mode[at.alloy(t.alloyId)]! - node.mode[at.efficiency(t.machineId)]!;
    if (t.heatLot !== '') ln += node.mode[at.lot(lotKey(t.alloyId, t.heatLot))]!;
    const drawn = t.edgeKw / USUAL_EFFICIENCY;
    const idle = usualIdleKw(fit.fullKw.get(t.machineId)!) * Math.exp(node.mode[at.idle(t.machineId)]!);
    const sd = Math.hypot((METER_PERCENT / 100) * t.fullKw, CUT_SD * drawn);
    return { id: t.id, z: ((t.percent / 100) * t.fullKw - idle - drawn * Math.exp(ln)) / sd };
  });
}
