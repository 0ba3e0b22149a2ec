import type { JobMinutes } from './job-minutes.ts';
import { millingState } from '../../operations/milling/milling-state.ts';
import { type JudgedJob, type JudgedOperation, operationsOfJob } from './judged-job.ts';

/** One change that takes minutes out of a batch. */
export interface Shortening {
  readonly what: string;
  /** Minutes a batch. */
  readonly saves: number;
  readonly operationId: string | null;
}

/** Worth telling from, share of the batch. */
const WORTH = 0.01;

/** To drill the hole that opens a feature, minutes. Judgement. */
const DRILLING_MIN = 0.2;

/** Minutes of the way into one feature. */
function entryMinutes({ document, context }: JudgedOperation): number {
  return document.kind === 'milling' ? millingState(document, context).minutes.entry : 0;
}

/** What would shorten a batch by how it is run, without another cut: order, sharing tools, more parts a load, one place for a tool. */
export function shortenings(job: JudgedJob, minutes: JobMinutes): Shortening[] {
  const found: Shortening[] = [];
  const { blanks, batch } = minutes;
  for (const s of minutes.setups) {
    const plan = job.setups.find((x) => x.id === s.id)!.plan;
    const perLoad = (s.changes - s.changesOtherwise) * s.oneChangeMin;
    if (perLoad > 0)
      found.push({
        what: `${s.name}: ${plan.order === 'by-tool' ? 'finish each part before the next' : 'let each tool cut all parts of the load'}: ${s.changesOtherwise} instead of ${s.changes} tool changes a load`,
        saves: (perLoad / s.partsPerLoad) * blanks,
        operationId: null,
      });
    if (plan.order === 'by-tool' && s.partsPerLoad === 1 && s.changes > 1 && blanks > 1) {
      const parts = Math.min(4, blanks);
      found.push({
        what: `${s.name}: ${parts} parts a load share their tool changes`,
        saves: s.changes * s.oneChangeMin * (1 - 1 / parts) * blanks,
        operationId: null,
      });
    }
  }
  const operations = operationsOfJob(job);
  for (const o of operations) {
    const m = minutes.operations[o.id]!;
    if (o.document.kind !== 'milling') continue;
    const { feature, cut } = o.document;
    const entry = entryMinutes(o);
    const change = minutes.setups.find((x) =>
      job.setups.some((y) => y.id === x.id && y.operations.includes(o)),
    );
    // A drill opens the way: its change and a minute of drilling are taken off what is won.
    const drilled =
      (entry - DRILLING_MIN) * o.document.featuresPerPart -
      (change ? change.oneChangeMin / change.partsPerLoad : 0);
    if (o.document.path.entry.method === 'helix' || o.document.path.entry.method === 'ramp')
      found.push({
        what: `${o.name}: a drilled entry in place of a ${o.document.path.entry.method} of ${entry.toFixed(1)} min`,
        saves: drilled * blanks,
        operationId: o.id,
      });
    const levels = Math.ceil(feature.depthMm / cut.axialDepthMm - 1e-6);
    if (levels > 1 && m.linking > 0.15 * (m.cutting + m.linking))
      found.push({
        what: `${o.name}: ${levels} levels link for ${Math.round((100 * m.linking) / (m.cutting + m.linking))}% of its time; one level fewer`,
        saves: (m.linking / levels) * blanks,
        operationId: o.id,
      });
  }
  for (const s of job.setups) {
    // Two tools for alike work in one setup: one of them could do both.
    const seen = new Map<string, (typeof operations)[number]>();
    for (const o of s.operations) {
      if (o.document.kind !== 'milling') continue;
      const d = o.context.cutter.properties.DC ?? 0;
      const like = [...seen.values()].find(
        (x) =>
          x.context.cutter.id !== o.context.cutter.id &&
          Math.abs((x.context.cutter.properties.DC ?? 0) - d) <= 0.25 * d &&
          x.context.cutter.type === o.context.cutter.type,
      );
      const of = minutes.setups.find((x) => x.id === s.id)!;
      if (like)
        found.push({
          what: `${o.name} with the ${like.context.cutter.name} of ${like.name}: one tool for two features`,
          saves: (of.oneChangeMin / of.partsPerLoad) * blanks,
          operationId: o.id,
        });
      seen.set(o.id, o);
    }
  }
  return found
    .filter((f) => f.saves >= WORTH * batch)
    .sort((a, b) => b.saves - a.saves)
    .slice(0, 6);
}
