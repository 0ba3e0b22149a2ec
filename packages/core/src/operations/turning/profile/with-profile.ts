import type { TurnedStretch } from '../turning-operation.ts';
import { profileSizes } from './contour.ts';
import type { TurnedProfile } from './turned-profile.ts';

/** The stretch with a profile: its ends and length follow, and the diameter before never lies in it. */
export function withProfile(stretch: TurnedStretch, profile: TurnedProfile | null): TurnedStretch {
  if (profile === null || profile.elements.length === 0) return { ...stretch, profile: null };
  const inside = stretch.way === 'inside';
  const { smallestMm, largestMm, lengthMm } = profileSizes(profile, inside);
  const skin = 2 * (profile.skinMm ?? 0);
  const startMm = inside
    ? profile.skinMm === null
      ? Math.min(stretch.startMm, smallestMm)
      : smallestMm - skin
    : profile.skinMm === null
      ? Math.max(stretch.startMm, largestMm)
      : largestMm + skin;
  return {
    ...stretch,
    profile,
    startMm,
    endMm: inside ? largestMm : smallestMm,
    lengthMm,
    overhangMm: Math.max(stretch.overhangMm, lengthMm),
  };
}
