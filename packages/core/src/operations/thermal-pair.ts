import type { ThermalPair } from '../physics/heat/contact-temperature.ts';
import type { OperationContext } from './context.ts';

/** Conductivity of cemented carbide where a grade states none, W/(m·K). */
const CARBIDE_CONDUCTIVITY = 80;
/** Specific heat of a metal whose crib entry states none, J/(kg·K). */
const USUAL_SPECIFIC_HEAT = 480;

/** What is cut and what cuts, for the heat between them; specific cutting force in N/mm². */
export const thermalPairOf = (
  { alloy, substrate }: OperationContext,
  specificForceNMm2: number,
): ThermalPair => ({
  specificForceNMm2,
  densityKgM3: alloy.density_kg_m3,
  specificHeatJKgK: alloy.specific_heat_j_kgk ?? USUAL_SPECIFIC_HEAT,
  conductivityWMK: alloy.thermal_conductivity_w_mk,
  toolConductivityWMK: substrate.thermal_conductivity_w_mk ?? CARBIDE_CONDUCTIVITY,
  toolDensityKgM3: substrate.density_kg_m3,
});
