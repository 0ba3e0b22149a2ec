import { isHole } from './hole-operation.ts';
import type { Quantity } from '../judging/result.ts';
import { input } from '../judging/limit.ts';
import { bandOf, type Estimate, exact } from '../judging/estimate.ts';
import type { Unit } from '../units/unit.ts';
import type { CutState } from './cut-state.ts';

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
  quantity('P', 'P', 'spindle power', s.powerKw, 'kW', 'P = 2π·n·M/(60 000·η)', 'Kienzle & Victor 1957', [
    input('M', 'mean torque', s.torqueNm.value, 'Nm'),
    input('n', 'spindle speed', s.speedRpm, 'rpm'),
    input('η', 'drive efficiency', 0.8, 'ratio'),
  ]),
  quantity('M', 'M', 'torque', s.torqueNm, 'Nm', 'M = ΣFt·D/2, mean per revolution', 'Altintas 2012', [
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
        'tool life, length cut',
        { value: (s.lifeMin.value * s.feedRateMmMin) / 1000, terms: s.lifeMin.terms },
        'm',
        'Lf = T·vf',
        'extended Taylor',
        [
          input('T', 'tool life', s.lifeMin.value, 'min-life'),
          input('vf', 'feed', s.feedRateMmMin, 'mm/min'),
        ],
      ),
    );
  }
  if (s.lifeMin) {
    list.push(
      quantity(
        'T',
        'T',
        'tool life',
        s.lifeMin,
        'min-life',
        'T = 30·(vc30 here/vc)^(1/n)',
        'extended Taylor',
        [
          input('vc', 'cutting speed', s.cuttingSpeedMMin, 'm/min'),
          input('vc15', 'vc for 15 min tool life', s.speedLimitMMin?.value ?? 0, 'm/min'),
        ],
      ),
    );
  }
  list.push(
    quantity(
      't',
      't',
      'cycle time per feature',
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
  quantity('fn', 'fn', 'feed per revolution', s.op.cut.feedPerRevMm, 'mm/rev', 'fn = vf/n', 'ISO 3002-3', [
    input('vf', 'feed', s.feedRateMmMin, 'mm/min'),
    input('n', 'spindle speed', s.speedRpm, 'rpm'),
  ]),
  quantity('vf', 'vf', 'feed', s.feedRateMmMin, 'mm/min', 'vf = n·fn', 'ISO 3002-3', [
    input('n', 'spindle speed', s.speedRpm, 'rpm'),
    input('fn', 'feed per revolution', s.op.cut.feedPerRevMm, 'mm/rev'),
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
