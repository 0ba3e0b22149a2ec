import type { Alloy } from '../../crib/alloy.ts';
import type { HeldBar } from '../../physics/turning/part-bending.ts';

/** What holds the free end of the part. */
export const PART_SUPPORTS = ['chuck', 'tailstock', 'steady'] as const;
export type PartSupport = (typeof PART_SUPPORTS)[number];

/** In words, where a sentence names what holds it. */
export const HOLDS_PART: Readonly<Record<PartSupport, string>> = {
  chuck: 'the chuck alone',
  tailstock: 'the tailstock',
  steady: 'a steady rest',
};

/** A part as it stands in the jaws. Lengths in mm. */
export interface HeldPart {
  readonly support: PartSupport;
  /** From the jaws to the free end, or to its tailstock. */
  readonly overhangMm: number;
  /** Diameter in the jaws. */
  readonly grippedMm: number;
}

/** Stiffness of what a part is made of, MPa. */
export const partModulus = ({ youngs_modulus_gpa }: Pick<Alloy, 'youngs_modulus_gpa'>): number =>
  1000 * (youngs_modulus_gpa ?? 200);

/** The part as a bar between its supports; a steady stands at `steadyMm` from the jaws. */
export const barBetween = (
  { support, overhangMm }: HeldPart,
  bar: {
    readonly diameterMm: number;
    readonly boreMm: number;
    readonly modulusMPa: number;
    readonly steadyMm: number;
  },
): HeldBar => ({
  diameterMm: bar.diameterMm,
  boreMm: Math.min(bar.boreMm, 0.95 * bar.diameterMm),
  modulusMPa: bar.modulusMPa,
  pinsMm:
    support === 'tailstock' ? [overhangMm] : support === 'steady' && bar.steadyMm > 0 ? [bar.steadyMm] : [],
});
