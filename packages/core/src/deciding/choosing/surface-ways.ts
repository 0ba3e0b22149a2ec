import type { Cutter } from '../../crib/cutter.ts';
import type { EdgeBand } from '../../physics/cutting/edge-profile.ts';
import { RA_OF_RZ } from '../../physics/surface/feed-marks.ts';
import { scallopHeight, stepoverForScallop } from '../../physics/surface/scallop.ts';
import { surfaceBands } from '../../physics/surface/surface-bands.ts';
import {
  FEED_OF_DIAMETER,
  radiusAlong,
  turnedDiameter,
  type WantedTilt,
  wantedTilts,
} from '../../physics/surface/surface-contact.ts';
import { requirePositive, requireWithin } from '../../units/input-error.ts';

/** A surface that is finished: its slope to the cutter's axis plane (0 a floor, 90 a wall), what it asks for, and how large it is. */
export interface CurvedSurface {
  readonly slopeDeg: number;
  /** Ridge that may stay between passes, mm. */
  readonly scallopMm: number;
  readonly areaMm2: number;
  /** Stock on it, along its normal, mm. */
  readonly stockMm: number;
  /** Smallest radius it is hollow by; null where it is flat or bulges. */
  readonly hollowMm: number | null;
  /** How far the cutter can be tilted, to either side, degrees; 0 on three axes. */
  readonly mostTiltDeg: number;
}

/** What stands for every cutter: speed at its contact, feed of a tooth, and what the spindle reaches. */
export interface SurfaceCut {
  readonly speedMMin: number;
  readonly feedPerToothMm: number;
  readonly mostRpm: number;
  /** Specific cutting force of 1 mm², N/mm², and how it falls with the chip. */
  readonly kc11: number;
  readonly mc: number;
}

/** How one cutter finishes the surface. */
export interface SurfaceWay {
  readonly cutterId: string;
  readonly name: string;
  /** Radius across the passes where it touches, mm. */
  readonly contactMm: number;
  /** Tilt with which it touches well, degrees: towards its flank, less than 0 away from it. */
  readonly tiltDeg: number;
  /** Diameter it touches with, mm: there it has its speed. */
  readonly contactDiameterMm: number;
  readonly stepMm: number;
  readonly speedRpm: number;
  readonly feedPerToothMm: number;
  readonly minutes: number;
  /** Ra in µm, across the passes by their ridges, and along them by the teeth. */
  readonly raAcrossUm: number;
  readonly raAlongUm: number;
  /** Largest cutting force of a tooth, N: over the whole edge that is in the stock at once. */
  readonly forceN: number;
  /** Smallest inner radius it leaves in a corner, mm. */
  readonly cornerMm: number;
  /** Why it does not do; null where it does. */
  readonly against: string | null;
}

/** Positions of a tooth at which its force is summed. */
const POSITIONS = 24;

/** Largest cutting force of one tooth over its turn, N, all its edge in the stock at once. Kienzle. */
function largestForce(bands: readonly EdgeBand[], feedMm: number, { kc11, mc }: SurfaceCut): number {
  const widest = bands.reduce((w, { arc }) => Math.max(w, arc.exit - arc.entry), 0);
  let largest = 0;
  for (let i = 1; i <= POSITIONS; i++) {
    const angle = (widest * i) / POSITIONS;
    let force = 0;
    for (const b of bands) {
      // Past its own arc a slice is out of the cut.
      if (angle > b.arc.exit - b.arc.entry + 1e-9) continue;
      const chip = feedMm * Math.sin(Math.min(angle, Math.PI / 2)) * Math.sin(b.kapr);
      force += (kc11 * chip ** (1 - mc) * (b.toMm - b.fromMm)) / Math.sin(b.kapr);
    }
    largest = Math.max(largest, force);
  }
  return largest;
}

/** The tilt that is to be had by the edge a cutter is made for; else by its corner; else how far it would have to go. */
function tiltTaken(cutter: Cutter, { slopeDeg, mostTiltDeg }: CurvedSurface): WantedTilt | null {
  const all = wantedTilts(cutter, slopeDeg);
  return all.find((w) => Math.abs(w.tiltDeg) <= mostTiltDeg + 1e-9) ?? all[0] ?? null;
}

const against = (surface: CurvedSurface, { tiltDeg, contact }: WantedTilt): string | null => {
  if (surface.hollowMm !== null && surface.hollowMm < contact.radiusMm)
    return 'the surface is hollow by less than it: it would cut into it';
  if (Math.abs(tiltDeg) <= surface.mostTiltDeg + 1e-9) return null;
  const to = `${Math.abs(tiltDeg).toFixed(0)}°`;
  return surface.mostTiltDeg === 0
    ? `it touches well only tilted by ${to}, on five axes`
    : `it touches well only tilted by ${to}`;
};

/** Cutters that touch alike stand for each other: the first of each shape, size and count of teeth. */
function onceEach(cutters: readonly Cutter[]): Cutter[] {
  const kept = new Map<string, Cutter>();
  for (const c of cutters) {
    const { DC, RE, ZEFP, NOF, PRFRAD, TA } = c.properties;
    const key = [c.type, DC, RE, ZEFP ?? NOF, PRFRAD, TA].join('/');
    if (!kept.has(key)) kept.set(key, c);
  }
  return [...kept.values()];
}

/**
 * Ball, bull-nose, barrel and lens cutters on the same surface: step for the ridge that may stay, speed where they touch, minutes, roughness
 * both ways, and what speaks against one. Quickest first, those that do not do last. Throws an InputError on an impossible surface.
 */
export function surfaceWays(
  surface: CurvedSurface,
  cut: SurfaceCut,
  cutters: readonly Cutter[],
): readonly SurfaceWay[] {
  requireWithin('slope', surface.slopeDeg, 0, 90);
  requireWithin('most tilt', surface.mostTiltDeg, 0, 60);
  requirePositive('stock', surface.stockMm);
  requirePositive('scallop height', surface.scallopMm);
  requirePositive('area', surface.areaMm2);
  requirePositive('cutting speed', cut.speedMMin);
  requirePositive('feed per tooth', cut.feedPerToothMm);
  return onceEach(cutters)
    .flatMap((c): SurfaceWay[] => {
      const taken = tiltTaken(c, surface);
      if (!taken || taken.contact.radiusMm <= surface.scallopMm) return [];
      const { contact, tiltDeg } = taken;
      const stepMm = Math.min(stepoverForScallop(surface.scallopMm, contact.radiusMm), contact.mostStepMm);
      const speedRpm = Math.min(cut.mostRpm, (1000 * cut.speedMMin) / (Math.PI * turnedDiameter(contact, c)));
      const teeth = c.properties.ZEFP ?? c.properties.NOF ?? 2;
      const fz = Math.min(cut.feedPerToothMm, FEED_OF_DIAMETER * (c.properties.DC ?? 1));
      const ridge = scallopHeight(stepMm, contact.radiusMm);
      return [
        {
          cutterId: c.id,
          name: c.name,
          contactMm: contact.radiusMm,
          tiltDeg,
          contactDiameterMm: contact.diameterMm,
          stepMm,
          speedRpm,
          feedPerToothMm: fz,
          minutes: surface.areaMm2 / (stepMm * speedRpm * teeth * fz),
          raAcrossUm: 1000 * RA_OF_RZ * ridge,
          raAlongUm: (1000 * RA_OF_RZ * fz ** 2) / (8 * radiusAlong(contact)),
          forceN: largestForce(surfaceBands(contact, surface.stockMm, stepMm, 'climb'), fz, cut),
          cornerMm: contact.cornerMm,
          against: against(surface, taken),
        },
      ];
    })
    .sort((a, b) => Number(a.against !== null) - Number(b.against !== null) || a.minutes - b.minutes);
}
