/** Jaws that hold a part from outside. */
export interface Jaws {
  readonly count: number;
  readonly massKg: number;
  /** Distance of a jaw's centre of mass from the axis, mm. */
  readonly radiusMm: number;
}

/** What the jaws' own weight takes from the grip of all of them at a speed, N: m·r·ω² of each. */
export function gripLoss({ count, massKg, radiusMm }: Jaws, speedRpm: number): number {
  const omega = (2 * Math.PI * speedRpm) / 60;
  return (count * massKg * radiusMm * omega ** 2) / 1000;
}
