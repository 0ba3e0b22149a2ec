import { isHole } from '../domain/hole-operation.ts';
import type { Quantity } from '../domain/evaluation.ts';
import { input } from '../limits/limit.ts';
import { bandOf, type Estimate, exact, type Source, uncertain } from '../uncertainty/estimate.ts';
import type { Unit } from '../units/unit.ts';
import { costBasis, costOfFeature } from './cost.ts';
import type { CutState } from './cut-state.ts';
import type { DrillingState } from './drilling-state.ts';
import type { MillingState } from './milling-state.ts';

const DEG = 180 / Math.PI;

/** Cook's steady rise against thermocouples. */
const HEAT_MODEL: Source = {
  id: 'heat-model',
  label: 'contact temperature model',
  kind: 'model',
  sigma: 0.12,
  narrowBy: 'compare wear at two engagements',
};

/** A number with its band and how it came about. */
export function quantity(
  key: string,
  symbol: string,
  name: string,
  value: Estimate | number,
  unit: Unit,
  formula: string,
  source: string,
  inputs: Quantity['inputs'] = [],
): Quantity {
  const estimate = typeof value === 'number' ? exact(value) : value;
  return { key, symbol, name, unit, formula, source, inputs, ...bandOf(estimate) };
}

export const speedAndFeed = (s: CutState): Quantity[] => [
  quantity('n', 'n', 'spindle speed', s.speedRpm, 'rpm', 'n = 1000·vc/(π·D)', 'ISO 3002-1', [
    input('vc', 'cutting speed', s.cuttingSpeedMMin, 'm/min'),
    input('D', 'diameter in the cut', s.diameterInCutMm, 'mm'),
  ]),
  quantity('vc', 'vc', 'cutting speed', s.cuttingSpeedMMin, 'm/min', 'vc = π·D·n/1000', 'ISO 3002-1', [
    input('D', 'diameter in the cut', s.diameterInCutMm, 'mm'),
    input('n', 'spindle speed', s.speedRpm, 'rpm'),
  ]),
];

export const loads = (s: CutState): Quantity[] => [
  quantity(
    'P',
    'P',
    'power at the spindle',
    s.powerKw,
    'kW',
    'P = 2π·n·M/(60 000·η)',
    'Kienzle & Victor 1957',
    [
      input('M', 'mean torque', s.torqueNm.value, 'Nm'),
      input('n', 'spindle speed', s.speedRpm, 'rpm'),
      input('η', 'drive efficiency', 0.8, 'ratio'),
    ],
  ),
  quantity('M', 'M', 'torque', s.torqueNm, 'Nm', 'M = ΣFt·D/2, mean over a turn', 'Altintas 2012', [
    input('D', 'diameter in the cut', s.diameterInCutMm, 'mm'),
  ]),
];

export function lifeAndTime(s: CutState): Quantity[] {
  const list: Quantity[] = [];
  if (s.lifeMin && isHole(s.op)) {
    list.push(
      quantity(
        'metres',
        'Lf',
        'life in metres',
        { value: (s.lifeMin.value * s.feedRateMmMin) / 1000, terms: s.lifeMin.terms },
        'm',
        'Lf = T·vf',
        'extended Taylor',
        [input('T', 'edge life', s.lifeMin.value, 'min'), input('vf', 'feed', s.feedRateMmMin, 'mm/min')],
      ),
    );
  }
  if (s.lifeMin) {
    list.push(
      quantity('T', 'T', 'edge life', s.lifeMin, 'min', 'T = 30·(vc30 here/vc)^(1/n)', 'extended Taylor', [
        input('vc', 'cutting speed', s.cuttingSpeedMMin, 'm/min'),
        input('vc15', 'speed for 15 minutes here', s.speedLimitMMin?.value ?? 0, 'm/min'),
      ]),
    );
  }
  list.push(
    quantity(
      't',
      't',
      'time for one',
      s.time.cutting + s.time.linking,
      'min',
      't = path/vf + way back and approach',
      'cycle model',
      [
        input('t cut', 'in the cut', s.time.cutting, 'min'),
        input('t air', 'moving in the air', s.time.linking, 'min'),
        input('vf', 'feed', s.feedRateMmMin, 'mm/min'),
      ],
    ),
  );
  return list;
}

/** Feed of a tool that goes down its axis. */
export const axialFeed = (
  s: CutState & { readonly op: { readonly cut: { readonly feedPerRevMm: number } } },
): Quantity[] => [
  quantity('fn', 'fn', 'feed per turn', s.op.cut.feedPerRevMm, 'mm/rev', 'fn = vf/n', 'ISO 3002-3', [
    input('vf', 'feed', s.feedRateMmMin, 'mm/min'),
    input('n', 'spindle speed', s.speedRpm, 'rpm'),
  ]),
  quantity('vf', 'vf', 'feed', s.feedRateMmMin, 'mm/min', 'vf = n·fn', 'ISO 3002-3', [
    input('n', 'spindle speed', s.speedRpm, 'rpm'),
    input('fn', 'feed per turn', s.op.cut.feedPerRevMm, 'mm/rev'),
  ]),
];

/** Feed of a mill that runs round a hole: at the edge, and what the program says at the centre. */
export const edgeFeed = (
  s: CutState & { readonly op: { readonly cut: { readonly feedPerToothMm: number } } },
  teeth: number,
  edgeFeedMmMin: number,
  centreShare: number | null,
): Quantity[] => [
  quantity(
    'fz',
    'fz',
    'feed per tooth at the edge',
    s.op.cut.feedPerToothMm,
    'mm/tooth',
    'fz = vf/(n·z)',
    'ISO 3002-3',
    [input('z', 'teeth', teeth, 'pieces')],
  ),
  quantity('vf', 'vf', 'feed at the edge', edgeFeedMmMin, 'mm/min', 'vf = n·z·fz', 'ISO 3002-3', [
    input('n', 'spindle speed', s.speedRpm, 'rpm'),
  ]),
  quantity(
    'vfc',
    'vf₀',
    'feed of the centre',
    s.feedRateMmMin,
    'mm/min',
    'vf₀ = vf·(D − Dc)/D: this stands in the program',
    'arc geometry',
    centreShare === null ? [] : [input('share', 'centre over edge', centreShare, 'ratio')],
  ),
];

/** The numbers of a milling cut a person reads, in the order they are read. */
export function millingNumbers(s: MillingState): Quantity[] {
  const { cut } = s.op;
  const chipInputs = [
    input('fz', 'feed per tooth', cut.feedPerToothMm, 'mm/tooth'),
    input('ae', 'radial engagement', cut.radialEngagementMm, 'mm'),
    input('D', 'diameter in the cut', s.diameterInCutMm, 'mm'),
    input('φ', 'arc of contact', s.arc * DEG, 'deg'),
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
      'thickest chip',
      s.chipMm,
      'mm-fine',
      'hex = fz·sin κ·sin φ, largest over the arc',
      'Martellotti 1941',
      chipInputs,
    ),
    quantity('ap', 'ap', 'axial depth', cut.axialDepthMm, 'mm', 'chosen', 'input'),
    quantity('ae', 'ae', 'radial engagement', cut.radialEngagementMm, 'mm', 'chosen', 'input'),
    quantity('Q', 'Q', 'metal per minute', s.removalCm3Min, 'cm3/min', 'Q = ap·ae·vf/1000', 'ISO 3002-3', [
      input('ap', 'axial depth', cut.axialDepthMm, 'mm'),
      input('ae', 'radial engagement', cut.radialEngagementMm, 'mm'),
      input('vf', 'table feed', s.feedRateMmMin, 'mm/min'),
    ]),
    quantity(
      'hm',
      'hm',
      'mean chip',
      s.meanChipMm,
      'mm-fine',
      'hm = fz·sin κ·(cos φ1 − cos φ2)/(φ2 − φ1)',
      'Martellotti 1941',
      chipInputs,
    ),
    quantity(
      'arc',
      'φ',
      'arc of contact',
      s.arc * DEG,
      'deg',
      'φ = acos(1 − 2·ae/D)',
      'circle geometry',
      chipInputs.slice(1, 3),
    ),
    quantity(
      'F',
      'F',
      'peak side force',
      s.sideForceN,
      'N',
      'F = √(Fx² + Fy²), largest in a turn',
      s.law.source,
      [
        input('Fx', 'mean along the feed', s.turn.meanFx, 'N'),
        input('Fy', 'mean on the wall', s.turn.meanFy, 'N'),
      ],
    ),
    ...loads(s),
    quantity(
      'lean',
      'δ',
      'lean at the tip',
      s.leanMm,
      'mm-fine',
      'δ = Fn·(beam + clamp + holder + spindle)',
      'stepped beam on springs',
      [
        input('δ tool', 'bend of the tool', s.leanParts.tool, 'mm-fine'),
        input('δ clamp', 'joint in the holder', s.leanParts.clamp, 'mm-fine'),
        input('δ spindle', 'spindle and machine', s.leanParts.spindle, 'mm-fine'),
      ],
    ),
    quantity(
      'theta',
      'ϑ',
      'contact temperature',
      uncertain(s.heat.temperatureC, HEAT_MODEL),
      'degC',
      'ϑ = 20 + 0.4·u/(ρc)·(v·h/κ)^⅓·share reached in the arc',
      'Cook 1973; Carslaw & Jaeger 1959; Stephenson & Ali 1992',
      [
        input('t hot', 'in the cut each turn', s.heat.heatingMs / 1000, 's-fine'),
        input('t cool', 'out of it', s.heat.coolingMs / 1000, 's-fine'),
        input('share', 'of the steady rise', s.heat.share, 'ratio'),
        input('ϑ∞', 'if it never left the cut', s.heat.steadyC, 'degC'),
      ],
    ),
    ...lifeAndTime(s),
    costNumber(s),
  ];
}

/** What one feature costs, in the shop's own money. */
function costNumber(s: MillingState): Quantity {
  const basis = costBasis(s.op, s.context);
  const minutes = { contact: s.minutes.contact, total: s.time.cutting + s.time.linking };
  const cost = costOfFeature(basis, minutes, s.lifeMin?.value ?? null);
  return quantity(
    'cost',
    'C',
    'cost of one',
    s.lifeMin && cost.total > 0
      ? { value: cost.total, terms: scaledTerms(s.lifeMin, -cost.edges / cost.total) }
      : cost.total,
    'money',
    'C = t·rate + (t cut/T)·(edge + change·rate)',
    basis.assumed.length > 0 ? `usual figures for: ${basis.assumed.join(', ')}` : 'stated by the shop',
    [
      input('rate', 'machine hour', basis.machinePerMin * 60, 'money'),
      input('edge', 'price of an edge', basis.edgePrice, 'money'),
      input('t', 'minutes of one', minutes.total, 'min'),
      input('edges', 'of it for edges', cost.edges, 'money'),
    ],
  );
}

const scaledTerms = (e: Estimate, weight: number): Estimate['terms'] =>
  e.terms.map((t) => ({ source: t.source, sensitivity: t.sensitivity * weight }));

/** The numbers of a drilled hole a person reads. */
export function drillingNumbers(s: DrillingState): Quantity[] {
  const { hole } = s.op;
  return [
    ...speedAndFeed(s),
    ...axialFeed(s),
    quantity('depth', 'L/D', 'depth in diameters', s.depthClass, 'ratio', 'L/D', 'geometry', [
      input('L', 'depth', hole.depthMm, 'mm'),
      input('D', 'drill', s.diameterInCutMm, 'mm'),
    ]),
    quantity(
      'pecks',
      'k',
      'strokes',
      s.pecks.length,
      'pieces',
      'first stroke by reach, then shorter',
      'judgement rule G-60',
      [input('reach', 'diameters in one stroke', s.reachDiameters, 'ratio')],
    ),
    quantity('Q', 'Q', 'metal per minute', s.removalCm3Min, 'cm3/min', 'Q = π/4·D²·vf/1000', 'ISO 3002-3', [
      input('D', 'drill', s.diameterInCutMm, 'mm'),
      input('vf', 'feed', s.feedRateMmMin, 'mm/min'),
    ]),
    quantity(
      'Ff',
      'Ff',
      'thrust',
      s.thrustN,
      'N',
      'Ff = 2·kf·b·h^(1−m)·sin κ + chisel edge',
      'Kienzle on two lips; wedge of the chisel edge after Mauch & Lauderbaugh 1990',
      [
        input('h', 'chip', s.forces.chipMm, 'mm-fine'),
        input('b', 'lip', s.forces.lipWidthMm, 'mm'),
        input('lips', 'pushed by the lips', s.forces.lipThrustN, 'N'),
        input('chisel', 'pushed by the chisel edge', s.chisel.thrustN, 'N'),
      ],
    ),
    quantity(
      'M',
      'M',
      'torque at the bottom',
      s.bottomTorqueNm,
      'Nm',
      'M = 2·Fc·D/4·k packing',
      'Kienzle on two lips',
      [
        input('Fc', 'force on a lip', s.forces.forcePerLipN, 'N'),
        input('chisel', 'of it the chisel edge', s.chisel.torqueNm, 'Nm'),
        input('k', 'chip packing', s.packingFactor, 'ratio'),
      ],
    ),
    quantity(
      'P',
      'P',
      'power at the spindle',
      s.powerKw,
      'kW',
      'P = 2π·n·M/(60 000·η)',
      'Kienzle & Victor 1957',
      [input('M', 'torque at the bottom', s.bottomTorqueNm.value, 'Nm')],
    ),
    quantity(
      'u',
      'u',
      'specific work',
      s.specificWork,
      'J/mm3',
      'u = (2π·M + Ff·fn)/(area·fn)',
      'lips and chisel edge together',
      [
        input('M', 'torque', s.torqueNm.value / s.packingFactor, 'Nm'),
        input('Ff', 'thrust', s.thrustN.value, 'N'),
      ],
    ),
    quantity(
      'theta',
      'ϑ',
      'lip at the bottom',
      uncertain(s.heat.at(Math.max(...s.strokes.map((k) => k.endsWith))), HEAT_MODEL),
      'degC',
      'ϑ = steady rise·(1 + share a diameter of chips)',
      'Cook 1973; shares assumed',
      [input('mouth', 'just below the surface', s.heat.atMouthC, 'degC')],
    ),
    quantity(
      'drift',
      'e',
      'axis runs off',
      s.driftMm,
      'mm-fine',
      'drift·L·(L/3D)·guide + lean at the start·L',
      'judgement rules G-61, G-67; magnitude assumed',
      [input('F', 'push at the slope', s.sideN, 'N')],
    ),
    quantity(
      'p',
      'p',
      'pressure at the point',
      s.throughBar,
      'bar',
      'machine and drill, when both pass it',
      'records',
    ),
    ...lifeAndTime(s),
  ];
}
