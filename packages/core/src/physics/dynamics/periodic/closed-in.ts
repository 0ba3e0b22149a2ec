import { type Border, shortStep } from './border.ts';
import type { Bracket } from './bracketed.ts';
import type { Growth } from './growth.ts';
import { isFlat, learnt, missedBy, secantOf, zeroFrom } from './growth-slope.ts';

/** Depths looked at between two ends at most. */
const MOST_LOOKS = 24;
/** A step stays this far inside, as a share of the way from end to end. */
const INSIDE = 0.08;
/** Where a chord leads from one multiplier to another the one that grows is at least this much steeper. */
const STEEPER = 2;
/** Secants that say other than what is known, after which the middle is taken. */
const MOST_UNLIKE = 2;

/**
 * The border between two depths: secants from the last one looked at; where the last two do not say the same, from the upper end, which
 * is the only one certain to belong to what grows. Ends where a secant may be off by no more than `step`, a share of the depth;
 * `endsOff` is what the ends are off by.
 */
export function closedIn(
  growth: (depthMm: number) => Growth,
  bracket: Bracket,
  step: number,
  endsOff: number,
): Border {
  let { low, high, lowIsOther, known } = bracket;
  let last = -low.log < high.log ? low : high;
  if (low === high) {
    return { depthMm: last.depthMm * Math.exp(shortStep(last, known)), found: last, known, reached: true };
  }
  for (let i = 0, unlike = 0; i < MOST_LOOKS; i++) {
    const sure = known.unlike === undefined && !(lowIsOther && last === low);
    const from = sure ? last : high;
    const slope = sure ? known.slope : Math.max(known.slope, STEEPER * secantOf(low, high));
    const wantedMm = zeroFrom(from, slope);
    const apart = Math.log(high.depthMm / low.depthMm);
    const off = from === bracket.low || from === bracket.high ? endsOff : 0;
    if ((sure && missedBy(from, known) + off < step) || apart < step) {
      const depthMm = Math.min(high.depthMm, Math.max(low.depthMm, wantedMm));
      return { depthMm, found: from, known, reached: true };
    }
    const place = Math.log(wantedMm / low.depthMm) / apart;
    const inside = unlike < MOST_UNLIKE && place > 0 && place < 1;
    const share = inside ? Math.min(1 - INSIDE, Math.max(INSIDE, place)) : 0.5;
    const next = growth(low.depthMm * Math.exp(share * apart));
    const grows = next.log >= 0;
    if (lowIsOther && !grows) lowIsOther = isFlat(learnt(known, low, next));
    // What grows is told by two depths that grow, or by one that does and one below that is known to belong to it.
    const ends = lowIsOther ? [high] : grows ? [low, high] : [high, low];
    const told = ends.map((end) => learnt(known, end, next));
    known = told.find((t) => t.unlike === undefined) ?? told[0]!;
    unlike = known.unlike === undefined ? 0 : unlike + 1;
    if (grows) high = next;
    else low = next;
    last = next;
  }
  return { depthMm: last.depthMm, found: last, known, reached: false };
}
