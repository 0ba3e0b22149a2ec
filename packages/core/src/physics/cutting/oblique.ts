import { InputError } from '../../units/input-error.ts';
import { linearEdge, type LinearEdgeCoefficients } from './linear-edge.ts';
import type { ForceLaw } from './force-law.ts';

/** Orthogonal cutting data of one work material: shear stress, friction angle, chip ratio rc = r0·h^a, edge forces. */
export interface OrthogonalData {
  readonly shearStressMPa: number;
  /** Degrees, from the rake in degrees. */
  readonly frictionAngleDeg: (rakeDeg: number) => number;
  readonly r0: (rakeDeg: number) => number;
  readonly a: (rakeDeg: number) => number;
  readonly Kte: number;
  readonly Kfe: number;
}

/** Ti-6Al-4V, from Budak, Altintas & Armarego 1996; chips up to about 0.15 mm. */
export const TITANIUM_6AL_4V: OrthogonalData = {
  shearStressMPa: 613,
  frictionAngleDeg: (rake) => 19.1 + 0.29 * rake,
  r0: (rake) => 1.755 - 0.028 * rake,
  a: (rake) => 0.331 - 0.0082 * rake,
  Kte: 24,
  Kfe: 43,
};

export interface ObliqueResult {
  readonly chipRatio: number;
  readonly shearAngle: number;
  readonly normalFrictionAngle: number;
  readonly Ktc: number;
  readonly Krc: number;
  readonly Kac: number;
}

const RAD = Math.PI / 180;

/**
 * Oblique coefficients (N/mm²) at chip thickness `h` mm, normal rake and inclination in degrees.
 * Chip flow by Stabler's rule (η = i). Armarego & Whitfield 1985; Budak, Altintas & Armarego 1996.
 */
export function oblique(
  data: OrthogonalData,
  h: number,
  rakeDeg: number,
  inclinationDeg: number,
): ObliqueResult {
  const i = inclinationDeg * RAD;
  const an = rakeDeg * RAD;
  const tanEta = Math.tan(i);
  const rc = data.r0(rakeDeg) * h ** data.a(rakeDeg);
  const phi = Math.atan2(rc * Math.cos(an), 1 - rc * Math.sin(an));
  const bn = Math.atan(Math.tan(data.frictionAngleDeg(rakeDeg) * RAD) * Math.cos(i));
  const c = Math.hypot(Math.cos(phi + bn - an), tanEta * Math.sin(bn));
  const shear = data.shearStressMPa / Math.sin(phi);
  return {
    chipRatio: rc,
    shearAngle: phi,
    normalFrictionAngle: bn,
    Ktc: (shear * (Math.cos(bn - an) + Math.tan(i) * tanEta * Math.sin(bn))) / c,
    Krc: (shear * Math.sin(bn - an)) / Math.cos(i) / c,
    Kac: (shear * (Math.cos(bn - an) * Math.tan(i) - tanEta * Math.sin(bn))) / c,
  };
}

/** Linear-edge coefficients at the mean chip of this cut. */
export function obliqueCoefficients(
  data: OrthogonalData,
  meanChipMm: number,
  rakeDeg: number,
  inclinationDeg: number,
): LinearEdgeCoefficients {
  const { Ktc, Krc, Kac } = oblique(data, meanChipMm, rakeDeg, inclinationDeg);
  return { Ktc, Krc, Kac, Kte: data.Kte, Kre: data.Kfe, Kae: 0 };
}

/** Orthogonal data for an alloy. Throws where none are known rather than borrowing another alloy's. */
export function orthogonalDataFor(alloyId: string): OrthogonalData {
  if (alloyId.startsWith('ti-6al-4v')) return TITANIUM_6AL_4V;
  throw new InputError([
    {
      field: 'force law',
      value: 'orthogonal',
      allowed: 'kienzle or linear-edge: orthogonal data are known for Ti-6Al-4V only',
    },
  ]);
}

/** The orthogonal-to-oblique law evaluated at the mean chip of this cut. */
export const orthogonalLaw = (k: LinearEdgeCoefficients): ForceLaw => ({
  ...linearEdge(k),
  id: 'orthogonal',
  name: 'Orthogonal data, oblique transform',
});
