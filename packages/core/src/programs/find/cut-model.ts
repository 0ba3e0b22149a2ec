import { isHole } from '../../operations/hole-operation.ts';
import type { Evaluation } from '../../evaluation/evaluation.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { Operation } from '../../operations/operation.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import { engagementAngle } from '../../physics/cutting/engagement.ts';
import { powerAt } from '../../physics/cutting/spindle-curve.ts';
import type { Engagement } from '../engage/engage.ts';

/** Loads of a block. Angles in rad, lengths in mm. */
export interface BlockLoad {
  /** Feed per tooth of the cutter's centre, mm. */
  readonly feedPerToothMm: number;
  /** Thickest and mean chip, mm. */
  readonly chipMm: number;
  readonly meanChipMm: number;
  readonly forceN: number;
  readonly powerKw: number;
  /** Bend at the tip; null where the operation tells none. */
  readonly bendMm: number | null;
  /** Share of what the spindle gives at this speed. */
  readonly meter: number;
  readonly removalCm3Min: number;
}

export const NO_LOAD: BlockLoad = {
  feedPerToothMm: 0,
  chipMm: 0,
  meanChipMm: 0,
  forceN: 0,
  powerKw: 0,
  bendMm: 0,
  meter: 0,
  removalCm3Min: 0,
};

/** Loads of any block of a cutter, tied to what its operation was judged by. */
export interface CutModel {
  /** Chip, force, power of the released cut itself. */
  readonly released: BlockLoad;
  load(cut: ChipCut): BlockLoad;
}

/** A contact as it is loaded: its angles (rad), depth (mm), the share of the end that goes down, and the pace. */
export interface ChipCut {
  readonly entry: number;
  readonly exit: number;
  readonly arc: number;
  readonly depthMm: number;
  readonly plungeShare: number;
  readonly removedMm3: number;
  readonly minutes: number;
  readonly feedMmMin: number;
  readonly speedRpm: number;
}

/** Largest sine between two angles within half a turn. */
export const largestSine = (entry: number, exit: number): number =>
  entry <= Math.PI / 2 && exit >= Math.PI / 2 ? 1 : Math.max(Math.sin(entry), Math.sin(exit));

export const cutOf = (e: Engagement, minutes: number, feedMmMin: number, speedRpm: number): ChipCut => ({
  entry: e.most.entry,
  exit: e.most.exit,
  arc: e.most.arc,
  depthMm: e.most.depthMm,
  plungeShare: e.plungeShare,
  removedMm3: e.removedMm3,
  minutes,
  feedMmMin,
  speedRpm,
});

/** Number of an evaluation by its key; null where it has none. */
const found = (e: Evaluation, ...keys: readonly string[]): number | null => {
  for (const key of keys) {
    const value = e.numbers.find((n) => n.key === key)?.value;
    if (value !== undefined && value > 0) return value;
  }
  return null;
};

/**
 * Loads by Kienzle at a block's own contact, scaled so that the contact that was released gives what its evaluation says: the block
 * is then heavier or lighter than the sheet by the ratio of the closed forms. h is the chip of the centre's feed over the arc of
 * contact, which holds on arcs as on lines: the motion is a turn about the arc's centre, and its part along the cutter's radius is
 * that of the centre.
 */
export function cutModelOf({
  document,
  context,
  evaluation,
}: {
  readonly document: Operation;
  readonly context: OperationContext;
  readonly evaluation: Evaluation;
}): CutModel {
  const { alloy, cutter, machine } = context;
  const teeth = Math.max(1, cutter.properties.ZEFP ?? cutter.properties.NOF ?? 1);
  const radius = outerDiameter(cutter) / 2;
  const kc = alloy.kienzle.kc11_n_mm2.typical;
  const exponent = 1 - alloy.kienzle.mc.typical;
  const side = Math.hypot(1, alloy.kienzle.radial_to_tangential.typical);

  /** Unscaled loads of a contact. */
  function raw(cut: ChipCut): BlockLoad {
    const { arc, depthMm, speedRpm, feedMmMin, plungeShare } = cut;
    if (speedRpm <= 0 || feedMmMin <= 0) return NO_LOAD;
    const fz = feedMmMin / (speedRpm * teeth);
    const chip = arc > 0 ? fz * largestSine(cut.entry, cut.exit) : 0;
    const mean =
      arc > 0 ? (fz * Math.abs(Math.cos(cut.entry) - Math.cos(cut.exit))) / Math.max(arc, 1e-6) : 0;
    const inCut = (teeth * arc) / (2 * Math.PI);
    const tangential = mean > 0 ? kc * mean ** exponent * depthMm : 0;
    const peak = chip > 0 ? kc * chip ** exponent * depthMm * side * Math.max(1, inCut) : 0;
    // The end that goes down cuts its radius with every tooth.
    const down = plungeShare > 0 ? kc * fz ** exponent * radius * plungeShare * teeth : 0;
    const torqueNm = (tangential * inCut * radius + (down * radius) / 2) / 1000;
    const powerKw = (torqueNm * 2 * Math.PI * speedRpm) / 60_000;
    return {
      feedPerToothMm: fz,
      chipMm: plungeShare > 0.5 && arc === 0 ? fz : chip,
      meanChipMm: mean,
      forceN: peak + 0.5 * down,
      powerKw,
      bendMm: null,
      meter: 0,
      removalCm3Min: cut.minutes > 0 ? cut.removedMm3 / cut.minutes / 1000 : 0,
    };
  }

  const own = raw(releasedCut(document, evaluation, radius, teeth));
  const power = found(evaluation, 'P');
  const force = found(evaluation, 'F', 'Ff');
  const lean = found(evaluation, 'lean');
  const powerScale = power && own.powerKw > 0 ? power / own.powerKw : 1;
  const forceScale = force && own.forceN > 0 ? force / own.forceN : 1;
  const curve = machine.power_torque.s1;
  const scaled = (r: BlockLoad, speedRpm: number): BlockLoad => {
    const available = powerAt(curve, speedRpm);
    const powerKw = r.powerKw * powerScale;
    const forceN = r.forceN * forceScale;
    return {
      ...r,
      powerKw,
      forceN,
      bendMm: lean && force ? (lean * forceN) / force : null,
      meter: available > 0 ? powerKw / available : powerKw > 0 ? Infinity : 0,
    };
  };
  return {
    released: { ...scaled(own, document.cut.speedRpm), removalCm3Min: found(evaluation, 'Q') ?? 0 },
    load: (cut) => scaled(raw(cut), cut.speedRpm),
  };
}

/** Feed of a turn for what drills, reams, bores or taps, mm; 0 for a mill. */
export const feedPerTurn = (document: Operation): number =>
  document.kind === 'tapping'
    ? document.thread.pitchMm
    : 'feedPerRevMm' in document.cut
      ? document.cut.feedPerRevMm
      : 0;

/** The contact that was judged at release. */
function releasedCut(document: Operation, evaluation: Evaluation, radius: number, teeth: number): ChipCut {
  const { speedRpm } = document.cut;
  const cut = (arc: number, depthMm: number, plungeShare: number, feedMmMin: number): ChipCut => ({
    entry: 0,
    exit: arc,
    arc,
    depthMm,
    plungeShare,
    removedMm3: 0,
    minutes: 0,
    feedMmMin,
    speedRpm,
  });
  if (!('feedPerToothMm' in document.cut))
    return cut(0, 0, 1, found(evaluation, 'vf') ?? speedRpm * feedPerTurn(document));
  const feed = speedRpm * teeth * document.cut.feedPerToothMm;
  if (document.kind === 'milling') {
    const { radialEngagementMm, axialDepthMm } = document.cut;
    return cut(engagementAngle(Math.min(radialEngagementMm, 2 * radius), 2 * radius), axialDepthMm, 0, feed);
  }
  // Round a hole: the contact its evaluation tells of, else half the turn.
  const told = found(evaluation, 'arc');
  const depthMm =
    document.kind === 'hole-milling'
      ? document.cut.pitchMm
      : document.kind === 'edge-milling'
        ? document.edge.sizeMm
        : isHole(document)
          ? document.hole.depthMm
          : 0;
  return cut(told === null ? Math.PI : (told * Math.PI) / 180, depthMm, 0, found(evaluation, 'vf') ?? feed);
}
