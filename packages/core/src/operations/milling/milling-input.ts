import type { OperationContext } from '../context.ts';
import { pitchAnglesDeg } from '../../crib/cutter.ts';
import type { MillingOperation } from './milling-operation.ts';
import { standOfTeeth } from '../../physics/cutting/one-turn.ts';
import { chipFactor, edgeProfile, meanChipFactor } from '../../physics/cutting/edge-profile.ts';
import { sidesAtOnce } from '../../physics/path/undercut.ts';
import { diameterEngaged, edgeEngaged } from './engaged-edge.ts';
import { forceLawOf } from './force-law-of.ts';
import type { LoadInput } from './milling-loads.ts';
import { cuttingForceSources, runoutSource, thinChipSource } from '../sources.ts';

const RAD = Math.PI / 180;

/** How far each tooth stands out against the one before it, mm, for a tip that runs out by `tirUm` in total. */
function runoutSteps(pitch: readonly number[], tirUm: number): number[] {
  const radii = standOfTeeth(pitch, tirUm);
  return radii.map((r, j) => r - radii[(j + radii.length - 1) % radii.length]!);
}

/** What the forces of a turn depend on: edge, teeth, law, runout. Input must have been checked. */
export function millingInput(op: MillingOperation, context: OperationContext): LoadInput {
  const { cutter } = context;
  const { cut } = op;
  const teeth = cutter.properties.ZEFP ?? cutter.properties.NOF ?? 1;
  const diameter = diameterEngaged(op, cutter);
  // Where a slot is widened later, the slot itself is the load: everything is judged in it.
  const radial = op.path.strategy === 'slot-then-widen' ? diameter : cut.radialEngagementMm;
  const ofSide = edgeEngaged(op, cutter, radial);
  const { undercut, widthMm } = op.feature;
  // Under a slot it just fills a cutter is in one wall climbing and in the other against the feed.
  const bands =
    sidesAtOnce(undercut, widthMm, diameter) === 2
      ? [
          ...ofSide,
          ...edgeProfile(
            cutter,
            cut.axialDepthMm,
            Math.min(radial, diameter),
            cut.direction === 'climb' ? 'conventional' : 'climb',
          ),
        ]
      : ofSide;
  const plunging = op.path.strategy === 'plunge';
  // A plunge takes its chip along the axis, as thick as the feed.
  const chip = cut.feedPerToothMm * (plunging ? 1 : chipFactor(bands));
  const meanChip = cut.feedPerToothMm * (plunging ? 1 : meanChipFactor(bands));
  const { kc11, sources } = cuttingForceSources(op, context);
  const thin = thinChipSource(op, meanChip);
  const pitch = pitchAnglesDeg(cutter, teeth).map((a) => a * RAD);
  const { runoutUm, source: runout } = runoutSource(op, context);
  return {
    bands,
    pitch,
    steps: runoutSteps(pitch, runoutUm),
    ...forceLawOf(op, context, kc11, meanChip),
    kc11,
    chip,
    meanChip,
    diameter,
    runout,
    sources: thin ? [...sources, thin] : sources,
  };
}
