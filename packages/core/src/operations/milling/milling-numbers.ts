import { depthNames } from './engaged-edge.ts';
import type { Quantity } from '../../judging/result.ts';
import { input } from '../../judging/limit.ts';
import { type Estimate, uncertain } from '../../judging/estimate.ts';
import { costBasis, costOfFeature } from '../cost.ts';
import { milledRa } from './limits/surface-finish.ts';
import { axisOverEdge } from '../../physics/path/undercut.ts';
import { featuresToOffset } from './finishing-loads.ts';
import type { MillingState } from './milling-state.ts';
import { lifeAndTime, loads, quantity, speedAndFeed } from '../numbers.ts';
import { HEAT_MODEL } from '../sources.ts';

const DEG = 180 / Math.PI;

/** Roughness a finishing cut is expected to leave. */
function surface(s: MillingState): Quantity {
  const { raUm, markMm } = milledRa(s);
  return quantity(
    'Ra',
    'Ra',
    'roughness',
    raUm,
    'um-fine',
    'Ra = k·0.257·Rz of the marks',
    'Martellotti 1941; judgement rule G-82',
    [input('f', 'feed a mark', markMm, 'mm/tooth')],
  );
}

/** The numbers of a milling cut a person reads, in the order they are read. */
export function millingNumbers(s: MillingState): Quantity[] {
  const { cut } = s.op;
  const [depth, width] = depthNames(s.op);
  const chipInputs = [
    input('fz', 'feed per tooth', cut.feedPerToothMm, 'mm/tooth'),
    input('ae', width, cut.radialEngagementMm, 'mm'),
    input('D', 'diameter in the cut', s.diameterInCutMm, 'mm'),
    input('φ', 'engagement angle', s.arc * DEG, 'deg'),
  ];
  return [
    ...speedAndFeed(s),
    quantity('fz', 'fz', 'feed per tooth', cut.feedPerToothMm, 'mm/tooth', 'fz = vf/(n·z)', 'ISO 3002-3', [
      input('vf', 'table feed', s.feedRateMmMin, 'mm/min'),
      input('n', 'spindle speed', s.speedRpm, 'rpm'),
      input('z', 'teeth', s.teeth, 'pieces'),
    ]),
    quantity('vf', 'vf', 'table feed', s.feedRateMmMin, 'mm/min', 'vf = n·z·fz', 'ISO 3002-3', [
      input('n', 'spindle speed', s.speedRpm, 'rpm'),
      input('z', 'teeth', s.teeth, 'pieces'),
      input('fz', 'feed per tooth', cut.feedPerToothMm, 'mm/tooth'),
    ]),
    quantity(
      'hex',
      'hex',
      'max chip thickness',
      s.chipMm,
      'mm-fine',
      'hex = fz·sin κ·sin φ, largest over the arc',
      'Martellotti 1941',
      chipInputs,
    ),
    quantity('ap', 'ap', depth, cut.axialDepthMm, 'mm', 'chosen', 'input'),
    quantity('ae', 'ae', width, cut.radialEngagementMm, 'mm', 'chosen', 'input'),
    ...ringFeed(s),
    quantity('Q', 'Q', 'metal removal rate', s.removalCm3Min, 'cm3/min', 'Q = ap·ae·vf/1000', 'ISO 3002-3', [
      input('ap', depth, cut.axialDepthMm, 'mm'),
      input('ae', width, cut.radialEngagementMm, 'mm'),
      input('vf', 'table feed', s.feedRateMmMin, 'mm/min'),
    ]),
    quantity(
      'hm',
      'hm',
      'mean chip thickness',
      s.meanChipMm,
      'mm-fine',
      'hm = fz·sin κ·(cos φ1 − cos φ2)/(φ2 − φ1)',
      'Martellotti 1941',
      chipInputs,
    ),
    ...(s.op.feature.allowanceMm > 0 ? [] : [surface(s)]),
    quantity(
      'arc',
      'φ',
      'engagement angle',
      s.arc * DEG,
      'deg',
      'φ = acos(1 − 2·ae/D)',
      'circle geometry',
      chipInputs.slice(1, 3),
    ),
    quantity(
      'F',
      'F',
      'peak radial force',
      s.sideForceN,
      'N',
      'F = √(Fx² + Fy²), largest per revolution',
      s.law.source,
      [
        input('Fx', 'mean feed force', s.turn.meanFx, 'N'),
        input('Fy', 'mean normal force', s.turn.meanFy, 'N'),
      ],
    ),
    ...loads(s),
    quantity(
      'lean',
      'δ',
      'deflection at tip',
      s.deflectionMm,
      'mm-deflection',
      'δ = Fn·(beam + clamp + holder + spindle)',
      'stepped beam on springs',
      [
        input('δ tool', 'tool bending', s.leanParts.tool, 'mm-deflection'),
        input('δ clamp', 'holder joint', s.leanParts.clamp, 'mm-deflection'),
        input('δ spindle', 'spindle and machine', s.leanParts.spindle, 'mm-deflection'),
      ],
    ),
    quantity(
      'theta',
      'ϑ',
      'cutting temperature',
      uncertain(s.heat.temperatureC, HEAT_MODEL),
      'degC',
      'ϑ = 20 + 0.4·u/(ρc)·(v·h/κ)^⅓·share reached in the arc',
      'Cook 1973; Carslaw & Jaeger 1959; Stephenson & Ali 1992',
      [
        input('t hot', 'in the cut per revolution', s.heat.heatingMs / 1000, 's-fine'),
        input('t cool', 'out of it', s.heat.coolingMs / 1000, 's-fine'),
        input('share', 'of the steady rise', s.heat.share, 'ratio'),
        input('ϑ∞', 'if it never left the cut', s.heat.steadyC, 'degC'),
      ],
    ),
    ...offsetNumber(s),
    ...lifeAndTime(s),
    costNumber(s),
  ];
}

/** Feed of the axis round a bore or a boss, where it is another than the edge's at the wall. */
function ringFeed({ op, context, feedRateMmMin }: MillingState): Quantity[] {
  const share = axisOverEdge(op.feature.undercut, context.cutter.properties.DC ?? 0);
  if (share === 1) return [];
  return [
    quantity(
      'vfc',
      'vf₀',
      'feed of the axis',
      feedRateMmMin * share,
      'mm/min',
      'vf₀ = vf·(Dring ∓ D)/Dring: this stands in the program',
      'arc geometry',
      [input('share', 'axis over edge', share, 'ratio')],
    ),
  ];
}

/** How long a finished size stands before somebody moves the offset. */
function offsetNumber(s: MillingState): Quantity[] {
  const features = featuresToOffset(s);
  return features
    ? [
        quantity(
          'offset',
          'No',
          'features until the offset moves',
          features,
          'pieces',
          'No = T·(¼·tolerance/tan 10°)/VB/t cut, a shift’s at most',
          'flank wear moves the edge back by the tangent of its clearance; judgement',
          [input('tolerance', 'of the wall', s.op.feature.wallToleranceMm, 'mm')],
        ),
      ]
    : [];
}

/** What one feature costs, in the shop's own money. */
function costNumber(s: MillingState): Quantity {
  const basis = costBasis(s.op, s.context);
  const minutes = { contact: s.minutes.contact, total: s.time.cutting + s.time.linking };
  const cost = costOfFeature(basis, minutes, s.lifeMin?.value ?? null);
  return quantity(
    'cost',
    'C',
    'cost per feature',
    s.lifeMin && cost.total > 0
      ? { value: cost.total, terms: scaledTerms(s.lifeMin, -cost.edges / cost.total) }
      : cost.total,
    'money',
    'C = t·rate + (t cut/T)·(edge + change·rate)',
    basis.assumed.length > 0 ? `default rates for: ${basis.assumed.join(', ')}` : 'entered by the shop',
    [
      input('rate', 'machine hour', basis.machinePerMin * 60, 'money'),
      input('edge', 'price per edge', basis.edgePrice, 'money'),
      input('t', 'time per feature', minutes.total, 'min'),
      input('edges', 'of it for edges', cost.edges, 'money'),
    ],
  );
}

const scaledTerms = (e: Estimate, weight: number): Estimate['terms'] =>
  e.terms.map((t) => ({ source: t.source, sensitivity: t.sensitivity * weight }));
