import { edgeInCut } from '../engaged-edge.ts';
import { measure, say, type Sentence } from '../../../units/sentence.ts';
import type { MillingState } from '../milling-state.ts';
import { heatOf } from '../milling-state.ts';
import { millingLife, SHORTEST_LIFE_MIN } from '../../life-state.ts';
import { cuttingForceSources } from '../../sources.ts';
import { outerDiameter } from '../../../crib/cutter.ts';
import { costBasis } from '../../cost.ts';
import { economicLife, type EconomicLife } from '../../../physics/life/economic-life.ts';

export interface HeatPoint {
  /** Arc of contact, degrees. */
  readonly arcDeg: number;
  readonly radialMm: number;
  /** Speed that lasts a quarter of an hour at this engagement and an equal chip, m/min; middle and 10%. */
  readonly lifeSpeedMMin: number | null;
  readonly lifeSpeedLowMMin: number | null;
  /** Speed at which the contact is as hot as this cut's at its own limit, m/min. */
  readonly heatSpeedMMin: number;
  /** Temperature at this cut's own speed, °C. */
  readonly temperatureC: number;
}

export interface HeatCurve {
  readonly points: readonly HeatPoint[];
  readonly here: HeatPoint;
  readonly economic: EconomicLife | null;
  /** Why the speed may rise when the arc narrows, in one sentence. */
  readonly reason: Sentence;
}

const DEG = 180 / Math.PI;
/** Narrowest engagement drawn, over the diameter. */
const NARROWEST = 0.02;
const POINTS = 28;
/** A speed beyond this many times today's is not a promise; the curve is held there. */
const MOST_TIMES = 4;

/** Allowed speed over the engagement angle at an equal chip: from the life model, and from equal cutting temperature. */
export function heatCurve(state: MillingState): HeatCurve {
  const { op, context, bands, cuttingSpeedMMin: vc, chipMm, diameterInCutMm: diameter } = state;
  const { kc11 } = cuttingForceSources(op, context);
  const reference = outerDiameter(context.cutter);
  const heat = (arc: number, speed: number): number =>
    heatOf(op, context, {
      vc: speed,
      diameter,
      arc,
      chip: chipMm,
      kc11,
      edgeMm: edgeInCut(op, bands),
    }).temperatureC;
  const limitSpeed = state.speedLimitMMin?.value ?? vc;
  const limitC = heat(state.arc, limitSpeed);
  const at = (radial: number): HeatPoint => {
    const arc = Math.acos(1 - (2 * Math.min(radial, diameter)) / diameter);
    const life = millingLife(
      op,
      context,
      {
        chipMm,
        radialOverDiameter: radial / reference,
        axialOverDiameter: op.cut.axialDepthMm / reference,
      },
      vc,
    );
    let [low, high] = [1, MOST_TIMES * limitSpeed];
    for (let i = 0; i < 24; i++) {
      const middle = (low + high) / 2;
      if (heat(arc, middle) < limitC) low = middle;
      else high = middle;
    }
    const limit = life?.speedLimitMMin ?? null;
    const spread = limit
      ? Math.exp(1.28155 * Math.hypot(...limit.terms.map((t) => t.sensitivity * t.source.sigma)))
      : 1;
    return {
      arcDeg: arc * DEG,
      radialMm: radial,
      lifeSpeedMMin: limit?.value ?? null,
      lifeSpeedLowMMin: limit ? limit.value / spread : null,
      heatSpeedMMin: low,
      temperatureC: heat(arc, vc),
    };
  };
  const points = Array.from({ length: POINTS }, (_, i) =>
    at(diameter * NARROWEST * (1 / NARROWEST) ** (i / (POINTS - 1))),
  );
  const model = context.alloy.taylor_milling_coated_carbide;
  const basis = costBasis(op, context);
  const { heatingMs, coolingMs, share, temperatureC } = state.heat;
  return {
    points,
    here: at(Math.min(op.cut.radialEngagementMm, diameter)),
    economic: model
      ? economicLife(
          model.n,
          limitSpeed * SHORTEST_LIFE_MIN ** model.n,
          basis.edgeChangeMin,
          basis.edgePrice,
          basis.machinePerMin,
        )
      : null,
    reason: say(
      `Each revolution the edge heats for ${heatingMs.toPrecision(2)} ms and cools for ${coolingMs.toPrecision(2)} ms, so it reaches ` +
        `${(share * 100).toFixed(0)}% of the steady rise: about {0}. ` +
        'A smaller engagement angle heats it for a shorter time, so the same temperature comes at a higher speed.',
      measure(temperatureC, 'degC'),
    ),
  };
}
