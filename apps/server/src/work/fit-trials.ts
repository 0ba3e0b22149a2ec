import { createHash } from 'node:crypto';
import {
  type Alloy,
  band90,
  driveShift,
  edgeScatter,
  type EdgeTrial,
  edgeTrialOf,
  fitEdgeLife,
  fitLoad,
  forceShift,
  type LearntConstant,
  loadResiduals,
  lotShift,
  lotsOf,
  momentsOf,
  nextEdge,
  type NormalPart,
  residualsOf,
  shiftsOf,
  slopeShift,
  speedShift,
  USUAL_EFFICIENCY,
  usualIdleKw,
  wearCriterionMm,
} from '@burl/core';
import type { FitQuestion, FittedNumber, FitTrial, LotSays, Trial } from '@burl/contract';

/** What came of the trials, before it is held against the open jobs. */
export interface Fitted {
  readonly numbers: readonly FittedNumber[];
  readonly trials: readonly FitTrial[];
  readonly lots: readonly LotSays[];
  readonly constants: readonly LearntConstant[];
  readonly stamp: string;
}

/** Standard deviations from which a trial is called an outlier. */
const OUTLIER = 2.6;
/** A lot departs from its alloy where its whole 90% band lies on one side, by this much at least. */
const DEPARTS = Math.log(1.03);
const Z95 = 1.6449;

type Triple = FittedNumber['before'];
/** Band and middle of a mixture of logarithms, as the thing itself. */
const asFactor = (parts: readonly NormalPart[], unit = 1): Triple => {
  const [low, high] = band90(parts);
  return [unit * Math.exp(low), unit * Math.exp(momentsOf(parts).mean), unit * Math.exp(high)];
};
const asPrior = (sd: number, unit = 1): Triple => [
  unit * Math.exp(-Z95 * sd),
  unit,
  unit * Math.exp(Z95 * sd),
];

function lotSays(heatLot: string, parts: readonly NormalPart[], trials: number): LotSays {
  const [low, high] = band90(parts);
  const { mean } = momentsOf(parts);
  return {
    heatLot,
    factor: [Math.exp(low), Math.exp(mean), Math.exp(high)],
    departs: low * high > 0 && Math.abs(mean) > DEPARTS,
    trials,
  };
}

const stampOf = (
  question: FitQuestion,
  used: readonly string[],
  constants: readonly LearntConstant[],
): string =>
  createHash('sha256')
    .update(JSON.stringify([question, used, constants]))
    .digest('hex')
    .slice(0, 24);

function marked(
  all: readonly Trial[],
  question: FitQuestion,
  residuals: readonly { readonly id: string; readonly z: number }[],
): FitTrial[] {
  const z = new Map(residuals.map((r) => [r.id, r.z]));
  const reasons = new Map(question.leftOut.map((l) => [l.trial, l.reason]));
  return all.map((trial) => {
    const off = z.get(trial.id) ?? null;
    return {
      trial,
      z: off,
      outlier: off !== null && Math.abs(off) > OUTLIER,
      leftOut: reasons.get(trial.id) ?? null,
    };
  });
}

/** Life of the edges of one family in an alloy, from all its trials. */
export function fitLife(question: FitQuestion, all: readonly Trial[], alloy: Alloy): Fitted {
  const out = new Set(question.leftOut.map((l) => l.trial));
  const used = all.filter((t) => t.speedRatio !== null && t.taylorN !== null && !out.has(t.id));
  const edges = used.map((t): EdgeTrial =>
    edgeTrialOf({ ...t, speedRatio: t.speedRatio!, criterionMm: wearCriterionMm({ alloy }) }),
  );
  const prior = { speedSd: used[0]?.speedSd ?? 0.2, taylorN: used[0]?.taylorN ?? 0.25 };
  const before = fitEdgeLife([], prior);
  const fit = fitEdgeLife(edges, prior);
  const last = used[0];
  const lot = last?.heatLot || null;
  const machine = last?.machineId ?? null;
  const numbers: FittedNumber[] = [
    {
      name: '30-minute speed over the library’s',
      unit: '×',
      before: asFactor(speedShift(before, null, null)),
      after: asFactor(speedShift(fit, null, null)),
    },
    ...(last
      ? [
          {
            name: `Life of the next edge at ${last.cuttingSpeedMMin.toFixed(0)} m/min`,
            unit: 'min',
            before: asFactor(
              nextEdge(before, { speedRatio: last.speedRatio!, heatLot: lot, machineId: machine }),
            ),
            after: asFactor(
              nextEdge(fit, { speedRatio: last.speedRatio!, heatLot: lot, machineId: machine }),
            ),
          },
        ]
      : []),
    {
      name: 'Slope of life over speed, 1/n',
      unit: '',
      before: asFactor(slopeShift(before), 1 / prior.taylorN),
      after: asFactor(slopeShift(fit), 1 / prior.taylorN),
    },
  ];
  const slope = momentsOf(slopeShift(fit));
  const constants: LearntConstant[] = [
    {
      kind: 'life',
      alloyId: question.alloyId,
      edgeFamily: question.edgeFamily,
      shifts: shiftsOf(fit),
      slope: { shift: slope.mean, sd: slope.sd },
      edgeSigma: edgeScatter(fit),
      trials: edges.length,
      ended: edges.filter((e) => e.ended).length,
    },
  ];
  return {
    numbers,
    trials: marked(all, question, residualsOf(fit)),
    lots: fit.lots.map((l) => lotSays(l, lotShift(fit, l), edges.filter((e) => e.heatLot === l).length)),
    constants,
    stamp: stampOf(
      question,
      used.map((t) => t.id),
      constants,
    ),
  };
}

/** Specific cutting force of an alloy and the drives it was run on, from all readings of load meters that bear on them. */
export function fitForces(
  question: FitQuestion,
  all: readonly Trial[],
  alloy: Alloy,
  kcSd: Readonly<Record<string, number>>,
): Fitted {
  const out = new Set(question.leftOut.map((l) => l.trial));
  const read = all.filter((t) => t.loadPercent !== null && t.loadPercent > 0);
  const used = read.filter((t) => !out.has(t.id));
  const sdOf = (id: string): number => kcSd[id] ?? 0.1;
  const fit = fitLoad(
    used.map((t) => ({ ...t, percent: t.loadPercent! })),
    sdOf,
  );
  const has = fit.alloys.includes(question.alloyId);
  const machines = [
    ...new Set(used.filter((t) => t.alloyId === question.alloyId).map((t) => t.machineId)),
  ].sort();
  const kc = alloy.kienzle.kc11_n_mm2.typical;
  const numbers: FittedNumber[] = has
    ? [
        {
          name: 'Specific cutting force kc1.1',
          unit: 'N/mm²',
          before: asPrior(sdOf(question.alloyId), kc),
          after: asFactor(forceShift(fit, question.alloyId, null), kc),
        },
      ]
    : [];
  const drives = machines.map((machineId) => {
    const { efficiency, idle } = driveShift(fit, machineId);
    const usual = usualIdleKw(fit.fullKw.get(machineId)!);
    numbers.push(
      {
        name: `Drive efficiency, ${machineId}`,
        unit: '',
        before: asPrior(0.07, USUAL_EFFICIENCY),
        after: asFactor(efficiency, USUAL_EFFICIENCY),
      },
      {
        name: `Idle power, ${machineId}`,
        unit: 'kW',
        before: asPrior(0.5, usual),
        after: asFactor(idle, usual),
      },
    );
    const [e, i] = [momentsOf(efficiency), momentsOf(idle)];
    return {
      kind: 'drive' as const,
      machineId,
      efficiency: USUAL_EFFICIENCY * Math.exp(e.mean),
      efficiencySd: e.sd,
      idleKw: usual * Math.exp(i.mean),
      idleSd: i.sd,
      trials: used.filter((t) => t.machineId === machineId).length,
    };
  });
  const lots = has ? lotsOf(fit, question.alloyId) : [];
  const constants: LearntConstant[] = has
    ? [
        {
          kind: 'force',
          alloyId: question.alloyId,
          lots: [null, ...lots].map((heatLot) => {
            const { mean, sd } = momentsOf(forceShift(fit, question.alloyId, heatLot));
            return { heatLot, shift: mean, sd };
          }),
          trials: used.filter((t) => t.alloyId === question.alloyId).length,
        },
        ...drives,
      ]
    : [];
  const ofAlloy = momentsOf(has ? forceShift(fit, question.alloyId, null) : []);
  return {
    numbers,
    trials: marked(read, question, loadResiduals(fit)),
    lots: lots.map((l) =>
      lotSays(
        l,
        forceShift(fit, question.alloyId, l).map((p) => ({ ...p, mean: p.mean - ofAlloy.mean })),
        used.filter((t) => t.heatLot === l && t.alloyId === question.alloyId).length,
      ),
    ),
    constants,
    stamp: stampOf(
      question,
      used.map((t) => t.id),
      constants,
    ),
  };
}
