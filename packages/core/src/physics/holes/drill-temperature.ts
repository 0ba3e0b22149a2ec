import { contactTemperature, type ThermalPair } from '../heat/contact-temperature.ts';

/** Part of the rise added by each diameter of chips between point and coolant. */
const PER_DIAMETER = { through: 0.02, outside: 0.06 } as const;
/** Part of the rise coolant leaves at the point: more of it gets there through the tool. */
const COOLED = { through: 0.8, outside: 0.9 } as const;
/** Diameter whose speed stands for the lip: half of the hole's area lies outside it. */
const LIP_MEAN = 0.7;
const ROOM_C = 20;

export interface DrillHeat {
  /** Contact at the lip just below the surface, °C. */
  readonly atMouthC: number;
  /** The same under a column of chips this many diameters long, °C. */
  at(column: number): number;
}

/**
 * Contact temperature at the drill's lip. It never leaves the cut, so the steady rise counts; chips between it and
 * the coolant add a share for every diameter, more where coolant has to come down beside them. Shares are assumed.
 */
export function drillHeat(
  cut: {
    readonly speedMMin: number;
    readonly diameterMm: number;
    readonly chipMm: number;
    readonly lipMm: number;
  },
  pair: ThermalPair,
  coolantThrough: boolean,
): DrillHeat {
  const { steadyC } = contactTemperature(
    {
      speedMMin: LIP_MEAN * cut.speedMMin,
      diameterMm: cut.diameterMm,
      arc: 2 * Math.PI,
      chipMm: cut.chipMm,
      edgeLengthMm: cut.lipMm,
    },
    pair,
  );
  const kind = coolantThrough ? 'through' : 'outside';
  const rise = (steadyC - ROOM_C) * COOLED[kind];
  return {
    atMouthC: ROOM_C + rise,
    at: (column) => ROOM_C + rise * (1 + PER_DIAMETER[kind] * column),
  };
}
