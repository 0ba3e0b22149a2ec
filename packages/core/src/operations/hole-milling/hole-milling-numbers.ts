import type { Quantity } from '../../judging/result.ts';
import { input } from '../../judging/limit.ts';
import { edgeFeed, quantity, speedAndFeed } from '../numbers.ts';
import { restOfHole } from '../holes/hole-numbers.ts';
import type { HoleMillingState } from './hole-milling-state.ts';

/** The numbers of a hole milled on a helix. */
export const holeMillingNumbers = (s: HoleMillingState): Quantity[] => {
  const { bore } = s;
  const lastHelix = bore.helices.at(-1)!;
  return [
    ...speedAndFeed(s),
    ...edgeFeed(s, s.teeth, s.last.feedRateMmMin, lastHelix.centreShare),
    quantity('pitch', 'p', 'pitch per revolution', s.op.cut.pitchMm, 'mm', 'chosen', 'input'),
    quantity(
      'ramp',
      'α',
      'slope of the helix',
      bore.helices[0]!.rampDeg,
      'deg',
      'α = atan(p/(π·(Dm − Dc)))',
      'helix on the centre’s path',
      [input('p', 'pitch per revolution', s.op.cut.pitchMm, 'mm')],
    ),
    quantity('helices', 'k', 'helices', bore.helices.length, 'pieces', 'from the middle outwards', 'plan', [
      input('post', 'core left', bore.coreMm, 'mm'),
    ]),
    quantity('hex', 'hex', 'max chip thickness', s.chipMm, 'mm-fine', 'hex = fz·sin φ', 'Martellotti 1941', [
      input('ae', 'same arc as a straight', lastHelix.stepoverMm, 'mm'),
    ]),
    quantity(
      'lean',
      'δ',
      'deflection at tip',
      s.last.deflectionMm,
      'mm-deflection',
      'δ = Fn·compliance',
      'stepped beam',
      [input('left', 'left after spring passes', s.leftShare, 'ratio')],
    ),
    ...restOfHole(s),
  ];
};
