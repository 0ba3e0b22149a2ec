import { type ResonancePicture, type System, toShown } from '@burl/core';
import type { Curve } from '../../charts/plot.tsx';
import type { ChatterCut } from './chatter-cut.ts';

const MARKS = {
  stable: { mark: 'circle', colour: 'clear' },
  marginal: { mark: 'rectRot', colour: 'tight' },
  chatter: { mark: 'crossRot', colour: 'over' },
} as const;

/** Curves go this far above what is shown, so that they leave the picture instead of ending in it. */
const ABOVE = 1.2;

type Likely = ResonancePicture['chance']['likely'][number];

export const mostOf = ({ chance }: ResonancePicture): number => chance.depthMm[chance.depthMm.length - 1]!;

/** Confidence at which a cut is called stable. */
export const STABLE_AT = [0.95, 0.8, 0.5] as const;
export type StableAt = (typeof STABLE_AT)[number];

/** Depth at which the chance of staying stable falls to a share, in one column of the map, mm. */
function depthAtChance(
  { chance: { rpm, depthMm, chance, likely } }: ResonancePicture,
  column: number,
  share: StableAt,
): number {
  if (share === 0.95) return likely[column]!.low;
  if (share === 0.5) return likely[column]!.middle;
  const at = (row: number): number => chance[row * rpm.length + column]!;
  for (let row = 0; row < depthMm.length; row++) {
    if (at(row) >= share) continue;
    if (row === 0) return depthMm[0]!;
    const part = (at(row - 1) - share) / Math.max(1e-9, at(row - 1) - at(row));
    return depthMm[row - 1]! + part * (depthMm[row]! - depthMm[row - 1]!);
  }
  return likely[column]!.high;
}

/** Weights of a column and its neighbours: a speed is not held, and no lobe of one tip among many is as narrow as a column. */
const KERNEL = [0.25, 0.5, 0.25] as const;

/** Depth stable at a confidence over speed, mm: one smooth border. What is quoted is read from it. */
export function stableBorder(
  data: ResonancePicture,
  share: StableAt,
): readonly { rpm: number; depthMm: number }[] {
  const top = mostOf(data) * ABOVE;
  const logs = data.chance.rpm.map((_, i) =>
    Math.log(Math.min(top, Math.max(1e-3, depthAtChance(data, i, share)))),
  );
  return data.chance.rpm.map((rpm, i) => {
    const log = KERNEL.reduce(
      (sum, w, k) => sum + w * logs[Math.min(logs.length - 1, Math.max(0, i + k - 1))]!,
      0,
    );
    return { rpm, depthMm: Math.exp(log) };
  });
}

/** The depth of a border at a speed, between its points, mm. */
export function depthOn(border: readonly { rpm: number; depthMm: number }[], rpm: number): number {
  const after = border.findIndex((b) => b.rpm >= rpm);
  if (after <= 0) return (after === 0 ? border[0]! : border.at(-1)!).depthMm;
  const [a, b] = [border[after - 1]!, border[after]!];
  const part = (rpm - a.rpm) / (b.rpm - a.rpm);
  return a.depthMm + part * (b.depthMm - a.depthMm);
}

/** The region stable at a confidence, the periodic border, cuts that were tried, and the one asked for; the rest on asking. */
export function lobesCurves(
  data: ResonancePicture,
  { op }: ChatterCut,
  system: System,
  share: StableAt,
  more: boolean,
): Curve[] {
  const mm = (v: number): number => toShown(v, 'mm', system);
  const most = mostOf(data);
  const cap = (v: number): number => mm(Math.min(v, most * ABOVE));
  const along = (pick: (l: Likely) => number) =>
    data.chance.rpm.map((x, i) => ({ x, y: cap(pick(data.chance.likely[i]!)) }));
  const cuts = (heard: keyof typeof MARKS): Curve => ({
    label: heard,
    ...MARKS[heard],
    size: 7,
    points: data.seen.filter((s) => s.heard === heard).map((s) => ({ x: s.rpm, y: mm(s.depthMm) })),
  });
  return [
    {
      label: `stable at ${100 * share}%`,
      colour: 'clear',
      width: 2.5,
      points: stableBorder(data, share).map((b) => ({ x: b.rpm, y: cap(b.depthMm) })),
      fillTo: 'origin',
    },
    {
      label: 'periodic solution',
      colour: 'series-1',
      width: 1.5,
      dash: [7, 4],
      points: data.periodic.map((p) => ({ x: p.rpm, y: cap(p.depthMm ?? Infinity) })),
    },
    ...(more
      ? ([
          { label: '50% stable', colour: 'tight', width: 1.5, points: along((l) => l.middle) },
          { label: '5% stable', colour: 'over', dash: [2, 3], width: 1.5, points: along((l) => l.high) },
          {
            label: 'zero-order (overview)',
            colour: 'series-3',
            dash: [2, 5],
            width: 1.5,
            points: data.overview.map((o) => ({ x: o.rpm, y: cap(o.depthMm) })),
          },
        ] satisfies Curve[])
      : []),
    cuts('stable'),
    cuts('marginal'),
    cuts('chatter'),
    {
      label: 'cut asked for',
      mark: 'star',
      size: 9,
      colour: 'ink',
      points: [{ x: op.cut.speedRpm, y: mm(op.cut.axialDepthMm) }],
    },
  ];
}

/** How far a better speed is looked for, as the logarithm of a ratio; and what makes it worth the change. */
const NEARBY = 0.3;
const WORTH = 1.05;

/** Within a third up or down, the speed with most room below the border of a confidence, if it is worth the change. */
export function bestNear(
  data: ResonancePicture,
  rpm: number,
  share: StableAt,
): { rpm: number; depth: number } | null {
  const border = stableBorder(data, share);
  const now = depthOn(border, rpm);
  const best = border
    .filter((b) => Math.abs(Math.log(b.rpm / rpm)) <= NEARBY)
    .reduce((most, b) => (b.depthMm > most.depthMm ? b : most), { rpm, depthMm: now });
  return best.depthMm > now * WORTH ? { rpm: best.rpm, depth: best.depthMm } : null;
}
