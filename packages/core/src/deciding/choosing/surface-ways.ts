import type { Cutter } from '../../crib/cutter.ts';
import { scallopHeight, stepoverForScallop } from '../../physics/surface/scallop.ts';
import { requirePositive, requireWithin } from '../../units/input-error.ts';

/** A surface that is finished: its slope to the cutter's axis plane (0 a floor, 90 a wall), what it asks for, and how large it is. */
export interface CurvedSurface {
  readonly slopeDeg: number;
  /** Ridge that may stay between passes, mm. */
  readonly scallopMm: number;
  readonly areaMm2: number;
  /** Smallest radius it is hollow by; null where it is flat or bulges. */
  readonly hollowMm: number | null;
  /** Lean of the cutter from the vertical towards its flank, degrees; 0 on three axes. */
  readonly tiltDeg: number;
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
  /** Diameter it touches with, mm: there it has its speed. */
  readonly contactDiameterMm: number;
  readonly stepMm: number;
  readonly speedRpm: number;
  readonly feedPerToothMm: number;
  readonly minutes: number;
  /** Ra in µm, across the passes by their ridges, and along them by the teeth. */
  readonly raAcrossUm: number;
  readonly raAlongUm: number;
  /** Push of a tooth off the surface, N: a chip of the feed as wide as the step. */
  readonly forceN: number;
  /** Smallest inner radius it leaves in a corner, mm. */
  readonly cornerMm: number;
  /** Why it does not do; null where it does. */
  readonly against: string | null;
}

const RAD = Math.PI / 180;
/** Ra of a cusped profile over its height. */
const RA_OF_RZ = 0.2566;
/** A contact nearer the axis than this share of the cutter is rubbed, not cut. Rule G-83. */
const DEAD = 0.15;
/** A barrel's flank touches no flatter than this lean of surface and cutter together, degrees. */
const BARREL_FROM = 60;

/** A small cutter takes no more a tooth than this share of its diameter. Judgement. */
const OF_DIAMETER = 0.012;

interface Contact {
  readonly radiusMm: number;
  readonly diameterMm: number;
  readonly mostStepMm: number;
  readonly cornerMm: number;
}

/** How a cutter touches a surface; null where nothing rounded of it does. */
function contactOf({ type, properties: p }: Cutter, slopeDeg: number, tiltDeg: number): Contact | null {
  const diameter = p.DC ?? 0;
  const lean = Math.min(90, slopeDeg + tiltDeg) * RAD;
  if (type === 'end_mill_ball')
    return {
      radiusMm: diameter / 2,
      diameterMm: diameter * Math.sin(lean),
      mostStepMm: 0.5 * diameter,
      cornerMm: diameter / 2,
    };
  const corner = p.RE ?? 0;
  if (type === 'end_mill_lens') {
    // Its end touches where the surface leans no more than the arc does at the corner.
    const profile = Number(p['PRFRAD'] ?? 0);
    const most = Math.asin(Math.min(1, (diameter / 2 - (p.RE ?? 0)) / Math.max(profile, 1e-6)));
    return lean <= most && lean > 1e-6
      ? {
          radiusMm: profile,
          diameterMm: 2 * profile * Math.sin(lean),
          mostStepMm: 0.5 * diameter,
          cornerMm: p.RE ?? 0,
        }
      : null;
  }
  // A taper barrel's flank leans already: the surface has that much less to.
  if (type === 'end_mill_barrel' && lean / RAD >= BARREL_FROM - Number(p['TA'] ?? 0))
    return {
      radiusMm: Number(p['PRFRAD'] ?? 0),
      diameterMm: diameter,
      mostStepMm: 0.5 * (p.LCF ?? p.APMX ?? diameter),
      cornerMm: corner,
    };
  if (corner <= 0 || lean < 1e-6 || lean / RAD > 89.9) return null;
  return {
    radiusMm: corner,
    diameterMm: diameter - 2 * corner * (1 - Math.sin(lean)),
    mostStepMm: corner,
    cornerMm: corner,
  };
}

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
  requireWithin('tilt', surface.tiltDeg, 0, 60);
  requirePositive('scallop height', surface.scallopMm);
  requirePositive('area', surface.areaMm2);
  requirePositive('cutting speed', cut.speedMMin);
  requirePositive('feed per tooth', cut.feedPerToothMm);
  return onceEach(cutters)
    .flatMap((c): SurfaceWay[] => {
      const contact = contactOf(c, surface.slopeDeg, surface.tiltDeg);
      if (!contact || contact.radiusMm <= surface.scallopMm) return [];
      const wanted = stepoverForScallop(surface.scallopMm, contact.radiusMm);
      const stepMm = Math.min(wanted, contact.mostStepMm);
      const turned = Math.max(contact.diameterMm, DEAD * (c.properties.DC ?? 1));
      const speedRpm = Math.min(cut.mostRpm, (1000 * cut.speedMMin) / (Math.PI * turned));
      const teeth = c.properties.ZEFP ?? c.properties.NOF ?? 2;
      const fz = Math.min(cut.feedPerToothMm, OF_DIAMETER * (c.properties.DC ?? 1));
      const ridge = scallopHeight(stepMm, contact.radiusMm);
      const hollow = surface.hollowMm !== null && surface.hollowMm < contact.radiusMm;
      // Along the passes a ball is as round as across; others as their circle.
      const alongMm = c.type === 'end_mill_ball' ? contact.radiusMm : turned / 2;
      const dead = contact.diameterMm < DEAD * (c.properties.DC ?? 1);
      return [
        {
          cutterId: c.id,
          name: c.name,
          contactMm: contact.radiusMm,
          contactDiameterMm: contact.diameterMm,
          stepMm,
          speedRpm,
          feedPerToothMm: fz,
          minutes: surface.areaMm2 / (stepMm * speedRpm * teeth * fz),
          raAcrossUm: 1000 * RA_OF_RZ * ridge,
          raAlongUm: (1000 * RA_OF_RZ * fz ** 2) / (8 * alongMm),
          forceN: cut.kc11 * fz ** (1 - cut.mc) * stepMm,
          cornerMm: contact.cornerMm,
          against: hollow
            ? 'the surface is hollow by less than it: it would cut into it'
            : dead
              ? 'it touches with its middle, which stands still: tilt it'
              : null,
        },
      ];
    })
    .sort((a, b) => Number(a.against !== null) - Number(b.against !== null) || a.minutes - b.minutes);
}
