import { heldOf } from '../held-of.ts';
import type { MillingState } from '../milling-state.ts';
import { ROOM_C } from '../../../physics/holding/holding-model.ts';
import { HOLDINGS } from '../../../physics/holding/holdings.ts';
import { FILM, INTO_PART } from '../../part-heat.ts';
import { clearedArea } from '../../../physics/path/feature-geometry.ts';
import { scale, sensitiveTo, type Source } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

/** Metal around and under the feature that warms with it, mm. */
const AROUND = 10;

const HEAT_SHARE: Source = {
  id: 'heat-into-part',
  label: 'share of the heat that stays in the part',
  kind: 'assumed',
  sigma: 0.4,
  narrowBy: 'read the part’s temperature after one feature',
};

/**
 * Adhesive softens and vacuum seals leak as the part warms: its mean temperature after one feature, the metal around the
 * feature being one lump that its surface cools (valid while the part is small or metal conducts well).
 */
export const workholdingHeatLimit: Limit<MillingState> = {
  id: 'workholding-heat',
  group: 'strength',
  name: 'workholding temperature',
  asks: 'forces',
  assess({ op, context, torqueNm, minutes }) {
    const { alloy } = context;
    const { feature } = op;
    const workholding = heldOf(op, context);
    const release = workholding.releaseC ?? HOLDINGS[workholding.kind].releaseC({});
    if (release === null) return null;
    const watts = (torqueNm.value * 2 * Math.PI * op.cut.speedRpm) / 60;
    const around =
      (feature.lengthMm + 2 * AROUND) * (feature.widthMm + 2 * AROUND) * (feature.depthMm + AROUND) -
      clearedArea(feature) * feature.depthMm;
    const capacity = Math.max(1, around) * 1e-9 * alloy.density_kg_m3 * (alloy.specific_heat_j_kgk ?? 480);
    const [l, w, d] = [feature.lengthMm + 2 * AROUND, feature.widthMm + 2 * AROUND, feature.depthMm + AROUND];
    const cooled = FILM[op.coolant] * (l * w + 2 * d * (l + w)) * 1e-6;
    const settled = (watts * INTO_PART) / cooled;
    const rise = settled * (1 - Math.exp((-minutes.contact * 60 * cooled) / capacity));
    const estimate = sensitiveTo(scale(torqueNm, rise / Math.max(1e-9, torqueNm.value)), HEAT_SHARE, 1);
    return {
      predicted: { estimate: { value: ROOM_C + rise, terms: estimate.terms }, unit: 'degC' },
      allowed: {
        value: release,
        unit: 'degC',
        from: workholding.releaseC === null ? `usual for ${workholding.kind}` : 'declared',
      },
      ...used(estimate, release - ROOM_C),
      why: () =>
        say(
          `Part reaches about {0} in one feature; ${workholding.kind} releases near {1}.`,
          measure(ROOM_C + rise, 'degC'),
          measure(release, 'degC'),
        ),
      formula: 'ΔT = 0.2·P/(h·A)·(1 − exp(−t·h·A/(ρ·c·V)))',
      inputs: () => [
        input('P', 'cutting power', watts / 1000, 'kW'),
        input('t', 'in the cut', minutes.contact, 'min'),
        input('h', 'film on the surface, W/(m²·K)', FILM[op.coolant], 'ratio'),
        input('ΔT', 'rise of the part', rise, 'K'),
      ],
      source: 'heat balance of the metal around the feature as one lump; share after Shaw 2005',
    };
  },
};
