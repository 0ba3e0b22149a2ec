import type { MillingState } from '../milling-state.ts';
import { edgeEngaged } from '../engaged-edge.ts';
import { helixOf } from '../force-law-of.ts';
import { chipFactor } from '../../../physics/cutting/edge-profile.ts';
import { type SpringPass, springPasses } from '../../../physics/structure/spring-pass.ts';
import { supportCompliance } from '../../../physics/structure/support-compliance.ts';
import { toolBeam } from '../../../physics/structure/tool-beam.ts';
import { type LeaningTool, type WallProfile, wallProfile } from '../../../physics/structure/wall-profile.ts';

export interface WallDetail {
  readonly profile: WallProfile;
  /** Passes repeated on the same line, one after the other. */
  readonly springs: readonly SpringPass[];
  /** Height of the feed marks is not counted: bend only. */
  readonly allowedMm: number;
}

/** Spring passes looked at. */
const LOOKED_AT = 3;
/** Edge radii under which nothing is sheared; rule G-02. */
const SHEARS = 0.5;

function leaningTool({ op, context, diameterInCutMm }: MillingState): LeaningTool {
  const shank = context.cutter.properties.DCONMS ?? diameterInCutMm;
  return {
    segments: toolBeam(context.cutter, op.tooling.stickOutMm, context.substrate.E_gpa),
    support: (lever) => {
      const give = supportCompliance(context.machine, context.holder, shank, lever, 'y');
      return give.clamp + give.holderBody + give.spindle;
    },
  };
}

/** Error along the wall's height of this cut, and what spring passes would make of it. */
export function wallOf(state: MillingState): WallDetail {
  const { op, context, bands, pitch, law } = state;
  const tool = leaningTool(state);
  const cutOf = (edges: typeof bands) => ({
    bands: edges,
    pitch,
    helix: helixOf(context),
    feedPerToothMm: op.cut.feedPerToothMm,
    axialDepthMm: op.cut.axialDepthMm,
    direction: op.cut.direction,
  });
  const profile = wallProfile(cutOf(bands), law, tool);
  const worst = Math.max(Math.abs(profile.largestMm), Math.abs(profile.smallestMm));
  const narrow = (width: number) => edgeEngaged(op, context.cutter, width);
  // Lean of a spring pass over its width, from two widths: a power law between them.
  const leanAt = (width: number): number => {
    const edges = narrow(width);
    if (edges.length === 0) return 0;
    const p = wallProfile(cutOf(edges), law, tool, 8);
    return Math.max(Math.abs(p.largestMm), Math.abs(p.smallestMm));
  };
  const [wide, thin] = [Math.max(worst, 1e-4), Math.max(worst, 1e-4) / 8];
  const [leanWide, leanThin] = [leanAt(wide), leanAt(thin)];
  const exponent = leanThin > 0 && leanWide > 0 ? Math.log(leanWide / leanThin) / Math.log(wide / thin) : 1;
  const lean = (width: number): number => leanWide * (width / wide) ** Math.max(0.1, exponent);
  const edge = (context.cutter.extended.edge_radius_um?.[1] ?? 10) / 1000;
  return {
    profile,
    springs: springPasses(
      Math.max(0, profile.largestMm),
      LOOKED_AT,
      1,
      lean,
      (width) => op.cut.feedPerToothMm * chipFactor(narrow(width)),
      SHEARS * edge,
    ),
    allowedMm: op.feature.allowanceMm > 0 ? op.feature.allowanceMm / 2 : op.feature.wallToleranceMm,
  };
}
