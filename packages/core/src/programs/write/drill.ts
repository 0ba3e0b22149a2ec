import type { Peck } from '../../physics/holes/peck.ts';
import { PECK_CLEARANCE } from '../read/cycle.ts';
import { type Dialect, numberText } from './dialect.ts';
import type { Place } from './place.ts';
import { feedText, type Writer } from './writer.ts';

export interface DrillPlan {
  /** Depth of the tip, mm. */
  readonly depthMm: number;
  readonly feedMmMin: number;
  readonly pecks: readonly Peck[];
  /** A reamer or a boring head feeds out as well. */
  readonly feedOut: boolean;
  /** Pitch of a tap, mm; null drills. */
  readonly pitchMm: number | null;
}

/** Length of even pecks, mm; null where they are uneven, so that no cycle says them. */
function evenPeck(pecks: readonly Peck[]): number | null {
  const [first] = pecks;
  if (!first || pecks.length < 2) return null;
  const length = first.toMm - first.fromMm;
  const same = pecks.every(
    (p, i) =>
      Math.abs(p.toMm - p.fromMm - length) < 0.01 || (i === pecks.length - 1 && p.toMm - p.fromMm < length),
  );
  return same ? length : null;
}

/** Holes by a cycle where one can say the pecks, else every move written out. */
export function writeDrilling(
  w: Writer,
  plan: DrillPlan,
  places: readonly Place[],
  dialect: Dialect,
  top: number,
  start: number,
): void {
  const [first] = places;
  if (!first) return;
  const bottom = top - plan.depthMm;
  const R = top + start;
  const pecked = plan.pecks.length > 1;
  const even = evenPeck(plan.pecks);
  const n = (mm: number): string => numberText(dialect, mm);
  const canned = plan.pitchMm !== null || (dialect.cycles === 'cycles' && (!pecked || even !== null));
  w.rapid({ x: first.x, y: first.y });
  if (canned) {
    const chipBreak = plan.pecks[0]?.retract === 'chip-break';
    const code =
      plan.pitchMm !== null
        ? 'G84'
        : plan.feedOut
          ? 'G85'
          : even !== null
            ? chipBreak
              ? 'G73'
              : 'G83'
            : 'G81';
    // Pecks are counted from the material; a cycle counts them from R.
    const Q = code === 'G83' || code === 'G73' ? ` Q${n(even!)}` : '';
    w.raw(
      `G98 ${code} X${n(first.x)} Y${n(first.y)} Z${n(bottom)} R${n(R)}${Q} F${feedText(dialect, plan.feedMmMin)}`,
    );
    for (const { x, y } of places.slice(1)) w.raw(`X${n(x)} Y${n(y)}`);
    w.raw('G80');
    return;
  }
  const strokes = pecked ? plan.pecks : [{ fromMm: 0, toMm: plan.depthMm, retract: 'none' as const }];
  const [, , clear] = w.at();
  for (const { x, y } of places) {
    w.rapid({ x, y });
    w.rapid({ z: R });
    for (const [k, stroke] of strokes.entries()) {
      w.line({ z: k === strokes.length - 1 ? bottom : top - stroke.toMm }, plan.feedMmMin);
      if (k === strokes.length - 1) break;
      if (stroke.retract === 'full') w.rapid({ z: R });
      w.rapid({ z: top - stroke.toMm + Math.min(PECK_CLEARANCE, stroke.toMm) });
    }
    if (plan.feedOut) w.line({ z: R }, plan.feedMmMin);
    w.rapid({ z: clear });
  }
}
