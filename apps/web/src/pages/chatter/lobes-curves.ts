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

/** How likely a cut stays stable, the overview, the periodic border, cuts that were tried, and the one asked for. */
export function lobesCurves(data: ResonancePicture, { op }: ChatterCut, system: System): Curve[] {
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
    { label: '95% stable', colour: 'clear', dash: [2, 3], width: 1.5, points: along((l) => l.low) },
    { label: '5% stable', colour: 'over', dash: [2, 3], width: 1.5, points: along((l) => l.high), fillTo: 0 },
    { label: '50% stable', colour: 'tight', width: 1.5, points: along((l) => l.middle) },
    {
      label: 'zero-order (overview)',
      colour: 'series-3',
      dash: [7, 4],
      width: 1.5,
      points: data.overview.map((o) => ({ x: o.rpm, y: cap(o.depthMm) })),
    },
    {
      label: 'periodic solution',
      colour: 'series-1',
      width: 3,
      points: data.periodic.map((p) => ({ x: p.rpm, y: cap(p.depthMm ?? Infinity) })),
    },
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

/** What is likely at the speed of the picture nearest to one. */
export function nearest(data: ResonancePicture, rpm: number): Likely {
  const at = data.chance.rpm.reduce(
    (best, n, i) => (Math.abs(n - rpm) < Math.abs(data.chance.rpm[best]! - rpm) ? i : best),
    0,
  );
  return data.chance.likely[at]!;
}

/** How far a better speed is looked for, as the logarithm of a ratio; and what makes it worth the change. */
const NEARBY = 0.3;
const WORTH = 1.05;

/** Within a third up or down the speed with most room, if it is worth the change. */
export function bestNear(data: ResonancePicture, rpm: number): { rpm: number; depth: number } | null {
  const now = nearest(data, rpm).middle;
  let best: { rpm: number; depth: number } | null = null;
  data.chance.rpm.forEach((n, i) => {
    if (Math.abs(Math.log(n / rpm)) > NEARBY) return;
    const depth = data.chance.likely[i]!.middle;
    if (depth > now * WORTH && depth > (best?.depth ?? 0)) best = { rpm: n, depth };
  });
  return best;
}
