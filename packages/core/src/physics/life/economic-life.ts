import { requirePositive, requireWithin } from '../../units/input-error.ts';

export interface EconomicLife {
  /** Life that makes the most parts in a day, minutes, and its speed, m/min. */
  readonly fastestMin: number;
  readonly fastestSpeed: number;
  /** Life that costs least, minutes, and its speed, m/min. */
  readonly cheapestMin: number;
  readonly cheapestSpeed: number;
}

/**
 * Economic tool life from Taylor's exponent: (1/n − 1) times what an edge change costs, counted in machine minutes.
 * Taylor 1907; Gilbert 1950. Throws unless 0 < n < 1.
 */
export function economicLife(
  n: number,
  constantMMin: number,
  changeMin: number,
  edgePrice: number,
  machinePerMin: number,
): EconomicLife {
  requireWithin('Taylor exponent', n, 1e-6, 1 - 1e-6);
  requirePositive('Taylor constant', constantMMin);
  requirePositive('machine cost per minute', machinePerMin);
  const fastest = (1 / n - 1) * changeMin;
  const cheapest = (1 / n - 1) * (changeMin + edgePrice / machinePerMin);
  return {
    fastestMin: fastest,
    fastestSpeed: constantMMin / fastest ** n,
    cheapestMin: cheapest,
    cheapestSpeed: constantMMin / cheapest ** n,
  };
}
