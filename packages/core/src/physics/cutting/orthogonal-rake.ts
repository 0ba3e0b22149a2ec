import { type Cutter, isIndexable } from '../../crib/cutter.ts';

const RAD = Math.PI / 180;

/**
 * Rake across the edge, degrees. An insert leans both ways in its pocket and its edge at the lead angle sees both:
 * tan γo = tan γf·sin κ + tan γp·cos κ (ISO 3002-1). A solid cutter's radial rake is that of its ground flute.
 * `fallbackDeg` where the cutter states none.
 */
export function orthogonalRakeDeg(cutter: Cutter, fallbackDeg: number): number {
  const p = cutter.properties;
  if (typeof p.GAMF !== 'number') return fallbackDeg;
  if (!isIndexable(cutter) || typeof p['GAMP'] !== 'number') return p.GAMF;
  const kapr = (p.KAPR ?? 90) * RAD;
  return (
    Math.atan(Math.tan(p.GAMF * RAD) * Math.sin(kapr) + Math.tan(p['GAMP'] * RAD) * Math.cos(kapr)) / RAD
  );
}
