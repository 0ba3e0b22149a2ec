import type { DrillingState } from '../drilling-state.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

/** Flutes have to come full retract, and the holder must not touch. */
export const drillReachLimit: Limit<DrillingState> = {
  id: 'drill-reach',
  group: 'cutter',
  name: 'reach',
  assess({ op: { hole, tooling }, context: { cutter } }) {
    const point = hole.through ? (cutter.properties.PL ?? 0) + 1 : 0;
    const depth = hole.depthMm + point;
    const usable = cutter.properties.LU ?? Infinity;
    const reach = Math.min(usable, tooling.stickOutMm - 2);
    return {
      predicted: { estimate: exact(depth), unit: 'mm' },
      allowed: {
        value: reach,
        unit: 'mm',
        from: usable < tooling.stickOutMm - 2 ? `${cutter.name}, LU` : 'stick-out less 2 mm',
      },
      ...used(exact(depth), reach),
      why: () => say('Depth {0}; reach {1}.', measure(depth, 'mm'), measure(reach, 'mm')),
      formula: 'depth (+ point + 1 when through) ≤ smaller of LU and stick-out − 2',
      inputs: () => [
        input('depth', 'hole depth', hole.depthMm, 'mm'),
        input('LU', 'usable length', usable, 'mm'),
      ],
      source: 'cutter record (ISO 13399)',
    };
  },
};
