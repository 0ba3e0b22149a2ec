import { type Movable, movable, numberAt, type Range } from '../movable.ts';

type Bounds = Omit<Range, 'step'> & { readonly step?: number };

/** Feed: per revolution down the axis or along a turned part, per tooth round the hole; none where the pitch is the feed. */
export const feedMovable = ({ cut }: { readonly cut: object }): Movable[] => {
  if ('feedPerRevMm' in cut)
    return [
      movable(
        {
          key: 'fn',
          name: 'Feed',
          unit: 'mm/rev',
          at: numberAt('cut.feedPerRevMm'),
          heldBy: ['fn', 'vf'],
          ofTheCut: true,
        },
        { least: 0, above: true, most: 3, low: 0.005, high: 1.5, step: 0.002 },
      ),
    ];
  if ('feedPerToothMm' in cut)
    return [
      movable(
        {
          key: 'fz',
          name: 'Feed per tooth',
          unit: 'mm/tooth',
          at: numberAt('cut.feedPerToothMm'),
          heldBy: ['fz', 'vf', 'hex'],
          ofTheCut: true,
        },
        { least: 0, above: true, most: 1, low: 0.002, high: 0.5, step: 0.001 },
      ),
    ];
  return [];
};

/** The hole that was made before. */
export const preHole = (range: Bounds): Movable =>
  movable(
    { key: 'preHole', name: 'Pre-hole diameter', unit: 'mm', at: numberAt('hole.startMm') },
    { step: 0.05, ...range },
  );

/** Passes along the finished wall. */
export const SPRING_PASSES: Movable = movable(
  { key: 'springPasses', name: 'Spring passes', unit: 'pieces', at: numberAt('cut.springPasses') },
  { least: 0, most: 3, low: 0, high: 2, step: 1 },
);

/** Passes a depth or an allowance is divided into. */
export const passes = (name: string, most: number): Movable =>
  movable(
    { key: 'passes', name, unit: 'pieces', at: numberAt('cut.passes') },
    { least: 1, most, low: 1, high: 6, step: 1 },
  );
