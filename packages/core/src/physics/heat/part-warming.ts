/** A stretch of work as the part feels it. */
export interface WarmStretch {
  /** Heat that goes into the part, W. */
  readonly watts: number;
  readonly minutes: number;
  /** What coolant or air takes from its surface, W/(m²·K). */
  readonly filmWM2K: number;
}

/** A part as one lump of metal. */
export interface Lump {
  /** J/K. */
  readonly heatJK: number;
  /** Surface that is cooled, m². */
  readonly surfaceM2: number;
}

export const blockLump = (
  {
    lengthMm,
    widthMm,
    heightMm,
  }: { readonly lengthMm: number; readonly widthMm: number; readonly heightMm: number },
  densityKgM3: number,
  specificHeatJKgK: number,
): Lump => ({
  heatJK: lengthMm * widthMm * heightMm * 1e-9 * densityKgM3 * specificHeatJKgK,
  // The face it lies on is not cooled.
  surfaceM2: (lengthMm * widthMm + 2 * heightMm * (lengthMm + widthMm)) * 1e-6,
});

/**
 * Rise of a part above the room after each stretch of a row, K: one lump, heated and cooled stretch after stretch, none forgotten.
 * The exact solution of the heat balance within each stretch.
 */
export function warmingRow({ heatJK, surfaceM2 }: Lump, row: readonly WarmStretch[]): number[] {
  let rise = 0;
  return row.map(({ watts, minutes, filmWM2K }) => {
    const cooled = Math.max(1e-9, filmWM2K * surfaceM2);
    const settled = watts / cooled;
    rise = settled + (rise - settled) * Math.exp((-minutes * 60 * cooled) / Math.max(1e-9, heatJK));
    return rise;
  });
}
