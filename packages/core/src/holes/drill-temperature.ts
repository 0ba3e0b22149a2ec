import { contactTemperature, type ThermalPair } from '../heat/contact-temperature.ts';

/** Part of the rise added by each diameter of chips between point and coolant. */
const PER_DIAMETER = { through: 0.02, outside: 0.06 } as const;
const ROOM_C = 20;

export interface DrillHeat {
  /** Contact at the corner just below the surface, °C. */
  readonly atMouthC: number;
  /** The same under a column of chips this many diameters long, °C. */
  at(column: number): number;
}

/**
 * Contact temperature at the drill's corner. It never leaves the cut, so the steady rise counts; chips between it and
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
      speedMMin: cut.speedMMin,
      diameterMm: cut.diameterMm,
      arc: 2 * Math.PI,
      chipMm: cut.chipMm,
      edgeLengthMm: cut.lipMm,
    },
    pair,
  );
  const per = coolantThrough ? PER_DIAMETER.through : PER_DIAMETER.outside;
  return { atMouthC: steadyC, at: (column) => ROOM_C + (steadyC - ROOM_C) * (1 + per * column) };
}
