import { memoryBeside } from '../../numerics/memory.ts';
import type { Alloy } from '../../crib/alloy.ts';
import { type Cutter, isIndexable, outerDiameter } from '../../crib/cutter.ts';
import { type Entry, ENTRY_METHODS, type EntryMethod } from './entry.ts';
import type { MillingFeature } from './feature.ts';
import { helicalEntry } from '../cutting/helical-entry.ts';

/** What an entry does, and whether it can. */
export interface EntryPlan {
  readonly method: EntryMethod;
  /** On the centre's path, degrees; 0 where there is none. */
  readonly rampAngleDeg: number;
  /** Steepest the end face and the alloy allow, degrees. */
  readonly steepestDeg: number;
  /** Hole of a helix, mm; null for other methods. */
  readonly helixDiameterMm: number | null;
  /** Smallest and widest hole a helix may make here, mm; empty range where it does not fit. */
  readonly helixRangeMm: readonly [number, number] | null;
  /** Post left in the middle of the helix, mm. */
  readonly coreMm: number;
  /** Post free to break off under the tool: the floor is open and the post thin. */
  readonly coreBreaksFree: boolean;
  /** Length of path at entry feed, mm, and the part of it above the material. */
  readonly pathMm: number;
  readonly airMm: number;
  /** Feed over that of the cut. */
  readonly feedShare: number;
  /** Depth of cut at the side while entering, mm. */
  readonly axialMm: number;
  /** Room beside the cutter on its way down, mm on a side, taper counted half; Infinity where chips leave freely. */
  readonly roomMm: number;
  /** Extra minutes that are not feed: a pre-drill brings a tool change. */
  readonly extraMin: number;
  /** Why it cannot be done, or null. */
  readonly impossible: string | null;
}

interface Steepness {
  readonly rampDeg: number;
  readonly helixDeg: number;
  /** Widest helix over the cutter. */
  readonly helixShare: number;
  readonly feedShare: number;
}

/** Steepest usual ramps and the feed kept on them, by material. Rule G-40, middle of the ranges. */
export function entrySteepness(alloy: Alloy): Steepness {
  const hardSteel = alloy.iso513_group === 'H';
  const name = alloy.family;
  if (hardSteel) return { rampDeg: 0.7, helixDeg: 0.8, helixShare: 1.8, feedShare: 0.5 };
  if (name.includes('titan')) return { rampDeg: 2, helixDeg: 1.5, helixShare: 1.8, feedShare: 0.6 };
  if (alloy.iso513_group === 'S') return { rampDeg: 1.3, helixDeg: 1.1, helixShare: 1.8, feedShare: 0.55 };
  if (alloy.iso513_group === 'M') return { rampDeg: 2.2, helixDeg: 2, helixShare: 1.8, feedShare: 0.6 };
  if (alloy.iso513_group === 'N') return { rampDeg: 10, helixDeg: 7, helixShare: 1.9, feedShare: 0.85 };
  return { rampDeg: 3.5, helixDeg: 3, helixShare: 1.8, feedShare: 0.7 };
}

/** Diameter at the middle of the end face that does not cut, mm. */
export function deadCentre(cutter: Cutter): number {
  const d = outerDiameter(cutter);
  if (cutter.extended.centre_cutting) return 0.05 * d;
  return isIndexable(cutter) ? 0.5 * d : 0.35 * d;
}

/** A post thinner than this share of its height breaks rather than being cut. */
const SLENDER_POST = 0.3;
/** Drill change, spot and drill of a pre-drilled start besides its own minutes in the cut. */
const PREDRILL_S = 12;

/** Depth in diameters from which a straight-walled helix packs its chips. */
const TAPER_FROM = 1;

/** Path radius and ramp need at least this much room beside the cutter, mm. */
const ROOM = 0.2;

export interface EntryPlace {
  readonly cutter: Cutter;
  readonly alloy: Alloy;
  readonly feature: MillingFeature;
  readonly axialDepthMm: number;
  readonly toolChangeS: number;
}

/** The last plan of each entry: a search over speed and feed asks for the same one again and again. */
const plans = memoryBeside(
  (_: Entry): { last: { readonly place: EntryPlace; readonly plan: EntryPlan } | null } => ({
    last: null,
  }),
);

const samePlace = (a: EntryPlace, b: EntryPlace): boolean =>
  a.cutter === b.cutter &&
  a.alloy === b.alloy &&
  a.feature === b.feature &&
  a.axialDepthMm === b.axialDepthMm &&
  a.toolChangeS === b.toolChangeS;

/** Geometry of one way in, as entered or worked out where the entry leaves it open. */
export function entryPlan(entry: Entry, place: EntryPlace): EntryPlan {
  const kept = plans(entry);
  if (!kept.last || !samePlace(kept.last.place, place))
    kept.last = { place, plan: workOutEntry(entry, place) };
  return kept.last.plan;
}

function workOutEntry(entry: Entry, place: EntryPlace): EntryPlan {
  const { cutter, feature, axialDepthMm: depth } = place;
  const d = outerDiameter(cutter);
  const usual = entrySteepness(place.alloy);
  const own = cutter.properties.RMPX ?? 0;
  const width = feature.kind === 'boss' ? Infinity : feature.widthMm;
  const length = feature.lengthMm;
  const air = Math.max(0, entry.startHeightMm);
  const none = {
    method: entry.method,
    rampAngleDeg: 0,
    steepestDeg: 0,
    helixDiameterMm: null,
    helixRangeMm: null,
    coreMm: 0,
    coreBreaksFree: false,
    feedShare: 1,
    axialMm: depth,
    roomMm: Infinity,
    extraMin: 0,
    impossible: null,
  } as const;
  const inside = feature.kind === 'pocket' || feature.kind === 'slot';
  switch (entry.method) {
    case 'outside':
      return {
        ...none,
        pathMm: d,
        airMm: air,
        impossible:
          feature.kind === 'pocket'
            ? 'the pocket is closed on all sides'
            : feature.kind === 'slot' && feature.openEnds === 0
              ? 'the slot is closed at both ends'
              : null,
      };
    case 'helix': {
      const steepest = Math.min(usual.helixDeg, own || usual.helixDeg);
      const angle = entry.rampAngleDeg ?? steepest;
      const smallest = Math.max(1.2 * d, d + deadCentre(cutter));
      const flat =
        2 * (d - (cutter.properties.RE ?? 0)) - (cutter.extended.centre_cutting ? 0 : deadCentre(cutter));
      const widest = Math.min(width, length, usual.helixShare * d, Math.max(smallest, flat));
      const fits = widest >= smallest - 1e-9 && Math.min(width, length) >= smallest;
      const hole = entry.helixDiameterMm ?? Math.max(widest, d + ROOM);
      // A tapered helix is widest at the top, and has to fit there as well.
      const top = hole + 2 * depth * Math.tan((entry.taperDeg * Math.PI) / 180);
      const path = Math.max(ROOM, hole - d);
      const pitch = Math.PI * path * Math.tan((angle * Math.PI) / 180);
      const geometry = helicalEntry(d + path, d, pitch, deadCentre(cutter));
      const post = Math.max(0, hole - 2 * d + (cutter.extended.centre_cutting ? 0 : deadCentre(cutter)));
      return {
        ...none,
        rampAngleDeg: angle,
        steepestDeg: steepest,
        helixDiameterMm: hole,
        helixRangeMm: [smallest, Math.min(width, length, usual.helixShare * d)],
        coreMm: post,
        coreBreaksFree: post > 0 && (feature.through || post < SLENDER_POST * depth),
        pathMm: ((depth + air) / Math.max(pitch, 1e-6)) * geometry.pathLengthPerTurnMm,
        airMm: (air / Math.max(pitch, 1e-6)) * geometry.pathLengthPerTurnMm,
        feedShare: usual.feedShare,
        axialMm: Math.min(depth, pitch),
        roomMm: (hole - d + (top - hole) / 2) / 2,
        impossible: fits
          ? top > Math.min(width, length) + 1e-9
            ? 'the helix is wider than the feature'
            : null
          : 'the feature is too narrow for any helix of this cutter',
      };
    }
    case 'ramp': {
      const steepest = Math.min(usual.rampDeg, own || usual.rampDeg);
      const angle = entry.rampAngleDeg ?? steepest;
      const run = inside ? length - d : length;
      const total = (depth + air) / Math.sin((Math.max(angle, 0.01) * Math.PI) / 180);
      return {
        ...none,
        rampAngleDeg: angle,
        steepestDeg: steepest,
        pathMm: total,
        airMm: air / Math.sin((Math.max(angle, 0.01) * Math.PI) / 180),
        feedShare: usual.feedShare,
        axialMm: Math.min(depth, Math.max(ROOM, run) * Math.tan((angle * Math.PI) / 180)),
        // A ramp shorter than the dead centre is wide leaves metal the end face never reaches.
        impossible:
          run < Math.max(ROOM, deadCentre(cutter)) ? 'the feature is too short to ramp along' : null,
      };
    }
    case 'plunge':
      return {
        ...none,
        pathMm: depth + air,
        airMm: air,
        feedShare: 0.25,
        axialMm: depth,
        impossible: cutter.extended.centre_cutting ? null : 'the end face does not cut to its centre',
      };
    case 'predrilled':
      return {
        ...none,
        pathMm: depth + air,
        airMm: depth + air,
        feedShare: 1,
        extraMin: (place.toolChangeS + PREDRILL_S) / 60 + depth / 60,
        impossible: Math.min(width, length) < 1.05 * d ? 'no room for a hole wider than the cutter' : null,
      };
  }
}

export interface RatedEntry {
  readonly plan: EntryPlan;
  /** Minutes of entry for all levels. */
  readonly minutes: number;
  readonly reason: string;
}

const REASONS: Readonly<Record<EntryMethod, string>> = {
  outside: 'the cutter rolls in from the side: the end face cuts nothing and the chip starts thick',
  helix: 'the end face cuts on a short, even arc and the chips have room',
  ramp: 'a straight ramp to and fro: works in the width of a slot, but reverses at its ends',
  plunge:
    'at the tool’s centre the speed is zero: metal is pushed aside, with several times the radial force',
  predrilled: 'a drill makes the hole with the least energy; keep its cone off the floor',
};

/** All ways in, best first, with minutes and why. Order of rule G-40; a pre-drill goes first in deep S-group pockets (G-41). */
export function rateEntries(
  entry: Entry,
  place: EntryPlace,
  feedMmMin: number,
  levels: number,
): RatedEntry[] {
  const deepHard =
    place.alloy.iso513_group === 'S' && place.feature.depthMm > 1.5 * outerDiameter(place.cutter);
  const order: readonly EntryMethod[] = ['outside', 'helix', 'ramp', 'predrilled', 'plunge'];
  return ENTRY_METHODS.map((method) => {
    const plan = entryPlan(
      method === entry.method ? entry : { ...entry, method, rampAngleDeg: null, helixDiameterMm: null },
      place,
    );
    const once = method === 'predrilled' ? plan.extraMin : 0;
    const minutes = once + (levels * plan.pathMm) / Math.max(1e-6, feedMmMin * plan.feedShare);
    const deep =
      method === 'helix' &&
      place.axialDepthMm > TAPER_FROM * outerDiameter(place.cutter) &&
      entry.taperDeg === 0;
    const taper = deep ? '; this deep, a taper of 0.5 to 1° gives the chips room' : '';
    return { plan, minutes, reason: plan.impossible ?? REASONS[method] + taper };
  }).sort((a, b) => {
    const possible = Number(a.plan.impossible !== null) - Number(b.plan.impossible !== null);
    if (possible !== 0) return possible;
    const rank = (r: RatedEntry): number =>
      // Minutes at weak geometry against a tool change: a helix that takes longer than the drill loses in deep S pockets.
      deepHard && r.plan.method === 'predrilled' ? 0.5 : order.indexOf(r.plan.method);
    return rank(a) - rank(b) || a.minutes - b.minutes;
  });
}
