import { type Alloy, isPolymer } from '../../crib/alloy.ts';
import { Z90 } from '../../judging/estimate.ts';
import type { Band } from '../../judging/result.ts';
import { normalBelow } from '../../numerics/normal.ts';
import { bowAfter } from '../../physics/structure/warp.ts';
import { blankOf, type JobPlan } from './job-plan.ts';

/** How much stress a blank of an alloy and condition brings along in its skin. Judgement, in classes a shop knows. */
export interface StressClass {
  readonly name: 'low' | 'medium' | 'high';
  /** Stress of the skin, MPa, and how deep it reaches, share of the thickness. */
  readonly stressMPa: number;
  readonly depthShare: number;
  readonly because: string;
}

const LOW = { name: 'low', stressMPa: 25, depthShare: 0.15 } as const;
const MEDIUM = { name: 'medium', stressMPa: 70, depthShare: 0.15 } as const;
const HIGH = { name: 'high', stressMPa: 150, depthShare: 0.15 } as const;

/** The class of an alloy in its condition: what was done to it last decides. */
export function stressClassOf(alloy: Alloy): StressClass {
  const said = `${alloy.condition} ${alloy.name}`.toLowerCase();
  const hard = alloy.hardness.scale === 'HRC' && alloy.hardness.typical >= 45;
  if (/t\d?51|stress.?reliev|stretch/.test(said)) return { ...LOW, because: 'stretched or stress relieved' };
  if (isPolymer(alloy)) return { ...LOW, stressMPa: 3, because: 'extruded plastic keeps a little' };
  if (hard) return { ...HIGH, because: 'hardened: quenching leaves much stress in the skin' };
  if (/cold|h\d{2}|drawn|t6|t73|quench/.test(said))
    return { ...HIGH, stressMPa: 90, because: 'quenched or cold worked and not stretched' };
  if (/anneal|normali/.test(said)) return { ...LOW, because: 'annealed' };
  if (/cast/.test(said)) return { ...MEDIUM, because: 'cast' };
  if (/aged|solution|age/.test(said)) return { ...MEDIUM, because: 'solution treated and aged' };
  return { ...MEDIUM, because: 'bar or plate as delivered' };
}

/** What may come of it when the part is let go: always a judgement, with a wide band. */
export interface WarpReport {
  readonly stress: StressClass;
  /** Mean depth taken off top and bottom over the whole plan, mm. */
  readonly topMm: number;
  readonly bottomMm: number;
  readonly leftMm: number;
  /** Bow over the long side after release, mm. */
  readonly bow: Band;
  /** The same when both sides lose alike; mm. */
  readonly alikeMm: number;
  /** Against what the part may be wrong by; null where nobody stated it. */
  readonly toleranceMm: number | null;
  readonly chance: 'unlikely' | 'possible' | 'likely';
  readonly lowers: readonly string[];
}

/** What the band spans either way: a blank's stress is never known better. */
const SPREAD = 3;
/** What both sides lose alike is never quite alike. */
const UNLIKE = 0.15;

/** Volume of the features cut from a side, mm³. */
const volumeFrom = (plan: JobPlan, side: 'top' | 'bottom'): number =>
  plan.features
    .filter((f) => f.side === side)
    .reduce((sum, f) => {
      const area = f.kind === 'hole' ? (Math.PI / 4) * f.diameterMm ** 2 : f.lengthMm * f.widthMm;
      return sum + area * f.depthMm * f.count;
    }, 0);

/** An estimate of how a part bows after release; null where its size is not known. */
export function warpReport(plan: JobPlan, alloy: Alloy): WarpReport | null {
  const { part, stock } = plan;
  const blank = blankOf(plan);
  if (!part || !blank) return null;
  const area = part.lengthMm * part.widthMm;
  const topMm = Math.min(blank.heightMm * 0.9, stock.top + volumeFrom(plan, 'top') / area);
  const bottomMm = Math.min(blank.heightMm * 0.9, stock.bottom + volumeFrom(plan, 'bottom') / area);
  const leftMm = Math.max(0.05 * blank.heightMm, blank.heightMm - topMm - bottomMm);
  const stress = stressClassOf(alloy);
  const modulus = alloy.youngs_modulus_gpa ?? 200;
  const lengthMm = Math.max(part.lengthMm, part.widthMm);
  const bowOf = (top: number, bottom: number): number =>
    bowAfter(
      { lengthMm, blankMm: blank.heightMm, topMm: top, bottomMm: bottom },
      stress.stressMPa,
      stress.depthShare * blank.heightMm,
      modulus,
    );
  const mean = (topMm + bottomMm) / 2;
  const alikeMm = bowOf(mean * (1 + UNLIKE), mean * (1 - UNLIKE));
  const value = Math.max(bowOf(topMm, bottomMm), alikeMm);
  const bow = { value, low: value / SPREAD, high: value * SPREAD, basis: ['residual-stress'] };
  const limit = plan.toleranceMm;
  const chance =
    limit === null
      ? value > 0.05
        ? 'possible'
        : 'unlikely'
      : value > limit
        ? 'likely'
        : bow.high > limit
          ? 'possible'
          : 'unlikely';
  const lowers: string[] = [];
  if (Math.abs(topMm - bottomMm) > 0.2 * Math.max(topMm, bottomMm))
    lowers.push('rough both sides before finishing either');
  if (
    stock.top > 0 &&
    stock.bottom > 0 &&
    Math.abs(stock.top - stock.bottom) > 0.2 * Math.max(stock.top, stock.bottom)
  )
    lowers.push('take the stock alike from top and bottom');
  if (stress.name === 'high' && alloy.hardness.scale !== 'HRC')
    lowers.push('a stretched or stress-relieved blank');
  if (stress.name !== 'low') lowers.push('stress relief after roughing');
  lowers.push(
    'unclamp after roughing, let it rest, clamp lightly again',
    'finish with little left on both sides',
  );
  return { stress, topMm, bottomMm, leftMm, bow, alikeMm, toleranceMm: limit, chance, lowers };
}

/** Chance that a part bows by more than what governs; 0 where nobody stated it. */
export function bowTooLarge(warp: WarpReport | null): number {
  if (!warp || warp.toleranceMm === null || !(warp.bow.value > 0)) return 0;
  return normalBelow((Math.log(warp.bow.value / warp.toleranceMm) * Z90) / Math.log(SPREAD));
}
