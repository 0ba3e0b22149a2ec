import type { Quantity } from '../../judging/result.ts';
import { input } from '../../judging/limit.ts';
import { uncertain } from '../../judging/estimate.ts';
import type { DrillingState } from './drilling-state.ts';
import { axialFeed, lifeAndTime, quantity, speedAndFeed } from '../numbers.ts';
import { HEAT_MODEL } from '../sources.ts';

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
    quantity('pecks', 'k', 'pecks', s.pecks.length, 'pieces', 'first peck longest', 'judgement rule G-60', [
      input('reach', 'peck depth over diameter', s.reachDiameters, 'ratio'),
    ]),
    quantity('Q', 'Q', 'metal removal rate', s.removalCm3Min, 'cm3/min', 'Q = π/4·D²·vf/1000', 'ISO 3002-3', [
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
      'torque at full depth',
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
    quantity('P', 'P', 'spindle power', s.powerKw, 'kW', 'P = 2π·n·M/(60 000·η)', 'Kienzle & Victor 1957', [
      input('M', 'torque at full depth', s.bottomTorqueNm.value, 'Nm'),
    ]),
    quantity(
      'u',
      'u',
      'specific cutting energy',
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
      'lip temperature at full depth',
      uncertain(s.heat.at(Math.max(...s.loaded.map((k) => k.endsWith))), HEAT_MODEL),
      'degC',
      'ϑ = steady rise·(1 + share a diameter of chips)',
      'Cook 1973; shares assumed',
      [input('mouth', 'just below the surface', s.heat.atMouthC, 'degC')],
    ),
    quantity(
      'drift',
      'e',
      'hole drift',
      s.driftMm,
      'mm-fine',
      'drift·L·(L/3D)·guide + tilt at the start·L',
      'judgement rules G-61, G-67; magnitude assumed',
      [input('F', 'push at the slope', s.sideN, 'N')],
    ),
    quantity(
      'p',
      'p',
      'coolant pressure at tip',
      s.throughBar,
      'bar',
      'machine and drill, when both pass it',
      'records',
    ),
    ...lifeAndTime(s),
  ];
}
