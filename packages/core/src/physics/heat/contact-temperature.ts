import { erf } from '../../numerics/normal.ts';
import { requirePositive } from '../../units/input-error.ts';

/** One stay of the edge in the cut and out of it. */
export interface ContactCycle {
  readonly speedMMin: number;
  readonly diameterMm: number;
  /** Arc of contact, rad. */
  readonly arc: number;
  /** Chip that counts for heat, mm. */
  readonly chipMm: number;
  /** Length of edge in the cut, mm: what ends the heating of a long edge. */
  readonly edgeLengthMm: number;
}

/** What is cut and what cuts. */
export interface ThermalPair {
  /** Specific cutting force at this chip, N/mm². */
  readonly specificForceNMm2: number;
  readonly densityKgM3: number;
  readonly specificHeatJKgK: number;
  readonly conductivityWMK: number;
  readonly toolConductivityWMK: number;
  readonly toolDensityKgM3: number;
}

export interface ContactHeat {
  /** Highest temperature of the contact, °C. */
  readonly temperatureC: number;
  /** The same contact if the edge never left the cut, °C. */
  readonly steadyC: number;
  readonly heatingMs: number;
  readonly coolingMs: number;
  /** Share of the steady rise an edge reaches before it leaves. */
  readonly share: number;
}

const ROOM_C = 20;
/** Specific heat of cemented carbide, J/(kg·K). */
const CARBIDE_HEAT = 210;
/** Length of contact on the rake face in chips; between two and five in sticky alloys. */
const CONTACT_CHIPS = 3;
/** Turns summed one by one; the rest is a tail of equal pulses taken as its mean. */
const PULSES = 40;

/** Exponential integral E1(x), x > 0. Abramowitz & Stegun 5.1.53 and 5.1.56, 2e-7. */
export function exponentialIntegral(x: number): number {
  if (x <= 1) {
    const series = [-0.57721566, 0.99999193, -0.24991055, 0.05519968, -0.00976004, 0.00107857];
    return series.reduceRight((sum, a) => sum * x + a, 0) - Math.log(x);
  }
  const above = (((x + 8.5733287401) * x + 18.059016973) * x + 8.6347608925) * x + 0.2677737343;
  const below = (((x + 9.5733223454) * x + 25.6329561486) * x + 21.0996530827) * x + 3.9584969228;
  return (above / below) * (Math.exp(-x) / x);
}

/**
 * Rise in the middle of a strip of half-width `a` on a half-space after time `t` of even flux, in units of q·a/k.
 * Carslaw & Jaeger 1959, §10.5: a strip keeps warming with the logarithm of time, so a short stay stays cool.
 */
function stripRise(time: number, diffusivity: number, halfWidth: number): number {
  if (time <= 0) return 0;
  const s = (2 * Math.sqrt(diffusivity * time)) / halfWidth;
  return (s * erf(1 / s)) / Math.sqrt(Math.PI) + exponentialIntegral(1 / (s * s)) / Math.PI;
}

/**
 * Contact temperature of a milling edge and how far the stay in the cut lets it rise.
 *
 * Steady rise after Cook 1973, 0.4·u/(ρc)·(v·h/κ)^⅓; the share reached in an interrupted cut is that of a strip source
 * switched on for the arc and off for the rest, summed over turns (superposition; Stephenson & Ali 1992). Absolute
 * values are good to some 15%; the comparison of two engagements at one chip is what it is for.
 * Throws when speed, chip, arc or diameter is not above zero.
 */
export function contactTemperature(cycle: ContactCycle, pair: ThermalPair): ContactHeat {
  requirePositive('cutting speed', cycle.speedMMin);
  requirePositive('chip', cycle.chipMm);
  requirePositive('engagement angle', cycle.arc);
  requirePositive('diameter', cycle.diameterMm);
  const speed = cycle.speedMMin / 60;
  const turn = (Math.PI * cycle.diameterMm) / 1000 / speed;
  const heating = (turn * Math.min(cycle.arc, 2 * Math.PI)) / (2 * Math.PI);
  const capacity = pair.densityKgM3 * pair.specificHeatJKgK;
  const workDiffusivity = pair.conductivityWMK / capacity;
  const chip = cycle.chipMm / 1000;
  const steady =
    0.4 * ((pair.specificForceNMm2 * 1e6) / capacity) * ((speed * chip) / workDiffusivity) ** (1 / 3);

  const diffusivity = pair.toolConductivityWMK / (pair.toolDensityKgM3 * CARBIDE_HEAT);
  const halfWidth = (CONTACT_CHIPS * chip) / 2;
  // Beyond the edge's own length heat leaves sideways and the strip has become a spot: the rise ends there.
  const settled = (cycle.edgeLengthMm / 2000) ** 2 / diffusivity;
  const full = stripRise(Math.max(settled, 4 * heating), diffusivity, halfWidth);
  let reached = stripRise(heating, diffusivity, halfWidth);
  for (let i = 1; i <= PULSES && i * turn < settled; i++) {
    reached +=
      stripRise(i * turn + heating, diffusivity, halfWidth) - stripRise(i * turn, diffusivity, halfWidth);
  }
  const tail = Math.max(0, full - stripRise(PULSES * turn + heating, diffusivity, halfWidth));
  if (PULSES * turn < settled) reached += tail * (heating / turn);
  const share = Math.min(1, reached / full);
  return {
    temperatureC: ROOM_C + steady * share,
    steadyC: ROOM_C + steady,
    heatingMs: heating * 1000,
    coolingMs: (turn - heating) * 1000,
    share,
  };
}

/**
 * Speed at which this engagement is as hot as `limitC`, m/min. Temperature grows with speed throughout, so a bisection
 * in the logarithm finds it; held between `low` and `high`.
 */
export function speedForTemperature(
  limitC: number,
  cycle: Omit<ContactCycle, 'speedMMin'>,
  pair: ThermalPair,
  low = 1,
  high = 3000,
): number {
  let [a, b] = [Math.log(low), Math.log(high)];
  for (let i = 0; i < 40; i++) {
    const middle = (a + b) / 2;
    const { temperatureC } = contactTemperature({ ...cycle, speedMMin: Math.exp(middle) }, pair);
    if (temperatureC < limitC) a = middle;
    else b = middle;
  }
  return Math.exp((a + b) / 2);
}
