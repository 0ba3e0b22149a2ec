import { formatMeasure, type Operation, type System } from '@burl/core';
import { blankOperation, type Crib, ONE_PART } from '@burl/contract';
import { type Answered, answeredBy } from '../use-quick.ts';
import type { RunningDraft } from './running-draft.ts';
import { cribWith, toolOf } from './tool-of.ts';

/** Somebody's cut as Burl judges it, and everything that was supposed for it. */
export interface RunningCut extends Answered {
  readonly crib: Crib;
  /** The tool is not in the crib. */
  readonly newTool: boolean;
  readonly supposed: readonly string[];
}

/** A depth nobody said is taken as one would begin with. */
const SIDE_SHARE = 0.1;

/** The cut of a draft in the crib, or what is missing. Never throws: what cannot be is said. */
export function runningCut(draft: RunningDraft, crib: Crib, system: System): RunningCut | string {
  const alloy = crib.alloys.find((a) => a.id === draft.alloyId)?.document;
  const machine = crib.machines.find((m) => m.id === draft.machineId)?.document;
  if (!alloy) return 'Say or choose the alloy.';
  if (!machine) return 'Choose the machine.';
  const tool = toolOf(draft, crib, alloy.iso513_group);
  if (typeof tool === 'string') return tool;
  const { cutter } = tool;
  const d = cutter.properties.DC ?? cutter.properties.DCX ?? 10;
  const with1 = cribWith(crib, cutter);
  const n = draft.numbers;
  const hole = draft.made === 'hole' || draft.tool === 'drill';
  const ap = n.axialDepthMm ?? (hole ? 3 * d : Math.min(d, cutter.properties.APMX ?? d));
  const ae =
    n.radialDepthMm ?? (draft.made === 'slot' ? d : draft.made === 'face' ? 0.65 * d : SIDE_SHARE * d);
  const size = hole
    ? { diameterMm: d, depthMm: ap, through: false, count: 1 }
    : {
        kind: draft.made as Exclude<RunningDraft['made'], 'hole'>,
        lengthMm: Math.max(100, 6 * d),
        widthMm: draft.made === 'slot' ? d : draft.made === 'side' ? ae : Math.max(4 * d, ae),
        depthMm: ap,
        cornerRadiusMm: draft.made === 'pocket' ? 0.7 * d : null,
      };
  const blank = blankOperation(
    with1,
    { alloyId: alloy.id, machineId: machine.id, ...ONE_PART },
    cutter.id,
    size,
  );
  if (!blank) return `No holder in the crib takes ${cutter.name} on ${machine.name}.`;
  const { op, supposed } = asSaid(blank, draft, d, ap, ae, system);
  const answer = answeredBy(with1, op);
  if (!answer)
    return 'These numbers cannot be one cut on this machine: look at speed, depth and stick-out, then at the tool.';
  return {
    ...answer,
    crib: with1,
    newTool: tool.made,
    supposed: [...draft.supposed, ...tool.supposed, ...supposed],
  };
}

/** First numbers of the tool with those that were said in their place. */
function asSaid(
  blank: Operation,
  { numbers: n }: RunningDraft,
  d: number,
  ap: number,
  ae: number,
  system: System,
): { op: Operation; supposed: string[] } {
  const show = (v: number) => formatMeasure(v, 'mm', system);
  const supposed: string[] = [];
  const speedRpm = n.speedRpm ?? (n.speedMMin ? (1000 * n.speedMMin) / (Math.PI * d) : blank.cut.speedRpm);
  if (!n.speedRpm && !n.speedMMin) supposed.push(`speed not said: ${Math.round(speedRpm)} rpm`);
  const teeth = 'feedPerToothMm' in blank.cut ? Math.max(1, Math.round(n.teeth ?? 1)) : 1;
  const measured = {
    ...blank.measured,
    hardness: n.hardnessHrc ?? null,
  };
  const tooling = { ...blank.tooling, stickOutMm: n.stickOutMm ?? blank.tooling.stickOutMm };
  if (!n.stickOutMm) supposed.push(`stick-out not said: ${show(blank.tooling.stickOutMm)}`);
  if (blank.kind === 'milling') {
    if (!n.axialDepthMm) supposed.push(`axial depth not said: ${show(ap)}`);
    if (!n.radialDepthMm) supposed.push(`radial depth not said: ${show(ae)}`);
    const fromTable = n.tableFeedMmMin && n.tableFeedMmMin / speedRpm / teeth;
    const feedPerToothMm =
      n.feedPerToothMm ??
      (fromTable || (n.feedPerRevMm && n.feedPerRevMm / teeth) || blank.cut.feedPerToothMm);
    if (!n.feedPerToothMm && !fromTable && !n.feedPerRevMm)
      supposed.push('feed not said: the first one of this tool');
    return {
      op: {
        ...blank,
        measured,
        tooling,
        cut: { ...blank.cut, speedRpm, feedPerToothMm, axialDepthMm: ap, radialEngagementMm: ae },
      } as Operation,
      supposed,
    };
  }
  if (!n.axialDepthMm) supposed.push(`depth not said: ${show(ap)}`);
  const feed =
    n.feedPerRevMm ??
    (n.feedPerToothMm ? 2 * n.feedPerToothMm : n.tableFeedMmMin && n.tableFeedMmMin / speedRpm);
  if (!feed) supposed.push('feed not said: the first one of this tool');
  const cut = {
    ...blank.cut,
    speedRpm,
    ...(feed && 'feedPerRevMm' in blank.cut ? { feedPerRevMm: feed } : {}),
  };
  return { op: { ...blank, measured, tooling, cut } as Operation, supposed };
}
