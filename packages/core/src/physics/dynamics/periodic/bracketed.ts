import type { Growth } from './growth.ts';
import { fromTheory, isFlat, learnt, missedBy, type Slope } from './growth-slope.ts';
import { isUnfollowed } from './unfollowed.ts';

/** Two depths with the border between them, one and the same where it is the border as well as is asked. */
export interface Bracket {
  readonly low: Growth;
  readonly high: Growth;
  /** Whether the lower one belongs to another multiplier. */
  readonly lowIsOther: boolean;
  readonly known: Slope;
}

/** Share of the depth begun with below which no border is looked for. */
const LEAST_SHARE = 1e-4;
/** Well below the averaged border a longer step is safe. */
const WELL_BELOW = 0.8;
/** A step goes beyond where the border is expected by this share of its doubt, and by a little. */
const BEYOND = 0.5;
const MARGIN = 0.005;
/** A growth that rises by less than this from depth to depth belongs to something that hardly feels the cut. */
const FLAT = 0.02;
/** Far below the border, as ln |μ|: there a long step is safe. */
const FAR_BELOW = -0.25;
/** Steps that go by where the last two depths point. */
const POINTED = 12;
/** Where the border is expected to be this near, as ln of the depth and ln |μ|, nothing is left out on the way to it. */
const NEAR = 0.04;
const NEARLY_GROWS = -0.05;
/** What is nearly the deepest looked at is taken to be it. */
const NEARLY_MOST = 0.9;

/** Step to a little beyond where the border is expected. */
const pointedTo = ({ log }: Growth, { slope, doubt }: Slope): number =>
  Math.exp((-log / slope) * (1 + BEYOND * Math.min(1, doubt)) - Math.sign(log) * MARGIN);

/** Step upward from a depth: no leap over what may lie between. */
function stepUp(at: Growth, before: Growth | null, known: Slope, aboutMm: number): number {
  const below = at.depthMm < WELL_BELOW * aboutMm;
  const usual = below || at.log < FAR_BELOW ? 1.5 : 1.22;
  if (!before) return Math.min(usual, pointedTo(at, known));
  if (at.log < FAR_BELOW / 2 && at.log < before.log + FLAT) return 1.5;
  // Of what rises less than it should another multiplier may take the place sooner, or never.
  const slope = known.unlike === undefined ? known.slope : Math.min(known.slope, known.unlike);
  return slope > 0 ? Math.min(below ? 1.5 : 1.3, pointedTo(at, { ...known, slope })) : usual;
}

const stepDown = (at: Growth, known: Slope): number => Math.max(0.6, pointedTo(at, known));

/** Where a border is looked for, mm. */
export interface SearchWish {
  /** Depth begun at, and the one looked at next where that is calm and this is deeper; null is none in particular. */
  readonly firstMm: number;
  readonly nextMm: number | null;
  /** Depth of the cut itself: no step upward leads past it. */
  readonly askedMm?: number;
  /** Where it is expected, and the deepest looked at. */
  readonly aboutMm: number;
  readonly mostMm: number;
  /** Change of ln |μ| with ln of the depth that is expected there. */
  readonly slope: number;
}

/**
 * Two depths with the border between them, looked for from a first one on; null where nothing grows up to the deepest. A depth that
 * misses the border by no more than `step`, a share, ends it, and so does what is quicker than the nodes follow.
 */
export function bracketed(
  growth: (depthMm: number) => Growth,
  { firstMm, nextMm, askedMm = 0, aboutMm, mostMm, slope }: SearchWish,
  step: number,
): Bracket | null {
  let at = growth(firstMm);
  let before: Growth | null = null;
  let known = fromTheory(slope);
  for (let i = 0; ; i++) {
    const down = at.log >= 0;
    if (!down && at.depthMm >= mostMm) return null;
    if (missedBy(at, known) < step || at.depthMm < LEAST_SHARE * firstMm || isUnfollowed(at)) {
      return { low: at, high: at, lowIsOther: false, known };
    }
    // Where the last two depths point to a border that is not there, plain steps get to the end.
    const plain = down ? 0.6 : 1.5;
    const factor = i >= POINTED ? plain : down ? stepDown(at, known) : stepUp(at, before, known, aboutMm);
    const far = at.log < NEARLY_GROWS || (!down && -at.log / known.slope > NEAR);
    const leap = far && i === 0 && nextMm !== null && nextMm > at.depthMm * factor;
    const free = leap ? nextMm : at.depthMm * factor;
    const wanted = at.depthMm < askedMm && askedMm < free ? askedMm : free;
    const last = wanted > mostMm || (at.log < FAR_BELOW && wanted > NEARLY_MOST * mostMm);
    const next: Growth = growth(last ? mostMm : wanted);
    const lowIsOther = !down && isFlat(known);
    known = learnt(known, at, next);
    if (down !== next.log >= 0) {
      return down ? { low: next, high: at, lowIsOther, known } : { low: at, high: next, lowIsOther, known };
    }
    [before, at] = [at, next];
  }
}
