import { type Cutter, isTap } from '../../crib/cutter.ts';
import type { ThreadForm } from '../../physics/holes/hole.ts';
import { heightForPilot, pilotForFormed, pilotForHeight } from '../../physics/threads/thread-geometry.ts';
import { smallestHole } from '../../physics/threads/thread-mill.ts';
import { chamferStep, drillAndStart, drilled, drillStep } from './drill-steps.ts';
import type { HoleDemand } from './hole-demand.ts';
import { holeOf, mm, type Recipe, type RecipeStep } from './recipe.ts';
import { type Shop, type StepDraft, wanted } from './shop.ts';

/** Height aimed at, per cent: enough strength, little torque. Rule G-65. */
const heightFor = (shop: Shop): number => ('SHM'.includes(shop.alloy.iso513_group) ? 65 : 72);

/** Ways to a thread. */
export function threadRecipes(shop: Shop, d: HoleDemand, t: ThreadForm): Recipe[] {
  const height = heightFor(shop);
  const cut = {
    wanted: pilotForHeight(t, height),
    low: pilotForHeight(t, 82),
    high: pilotForHeight(t, 55),
  };
  const formed = {
    wanted: pilotForFormed(t, 70),
    low: pilotForFormed(t, 88),
    high: pilotForFormed(t, 55),
  };
  const tool = (c: Cutter): boolean =>
    Math.abs(Number(c.properties['TP'] ?? 0) - t.pitchMm) < 0.002 &&
    (c.properties.LU ?? 0) >= d.depthMm + t.pitchMm;
  const chamferThreads = (c: Cutter | undefined): number => Number(c?.properties['THL'] ?? 2.5);
  const taps = (types: readonly string[], lack: string): Pick<RecipeStep, 'tools' | 'missing'> =>
    wanted(
      shop,
      `${lack} ${t.designation} that reaches ${mm(d.depthMm)}`,
      (c) =>
        isTap(c) && types.includes(c.type) && tool(c) && Math.abs((c.properties.DC ?? 0) - t.majorMm) < 0.02,
      (c) => types.indexOf(c.type),
    );
  const below = (threads: number): number => (d.through ? 0 : (threads + 1.6) * t.pitchMm);
  const withDrill = (
    size: typeof cut,
    runOut: number,
  ): { steps: RecipeStep[]; start: number; depth: number } => {
    // A stated depth of the drilled hole is kept: then it is the tap that may not fit.
    const depth = d.through ? d.depthMm : (d.drilledDepthMm ?? d.depthMm + runOut);
    const steps = drillAndStart(shop, d, (piloted) =>
      drillStep(shop, d, size, depth, false, piloted, 'plan'),
    );
    const start = drilled(steps.at(-1)!, size.wanted);
    return { steps: [...steps, ...chamferStep(shop, d, start)], start, depth };
  };
  const list: Recipe[] = [];
  const tapping = (
    id: string,
    name: string,
    types: readonly string[],
    size: typeof cut,
    lack: string,
  ): void => {
    const found = taps(types, lack);
    const first = withDrill(size, below(chamferThreads(found.tools[0])));
    list.push({
      id,
      name,
      steps: [
        ...first.steps,
        {
          key: 'tap',
          name: `Tap ${t.designation}`,
          ...found,
          depthMm: first.depth,
          optional: false,
          draft: (_, madeMm) => ({
            kind: 'tapping',
            thread: t,
            hole: holeOf(d, { startMm: madeMm, startDepthMm: first.depth, piloted: true }),
            cut: { speedRpm: 100, synchronous: true },
          }),
        },
      ],
    });
  };
  tapping(
    'tap',
    'Drill and tap',
    d.through ? ['tap_spiral_point', 'tap_spiral_flute'] : ['tap_spiral_flute'],
    cut,
    d.through ? 'a tap' : 'a spiral-flute tap',
  );
  tapping('form-tap', 'Drill and form the thread', ['tap_forming'], formed, 'a forming tap');
  const first = withDrill(cut, 1.2 * t.pitchMm);
  list.push({
    id: 'thread-mill',
    name: 'Drill and mill the thread',
    steps: [
      ...first.steps,
      {
        key: 'thread-mill',
        name: `Mill thread ${t.designation}`,
        ...wanted(
          shop,
          `a thread mill of pitch ${mm(t.pitchMm)} that goes into ${mm(first.start)} and reaches ${mm(d.depthMm)}`,
          (c) =>
            c.type === 'thread_mill' &&
            tool(c) &&
            smallestHole(c.properties.DC ?? Infinity) <= first.start &&
            heightForPilot(t, c.properties.DC ?? 0) > 0,
        ),
        depthMm: d.depthMm + 1,
        optional: false,
        draft: (_, madeMm) => ({
          kind: 'thread-milling',
          thread: t,
          hole: holeOf(d, { startMm: madeMm, startDepthMm: first.depth, piloted: true }),
          cut: { speedRpm: 500, feedPerToothMm: 0.03, passes: 1, springPasses: 0 },
        }),
        variants: (draft) =>
          [2, 3, 4, 5].map((passes) => ({ ...draft, cut: { ...draft.cut, passes } }) as StepDraft),
      },
    ],
  });
  return list;
}
