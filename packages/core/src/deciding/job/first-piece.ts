import type { HoldingReport } from './holding-report.ts';
import { HOLDINGS } from '../../physics/holding/holdings.ts';
import { measure, say, type Sentence } from '../../units/sentence.ts';
import type { JobMoney } from './job-money.ts';
import type { JobRisk } from './job-risk.ts';
import type { JudgedJob } from './judged-job.ts';
import type { WarpReport } from './warp-report.ts';

/** How the first piece goes, and what is at stake where it does not go first. */
export interface FirstPiece {
  /** The batch would go through the first setup before one piece has passed the last. */
  readonly flagged: boolean;
  /** What lies in half-made parts by then, in the shop's currency. */
  readonly stake: number;
  readonly parts: number;
  /** In the order they are done; the floor signs each. */
  readonly steps: readonly Sentence[];
}

/** The first piece: whether it goes through all setups first, what is at stake, and what is checked on its way. */
export function firstPiece(
  job: JudgedJob,
  risk: JobRisk,
  money: JobMoney,
  warp: WarpReport | null,
  holdings: readonly HoldingReport[],
): FirstPiece {
  const used = job.setups.filter((s) => s.operations.length > 0);
  const last = used.at(-1);
  const parts = job.quantity + job.plan.spares;
  // A part that is taken over goes on at once: it waits only before a setup that somebody loads.
  const loaded = used.filter((s, i) => i === 0 || !s.plan.takenOver);
  const waits = used.indexOf(loaded.at(-1)!);
  // Half-made parts hold their blank and all that was done before the last of those.
  const before = used.slice(0, Math.max(0, waits)).flatMap((s) => s.operations.map((o) => o.id));
  const spent = money.operations.filter((o) => before.includes(o.id)).reduce((sum, o) => sum + o.total, 0);
  const steps: Sentence[] = [];
  for (const s of used) {
    const held = holdings.find((h) => h.setupId === s.id);
    const { datum, workOffset, holding, locatesOn } = s.plan;
    if (s.plan.takenOver)
      steps.push(
        say(
          `${s.name}: take one part over in single blocks, feed from zero, at low speed; look at length and angle before it is cut.`,
        ),
      );
    if (s !== used[0] && locatesOn)
      steps.push(say(`${s.name}: check that ${locatesOn} is finished and clean before it locates.`));
    steps.push(
      say(
        `${s.name}: zero at ${datum || 'the stated datum'}${workOffset ? `, ${workOffset}` : ''}; ${
          holding ? HOLDINGS[holding.kind].name : 'holding'
        } checked; one piece only.`,
      ),
    );
    if (held?.worst) steps.push(say(`${s.name}: after ${held.worst.name} look whether the part has moved.`));
    if (s !== last && warp && warp.chance !== 'unlikely')
      steps.push(
        say(
          `${s.name}: let the part go, measure how it bows over its length ({0} to {1} expected), write it down.`,
          measure(warp.bow.low, 'mm-fine'),
          measure(warp.bow.high, 'mm-fine'),
        ),
      );
    if (s === last)
      steps.push(
        job.plan.toleranceMm === null
          ? say(`${s.name}: let the part go and measure all that governs, free, at room temperature.`)
          : say(
              `${s.name}: let the part go and measure all that governs ({0}), free, at room temperature.`,
              measure(job.plan.toleranceMm, 'mm-fine'),
            ),
      );
  }
  if (used.length > 0 && parts > 1) steps.push(say('Only now the batch goes through the first setup.'));
  return {
    flagged: loaded.length > 1 && !job.plan.firstThroughAll && parts > 1,
    stake: loaded.length > 1 ? parts * (risk.blankValue + spent) : 0,
    parts,
    steps,
  };
}
