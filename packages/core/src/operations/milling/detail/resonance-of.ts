import type { OperationContext } from '../../context.ts';
import { InputError } from '../../../units/input-error.ts';
import type { MillingOperation } from '../milling-operation.ts';
import { fastestOfEdge, millingState } from '../milling-state.ts';
import { beliefOf, observationsOf, testCutOf, WORLDS } from '../stability-state.ts';
import {
  depthAlongTool,
  depthAtTip,
  modeHeardAt,
  structureAtDepth,
} from '../../../physics/dynamics/along-tool.ts';
import { type ChanceMap, chanceMap } from '../../../physics/dynamics/learning/chance-map.ts';
import type { Heard } from '../../../physics/dynamics/resonance-book.ts';
import {
  nextTests,
  type SpeedLadder,
  speedLadder,
  type TestProposal,
} from '../../../physics/dynamics/learning/test-plan.ts';
import { borderCurve, turningSpeeds } from '../../../physics/dynamics/periodic/border-curve.ts';
import { limitDepth } from '../../../physics/dynamics/periodic/limit-depth.ts';
import { forPeriodic, softestMode, type TipMode } from '../../../physics/dynamics/tip-structure.ts';
import type { TipKnowledge } from '../../../physics/dynamics/tip-knowledge.ts';

/** What is asked about a combination: a cut, and the speeds and depths to look at. */
export interface ResonanceQuestion {
  readonly fromRpm: number;
  readonly toRpm: number;
  readonly mostMm: number;
  readonly columns?: number;
  readonly rows?: number;
  /** Speeds at which the periodic border is worked out at most; 0 leaves it out. */
  readonly periodic?: number;
  readonly worlds?: number;
}

/** A test cut on the map. */
export interface SeenCut {
  readonly rpm: number;
  readonly depthMm: number;
  readonly heard: Heard;
  readonly hz: number | null;
}

/** Everything the lobes page shows of a combination, depths along the tool. */
export interface ResonancePicture {
  readonly knowledge: TipKnowledge;
  readonly mode: TipMode;
  readonly chance: ChanceMap;
  /** The averaged cut at the middle of the belief. */
  readonly overview: readonly {
    readonly rpm: number;
    readonly depthMm: number;
    readonly hz: number | null;
  }[];
  /** The periodic solution there. */
  readonly periodic: readonly { readonly rpm: number; readonly depthMm: number | null }[];
  readonly seen: readonly SeenCut[];
  readonly tests: readonly TestProposal[];
  readonly ladder: SpeedLadder;
  /** Speeds heard to chatter at a depth this cut exceeds: forbidden from now on. */
  readonly forbidden: readonly {
    readonly fromRpm: number;
    readonly toRpm: number;
    readonly aboveMm: number;
  }[];
}

/** Half-width of what a cut that chattered forbids, as a share of its speed. */
const FORBIDS = 0.02;

/** Speeds this far apart, in logs, share what the interrupted cut differs by: a lobe or two. */
const NEARBY = 0.15;

/**
 * The interrupted cut against the averaged one round a speed: mean over the speeds nearby, each point for the stretch it stands
 * for, since single lobes of the two need not stand at the same place. 1 where no periodic border was worked out. `ratios`
 * rise in speed.
 */
export function correction(
  ratios: readonly { readonly rpm: number; readonly log: number }[],
  rpm: number,
): number {
  let [sum, total] = [0, 0];
  ratios.forEach(({ rpm: n, log }, i) => {
    const before = ratios[i - 1]?.rpm ?? n;
    const after = ratios[i + 1]?.rpm ?? n;
    const stretch = Math.log(after / before);
    const weight = stretch * Math.exp(-0.5 * (Math.log(n / rpm) / NEARBY) ** 2);
    sum += weight * log;
    total += weight;
  });
  return total > 1e-12 ? Math.exp(sum / total) : 1;
}

/** Speeds to try span at least this ratio, whatever the edge stands. */
const LEAST_SPAN = 1.05;

/**
 * Works out the picture. `done` is told the share finished and stops the work by returning false; null comes back then.
 * Throws InputError on an empty range or an impossible operation.
 */
export function resonanceOf(
  op: MillingOperation,
  context: OperationContext,
  question: ResonanceQuestion,
  done: (share: number) => boolean = () => true,
): ResonancePicture | null {
  const { fromRpm, toRpm, mostMm, columns = 61, rows = 40, periodic = 0, worlds = WORLDS } = question;
  if (!(fromRpm > 0 && toRpm > fromRpm && mostMm > 0)) {
    throw new InputError([
      {
        field: 'speeds and depth',
        value: [fromRpm, toRpm, mostMm],
        allowed: 'rising speeds and a depth above 0',
      },
    ]);
  }
  const state = millingState(op, context);
  const { stability } = state;
  const { knowledge } = stability;
  const stickOut = op.tooling.stickOutMm;
  const belief = beliefOf(op, context, knowledge, worlds);
  if (!done(0.1)) return null;
  const rpm = Array.from({ length: columns }, (_, i) => fromRpm + ((toRpm - fromRpm) * i) / (columns - 1));
  const depths = Array.from({ length: rows }, (_, i) => (mostMm * (i + 1)) / rows);
  const felt = structureAtDepth(stability.structure, op.cut.axialDepthMm, stickOut);
  /** A border felt as at this cut's depth, as a depth along the tool. */
  const along = (d: number, hz: number | null): number => {
    const mode = hz === null ? null : modeHeardAt(felt, hz);
    const own = mode && [...stability.structure.x, ...stability.structure.y].find((m) => m.hz === mode.hz);
    if (!own) return d;
    const tip = (d * depthAtTip(own, op.cut.axialDepthMm, stickOut)) / op.cut.axialDepthMm;
    return Math.min(2 * stickOut, depthAlongTool(own, tip, stickOut));
  };
  const chance = chanceMap(belief, stability.cut0, rpm, depths);
  if (!done(0.5)) return null;
  const deepest = Math.max(mostMm, 0.5) * 1.5;
  const averaged = (n: number): number | null => stability.borderAt(n).depthMm;
  const counting = forPeriodic(felt);
  const curve =
    periodic === 0
      ? []
      : borderCurve(
          (n) => limitDepth(stability.cut, counting, n, { mostMm: deepest, tolerance: 0.005 }),
          turningSpeeds(
            (n) => Math.log(Math.min(deepest, averaged(n) ?? deepest)),
            fromRpm,
            toRpm,
            Math.ceil(periodic / 2),
          ),
          { most: periodic, mostMm: deepest },
          (share) => done(0.5 + 0.45 * share),
        );
  if (!curve) return null;
  const border = curve.map(({ rpm: n, depthMm, hz }) => ({
    rpm: n,
    depthMm: depthMm === null ? null : along(depthMm, hz),
  }));
  const ratios = curve.flatMap(({ rpm: n, depthMm }) => {
    const other = averaged(n);
    if (other === null || other > deepest) return [];
    return [{ rpm: n, log: Math.log((depthMm ?? deepest) / other) }];
  });
  const seen = observationsOf(op, context).map((o): SeenCut => {
    const test = testCutOf(o, op, context);
    return { rpm: test.rpm, depthMm: o.axialDepthMm, heard: o.heard, hz: o.hz };
  });
  // What was heard was heard of the interrupted cut: where it was, the averaged border has learnt the difference already.
  const taught = Math.exp(
    seen.reduce((sum, s) => sum + Math.log(correction(ratios, s.rpm)), 0) / Math.max(1, seen.length),
  );
  // Nobody tries speeds that burn the edge: what is proposed ends where the cutting speed does.
  const wish = {
    fromRpm,
    toRpm: Math.max(fromRpm * LEAST_SPAN, Math.min(toRpm, fastestOfEdge(state))),
    mostMm,
  };
  return {
    knowledge,
    mode: stability.chatter().mode ?? softestMode(stability.structure),
    chance: {
      ...chance,
      likely: chance.likely.map((l, i) => {
        const f = correction(ratios, rpm[i]!) / taught;
        return { low: f * l.low, middle: f * l.middle, high: f * l.high };
      }),
    },
    overview: rpm.map((n) => {
      const b = stability.borderAt(n);
      return { rpm: n, depthMm: b.depthMm === null ? Infinity : along(b.depthMm, b.hz), hz: b.hz };
    }),
    periodic: border,
    seen,
    tests: nextTests(belief, stability.cut0, { ...wish, atRpm: op.cut.speedRpm }),
    ladder: speedLadder(belief, stability.cut0, {
      ...wish,
      radialMm: op.cut.radialEngagementMm,
      feedPerToothMm: op.cut.feedPerToothMm,
    }),
    forbidden: seen
      .filter((s) => s.heard === 'chatter')
      .map((s) => ({ fromRpm: s.rpm * (1 - FORBIDS), toRpm: s.rpm * (1 + FORBIDS), aboveMm: s.depthMm })),
  };
}
