import type { Cutter } from '../../crib/cutter.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import type { Finishing } from '../../physics/path/finishing.ts';
import { stepoverForScallop } from '../../physics/surface/scallop.ts';
import { contactOf } from './engaged-edge.ts';
import type { OperationContext } from '../context.ts';
import type { MillingOperation } from './milling-operation.ts';

/** Stepover of a floor that is finished, over the diameter: each pass laps the last. */
const FLOOR_STEP = 0.65;
/** Depth of a wall pass at most, in diameters: longer the bend decides. */
const WALL_DEPTH = 2.5;
/** Level of a rib over its thickness: what is below still holds it. Judgement: thin walls are stepped by four thicknesses. */
const RIB_LEVEL = 4;
/** Corners are picked out in levels of a diameter, and in bites of a share of it, by how hard the alloy cuts. */
const CORNER_DEPTH = 1;
const CORNER_BITE = { hard: 0.05, soft: 0.1 } as const;
/** Ridge of a surface nobody has said more of, mm. */
const USUAL_SCALLOP = 0.005;
/** Stock of a wall beyond which it is shared, over the least that makes a chip; rule G-80. */
const ONE_PASS = 3;
const EDGE_RADII = 4;

/** Stock that still makes a chip and reaches under what the cutter before hardened, mm. */
export const leastStock = ({ alloy, cutter }: Pick<OperationContext, 'alloy' | 'cutter'>): number =>
  Math.max(
    (EDGE_RADII * (cutter.extended.edge_radius_um?.[1] ?? 10)) / 1000,
    alloy.work_hardening.hardened_layer_depth_mm.fresh_edge,
  );

/** Depth and width a finishing cut begins with, mm; the depth before it is divided into even levels. */
export function finishingEngagement(
  op: MillingOperation,
  context: OperationContext,
  finishing: Finishing,
): { readonly ap: number; readonly ae: number } {
  const { feature } = op;
  const { alloy, cutter } = context;
  const d = outerDiameter(cutter);
  const edge = cutter.properties.APMX ?? d;
  const hard = alloy.iso513_group === 'S' || alloy.iso513_group === 'H';
  switch (finishing.face) {
    case 'floor':
      return { ap: feature.depthMm, ae: Math.min(FLOOR_STEP * d, feature.widthMm) };
    case 'corner':
      return {
        ap: CORNER_DEPTH * d,
        ae: Math.min(feature.widthMm, CORNER_BITE[hard ? 'hard' : 'soft'] * d),
      };
    case 'surface': {
      const contact = contactOf(op, cutter);
      const step = contact
        ? Math.min(
            stepoverForScallop(
              Math.min(feature.scallopMm ?? USUAL_SCALLOP, contact.radiusMm),
              contact.radiusMm,
            ),
            contact.mostStepMm,
          )
        : FLOOR_STEP * d;
      return { ap: feature.depthMm, ae: Math.min(step, feature.widthMm) };
    }
    case 'rib':
      return { ap: Math.min(edge, d, RIB_LEVEL * (finishing.ribMm ?? 3)), ae: feature.widthMm };
    default: {
      const passes = feature.widthMm > ONE_PASS * Math.max(leastStock(context), 0.1) ? 2 : 1;
      return { ap: Math.min(edge, WALL_DEPTH * d), ae: feature.widthMm / passes };
    }
  }
}

/** Path along the floor that is finished together with its wall, mm. */
export const floorPath = (
  { floorAreaMm2, face }: Finishing,
  { cutter }: { readonly cutter: Cutter },
): number => (face === 'floor-and-wall' ? floorAreaMm2 / (FLOOR_STEP * outerDiameter(cutter)) : 0);
