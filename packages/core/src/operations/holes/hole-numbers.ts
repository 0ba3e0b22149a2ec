import type { Quantity } from '../../judging/result.ts';
import { hasThread } from '../hole-operation.ts';
import { input } from '../../judging/limit.ts';
import { lifeAndTime, loads, quantity } from '../numbers.ts';
import type { HoleState } from './hole-state.ts';

/** What follows for every step: depth, load, size, life in holes and in metres, time. */
export function restOfHole(s: HoleState): Quantity[] {
  const { hole } = s.op;
  return [
    quantity(
      'depth',
      'L/D',
      'depth in diameters',
      hole.depthMm / hole.diameterMm,
      'ratio',
      'L/D',
      'geometry',
      [
        input('L', 'depth', hole.depthMm, 'mm'),
        input('D', hasThread(s.op) ? 'thread' : 'hole', hole.diameterMm, 'mm'),
      ],
    ),
    ...loads(s),
    ...(s.sizeErrorMm
      ? [
          quantity(
            'size',
            'ΔD',
            'size may be off',
            s.sizeErrorMm,
            'mm-fine',
            'what tool and machine do to the diameter',
            'ISO 286-1; judgement rules G-66, G-81',
          ),
        ]
      : []),
    ...lifeAndTime(s),
  ];
}
