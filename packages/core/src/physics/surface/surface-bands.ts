import type { EdgeBand } from '../cutting/edge-profile.ts';
import { immersion } from '../cutting/engagement.ts';
import type { SurfaceContact } from './surface-contact.ts';

const RAD = Math.PI / 180;
/** Slices of the edge in the cut. */
const SLICES = 6;
/** An edge flatter than this lies on its end and is left out, degrees. */
const FLATTEST_DEG = 2;

/** What is left of the stock over the new surface beside a pass, mm, at a distance from its middle. */
function standing(alongMm: number, stockMm: number, stepMm: number, radiusMm: number): number {
  const fromLast = alongMm + stepMm;
  return fromLast >= radiusMm
    ? stockMm
    : Math.min(stockMm, radiusMm - Math.sqrt(radiusMm ** 2 - fromLast ** 2));
}

/**
 * The edge of a rounded cutter in a pass over a surface, tip first: stock of `stockMm` along the normal, the last pass `stepMm` further
 * down the slope, so that what is still to be cut stands on the side of the flank. Between the ridge of the last pass and where the edge runs
 * out of the stock each slice takes its own depth, so that their sum is step × stock. Slices see the circle they run on. Empty where nothing
 * is in the cut.
 */
export function surfaceBands(
  { radiusMm, diameterMm, leanDeg }: SurfaceContact,
  stockMm: number,
  stepMm: number,
  direction: 'climb' | 'conventional',
): EdgeBand[] {
  const lean = leanDeg * RAD;
  const stock = Math.min(stockMm, 0.999 * radiusMm);
  // Angles on the meridian from the contact, up towards the flank.
  const highest = Math.acos(1 - stock / radiusMm);
  // What lies flatter is left out, and never all of it.
  const flattest = Math.min(FLATTEST_DEG * RAD, (lean + highest) / 2);
  const lowest = Math.max(-Math.asin(Math.min(0.999, stepMm / 2 / radiusMm)), flattest - lean);
  const width = (highest - lowest) / SLICES;
  const bands: EdgeBand[] = [];
  let fromMm = 0;
  for (let i = 0; i < SLICES && width > 0; i++) {
    const angle = lowest + (i + 0.5) * width;
    const own = radiusMm * (1 - Math.cos(angle));
    const depth = standing(radiusMm * Math.sin(angle), stock, stepMm, radiusMm) - own;
    const kapr = Math.min(Math.PI / 2, lean + angle);
    const height = radiusMm * width * Math.sin(kapr);
    const circle = diameterMm / 2 + radiusMm * (Math.sin(kapr) - Math.sin(lean));
    if (depth > 1e-9 && circle > 1e-6) {
      const seen = Math.min(2 * circle, depth / Math.sin(kapr));
      bands.push({
        fromMm,
        toMm: fromMm + height,
        radiusMm: circle,
        kapr,
        arc: immersion(seen, 2 * circle, direction),
      });
    }
    fromMm += height;
  }
  return bands;
}
