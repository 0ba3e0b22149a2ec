import type { Motion, Point } from '../read/motion.ts';
import { pointOnArc } from '../read/arc.ts';
import { type Contact, contactAt, endShare, NO_CONTACT } from './contact.ts';
import type { CutterShape } from './cutter-shape.ts';
import type { HeightField } from './height-field.ts';
import { makeLastLook, type Stand } from './last-look.ts';
import { type Pass, straight } from './passes.ts';

/** What a motion does to the material. Lengths in mm, angles in rad from the left of the way it goes. */
export interface Engagement {
  /** Largest contact on the way, and the usual one. */
  readonly most: Contact;
  readonly usualArc: number;
  /** Radial width of the largest contact, mm. */
  readonly widthMm: number;
  readonly removedMm3: number;
  /** Share of the way without contact, 0 to 1. */
  readonly air: number;
  /** Share of the end that goes down into material; 0 where the way does not go down. */
  readonly plungeShare: number;
  /** First place of contact; null without any. */
  readonly touches: Point | null;
  /** Share of the way behind which the contact stays well over the usual one to the end; null where it does not rise. */
  readonly risesAt: number | null;
}

export const AIR: Engagement = {
  most: NO_CONTACT,
  usualArc: 0,
  widthMm: 0,
  removedMm3: 0,
  air: 1,
  plungeShare: 0,
  touches: null,
  risesAt: null,
};

/** Chords of an arc that is not level stay within this of it, mm. */
const SAGITTA = 0.002;
/** Largest piece of a level arc, rad; and of a helix, which is gone in level steps as deep as each piece ends. */
const LARGEST_PIECE = Math.PI / 3;
const HELIX_PIECE = Math.PI / 12;
/** Places looked at along a way lie this share of the radius apart, and are at most so many. */
const STEP_SHARE = 0.25;
const MOST_LOOKS = 400;
/** Contact from this ratio over the usual one to the end is a rise. */
const RISE = 1.25;

/** The straight and arc pieces a motion is gone in. */
export function piecesOf({ from, to, arc }: Motion, shape: CutterShape): Pass[] {
  if (!arc) return [straight(from, to, shape)];
  const flat = arc.plane === 17;
  const chord = 2 * Math.acos(Math.max(0, 1 - SAGITTA / Math.max(arc.radiusMm, SAGITTA)));
  const largest = !flat ? chord : from[2] === to[2] ? LARGEST_PIECE : HELIX_PIECE;
  const count = Math.max(1, Math.ceil(Math.abs(arc.sweep) / largest - 1e-9));
  const pieces: Pass[] = [];
  let before: Point = from;
  for (let k = 1; k <= count; k++) {
    const next = k === count ? to : pointOnArc(arc, from, to, k / count);
    const piece = straight(before, next, shape);
    const deepest = Math.min(piece.az, piece.bz);
    pieces.push(
      flat
        ? {
            ...piece,
            az: deepest,
            bz: deepest,
            cx: arc.centre[0],
            cy: arc.centre[1],
            arcRadius: arc.radiusMm,
            half: Math.abs(arc.sweep) / count / 2,
          }
        : piece,
    );
    before = next;
  }
  return pieces;
}

/** Place and direction at a share of a piece; direction in plan, of no length where it goes straight down. */
function standOn(p: Pass, t: number, turn: number): Stand {
  if (p.arcRadius > 0) {
    const angle = Math.atan2(p.ay - p.cy, p.ax - p.cx) + 2 * p.half * t * turn;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    return [p.cx + p.arcRadius * c, p.cy + p.arcRadius * s, p.az, -s * turn, c * turn];
  }
  const [ux, uy] = [p.bx - p.ax, p.by - p.ay];
  const length = Math.hypot(ux, uy);
  return [
    p.ax + ux * t,
    p.ay + uy * t,
    p.az + (p.bz - p.az) * t,
    length > 1e-9 ? ux / length : 0,
    length > 1e-9 ? uy / length : 0,
  ];
}

/** Takes motions in order, tells what each does to the material, and takes that away. */
export interface Engager {
  run(motion: Motion): Engagement;
}

export function makeEngager(field: HeightField, shapeOfTool: (tool: number) => CutterShape | null): Engager {
  const top = field.stock.high[2];
  let end: Point | null = null;
  let ended: CutterShape | null = null;
  const last = makeLastLook();

  function run(motion: Motion): Engagement {
    const shape = shapeOfTool(motion.setting.tool);
    const follows = ended === shape && end !== null && samePlace(end, motion.from);
    end = motion.to;
    ended = shape;
    if (!shape || motion.kind === 'dwell' || Math.min(motion.from[2], motion.to[2]) >= top - 1e-9) {
      // What runs over the material clears nothing that the next could build on.
      if (motion.kind !== 'dwell') ended = null;
      return AIR;
    }
    const arcs = makeArcs();
    const pieces = piecesOf(motion, shape);
    const turn = motion.arc && motion.arc.sweep < 0 ? -1 : 1;
    const spacing = STEP_SHARE * shape.radiusMm;
    let removed = 0;
    let plungeShare = 0;
    for (const [k, piece] of pieces.entries()) {
      const length =
        piece.arcRadius > 0
          ? piece.arcRadius * 2 * piece.half
          : Math.hypot(piece.bx - piece.ax, piece.by - piece.ay);
      const looks = Math.min(MOST_LOOKS, Math.max(1, Math.ceil(length / spacing)));
      // Many chords of one arc need not each be looked at.
      const skip =
        pieces.length > 1 && piece.arcRadius === 0 && !arcs.due(length, spacing) && k !== pieces.length - 1;
      const down =
        piece.bz < piece.az - 1e-9 || (piece.arcRadius > 0 && motion.to[2] < motion.from[2] - 1e-9);
      const goes = standOn(piece, 1, turn);
      if (!skip && pieces.length === 1 && follows && last.holdsFor(goes, length, shape)) {
        plungeShare = down ? last.plungeShare : 0;
        arcs.add(last.contact, last.contact.arc > 0 || plungeShare > 0, 1, [goes[0], goes[1], goes[2]]);
      } else if (!skip) {
        // A short piece is looked at where it ends; the one before told of where it begins.
        const only = length < spacing / 2;
        for (let i = only ? looks : 0; i <= looks; i++) {
          const t = i / looks;
          const [x, y, z, dx, dy] = standOn(piece, t, turn);
          const contact = dx === 0 && dy === 0 ? NO_CONTACT : contactAt(field, shape, x, y, z, dx, dy);
          let touches = contact.arc > 0;
          if (down && (i === looks || length < 1e-9)) {
            const under = endShare(field, shape, piece.bx, piece.by, piece.bz);
            plungeShare = Math.max(plungeShare, under);
            touches ||= under > 0;
          }
          arcs.add(contact, touches, (k + t) / pieces.length, [x, y, z]);
          if (i === looks) last.keep(contact, plungeShare, goes, down);
        }
      }
      removed += field.cut(piece, follows || k > 0);
    }
    return arcs.result(shape, removed, plungeShare);
  }
  return { run };
}

const samePlace = (a: Point, b: Point): boolean =>
  Math.abs(a[0] - b[0]) < 1e-9 && Math.abs(a[1] - b[1]) < 1e-9 && Math.abs(a[2] - b[2]) < 1e-9;

/** Contacts along one way, summed up. */
function makeArcs() {
  let most = NO_CONTACT;
  let first: Point | null = null;
  const arcs: number[] = [];
  const shares: number[] = [];
  let since = Infinity;
  return {
    due(length: number, spacing: number): boolean {
      since += length;
      if (since < spacing) return false;
      since = 0;
      return true;
    },
    add(contact: Contact, touches: boolean, share: number, place: Point): void {
      arcs.push(touches ? contact.arc : -1);
      shares.push(share);
      if (touches) first ??= place;
      if (contact.arc > most.arc || (contact.arc === most.arc && contact.depthMm > most.depthMm))
        most = contact;
      else if (contact.depthMm > most.depthMm) most = { ...most, depthMm: contact.depthMm };
    },
    result(shape: CutterShape, removedMm3: number, plungeShare: number): Engagement {
      const touching = arcs.filter((a) => a >= 0);
      if (touching.length === 0) return removedMm3 > 0 ? { ...AIR, removedMm3 } : AIR;
      const inOrder = [...touching].sort((a, b) => a - b);
      const usualArc = inOrder[inOrder.length >> 1]!;
      return {
        most,
        usualArc,
        widthMm: widthOf(shape, most),
        removedMm3,
        air: 1 - touching.length / arcs.length,
        plungeShare,
        touches: first,
        risesAt: riseOf(arcs, shares, usualArc),
      };
    },
  };
}

/** Width across the way that a contact spans, mm. */
const widthOf = ({ radiusMm }: CutterShape, { arc, entry, exit }: Contact): number =>
  arc === 0 ? 0 : radiusMm * (Math.cos(entry) - Math.cos(exit));

function riseOf(arcs: readonly number[], shares: readonly number[], usual: number): number | null {
  if (arcs.length < 5 || usual <= 0) return null;
  let k = arcs.length;
  while (k > 0 && arcs[k - 1]! > RISE * usual) k--;
  // It rises somewhere behind the last place that is still usual.
  return k === arcs.length || k === 0 ? null : shares[k - 1]!;
}

/** Angle at which a motion goes down, degrees; 0 where it stays level or rises. */
export function rampDegrees({ from, to, arc }: Motion): number {
  const down = from[2] - to[2];
  if (down <= 0) return 0;
  const along =
    arc?.plane === 17 ? Math.abs(arc.radiusMm * arc.sweep) : Math.hypot(to[0] - from[0], to[1] - from[1]);
  return (Math.atan2(down, along) * 180) / Math.PI;
}
