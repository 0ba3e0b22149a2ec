import type { MillingLifeModel } from '../../crib/alloy.ts';

/** The cut as the life model sees it. */
export interface LifeCut {
  readonly chipMm: number;
  readonly radialOverDiameter: number;
  readonly axialOverDiameter: number;
}

const clamp = (value: number, [low, high]: readonly [number, number]): number =>
  Math.min(high, Math.max(low, value));

/** Cutting speed, m/min, at which an edge lasts `minutes` in this cut. Extended Taylor (Taylor 1907; Colding 1991 form). */
export function speedForLife(model: MillingLifeModel, vc30: number, cut: LifeCut, minutes: number): number {
  const r = model.reference;
  return (
    vc30 *
    (30 / minutes) ** model.n *
    (cut.chipMm / r.hmax_mm) ** -model.hmax_exponent *
    (cut.radialOverDiameter / r.ae_over_d) ** -model.ae_exponent *
    (cut.axialOverDiameter / r.ap_over_d) ** -model.ap_exponent
  );
}

/** Minutes of engaged feed motion until the wear criterion at cutting speed `vc` (m/min). */
export function lifeAtSpeed(model: MillingLifeModel, vc30: number, cut: LifeCut, vc: number): number {
  return 30 * (speedForLife(model, vc30, cut, 30) / vc) ** (1 / model.n);
}

/** The cut brought inside the range the model was stated for; speeds and chips beyond it are not extrapolated. */
export function withinValidity(model: MillingLifeModel, cut: LifeCut): { cut: LifeCut; outside: string[] } {
  const v = model.valid;
  const chipRange: readonly [number, number] = [
    v.hmax_over_ref[0] * model.reference.hmax_mm,
    v.hmax_over_ref[1] * model.reference.hmax_mm,
  ];
  const held: LifeCut = {
    chipMm: clamp(cut.chipMm, chipRange),
    radialOverDiameter: clamp(cut.radialOverDiameter, v.ae_over_d),
    axialOverDiameter: clamp(cut.axialOverDiameter, v.ap_over_d),
  };
  const outside: string[] = [];
  if (held.chipMm !== cut.chipMm) outside.push('chip thickness');
  if (held.radialOverDiameter !== cut.radialOverDiameter) outside.push('radial depth');
  if (held.axialOverDiameter !== cut.axialOverDiameter) outside.push('axial depth');
  return { cut: held, outside };
}
