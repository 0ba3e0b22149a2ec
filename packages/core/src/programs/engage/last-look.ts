import { type Contact, NO_CONTACT } from './contact.ts';
import type { CutterShape } from './cutter-shape.ts';

/** Place of a cutter, mm, and the way it goes as a unit vector in plan: x, y, z, dx, dy. */
export type Stand = readonly [number, number, number, number, number];

/** The next look along lines shorter than the eye can tell apart: from this way on, as a share of the radius, */
const LOOK_SHARE = 1 / 16;
/** this turn, as the cosine, and this change of height, mm. */
const LOOK_TURN = Math.cos(0.03);
const LOOK_RISE = 0.02;

/** What was seen last at the end of a piece, and whether the end of the next may be taken for it. */
export function makeLastLook() {
  let contact = NO_CONTACT;
  let plungeShare = 0;
  let stood: Stand | null = null;
  let [since, wentDown] = [0, false];
  return {
    get contact() {
      return contact;
    },
    get plungeShare() {
      return plungeShare;
    },
    keep(seen: Contact, share: number, at: Stand, down: boolean): void {
      [contact, plungeShare, stood, wentDown, since] = [seen, share, at, down, 0];
    },
    holdsFor([, , z, dx, dy]: Stand, length: number, { radiusMm }: CutterShape): boolean {
      since += length;
      if (!stood || since >= LOOK_SHARE * radiusMm || Math.abs(z - stood[2]) > LOOK_RISE) return false;
      return dx * stood[3] + dy * stood[4] >= LOOK_TURN && (wentDown || z >= stood[2]);
    },
  };
}
