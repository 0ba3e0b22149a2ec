import { HOLDINGS, measure, say, type Sentence } from '@burl/core';
import type { ReleasedSetup, ReleaseSnapshot } from './releases.ts';

/** Lines of the sheet under one title. */
export interface FactGroup {
  readonly title: string;
  readonly lines: readonly Sentence[];
}

const hours = (minutes: number): string =>
  minutes < 100 ? `${Math.round(minutes)} min` : `${(minutes / 60).toFixed(1)} h`;
const money = (value: number, currency: string): string =>
  `${value.toLocaleString('en-GB', { maximumFractionDigits: value < 100 ? 2 : 0 })} ${currency}`;
const inTen = (chance: number): string => `${(100 * chance).toFixed(chance < 0.1 ? 1 : 0)}%`;

function setupLines(setup: ReleasedSetup, { batch }: ReleaseSnapshot): Sentence[] {
  const { plan } = setup;
  const { holding } = plan;
  const lines = [
    say(
      [
        `${plan.up} side up`,
        plan.datum && `zero at ${plan.datum}`,
        plan.workOffset,
        `${plan.partsPerLoad} ${plan.partsPerLoad === 1 ? 'part' : 'parts'} a load`,
        plan.partsPerLoad > 1 &&
          (plan.order === 'by-tool' ? 'each tool cuts all of them' : 'one after the other'),
        plan.locatesOn && `locates on ${plan.locatesOn}`,
      ]
        .filter(Boolean)
        .join('; '),
    ),
  ];
  if (holding) {
    const values = HOLDINGS[holding.kind].fields.map((f) =>
      measure(holding.values[f.key] ?? f.usual, f.unit),
    );
    const words = HOLDINGS[holding.kind].fields.map(
      (f, i) => `${f.label[0]!.toLowerCase()}${f.label.slice(1)} {${i}}`,
    );
    lines.push(say(`Held by ${HOLDINGS[holding.kind].name}: ${words.join(', ')}.`, ...values));
  }
  const report = batch?.holdings.find((h) => h.setup === setup.name);
  if (report?.worst)
    lines.push(
      say(
        `Most used by ${report.worst.name}: ${Math.round(100 * Math.min(99, report.worst.use.share))}% by ${report.worst.use.by}, part at {0}${report.releaseC === null ? '' : ', lets go at {1}'}.`,
        measure(report.worst.temperatureC, 'degC-fine'),
        ...(report.releaseC === null ? [] : [measure(report.releaseC, 'degC-fine')]),
      ),
    );
  const taken = batch?.transfers?.find((r) => r.setup === setup.name);
  if (taken)
    lines.push(
      say('Taken over by the sub-spindle in {0}.', measure(60 * taken.minutes, 's')),
      ...taken.findings.filter((f) => f.state !== 'clear').map((f) => f.why),
      ...taken.cautions.map((c) => say(c)),
    );
  if (holding) lines.push(...HOLDINGS[holding.kind].cautions.map((c) => say(c)));
  return lines;
}

/** What the sheet says of setups, batch, first piece and night, as it was worked out when release was asked for. */
export function batchFacts(snapshot: ReleaseSnapshot): readonly FactGroup[] {
  const { batch, setups = [] } = snapshot;
  const groups: FactGroup[] = setups
    .filter((s) => s.operationIds.length > 0)
    .map((s) => ({ title: s.name, lines: setupLines(s, snapshot) }));
  if (!batch) return groups;
  const { minutes, money: cost, first, warp, nights, tools } = batch;
  groups.push({
    title: 'Batch',
    lines: [
      say(
        `${minutes.blanks} blanks; ${minutes.perPart.toFixed(1)} min a part, ${hours(minutes.batch)} in all; ${money(cost.perPart, cost.currency)} a part, ${money(cost.batch, cost.currency)} the batch.`,
      ),
      say(
        `Edges: ${tools.map((t) => `${t.edges} × ${t.name}${t.onShelf === null ? '' : ` (${t.onShelf} on the shelf)`}`).join('; ')}.`,
      ),
      ...nights.map((n) =>
        say(
          `${n.setup} alone: ${n.safe ? `up to ${n.safe.parts} ${n.safe.parts === 1 ? 'part' : 'parts'} (${hours(n.safe.minutes)})` : 'not one part'} at ${inTen(n.confidence)}, ended by: ${n.endedBy}; a night puts ${money(n.night.expectedLoss, cost.currency)} at risk. Only where site rules allow it.`,
        ),
      ),
    ],
  });
  groups.push({
    title: 'First piece',
    lines: [
      ...(first.flagged
        ? [
            say(
              `One piece goes through every setup first: ${money(first.stake, cost.currency)} lie in half-made parts otherwise.`,
            ),
          ]
        : []),
      ...first.steps,
      ...(warp && warp.chance !== 'unlikely'
        ? [
            say(
              `It may bow {0} to {1} when it is let go (judgement). Lowers it: ${warp.lowers.join('; ')}.`,
              measure(warp.bow.low, 'mm-fine'),
              measure(warp.bow.high, 'mm-fine'),
            ),
          ]
        : []),
    ],
  });
  return groups;
}
