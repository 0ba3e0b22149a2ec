import { isDrill, isTap, outerDiameter, type Cutter } from '../../domain/cutter.ts';
import { type Hole, PLAIN_HOLE, type ThreadForm } from '../../domain/hole.ts';
import { reamAllowance } from '../reaming.ts';
import { heightForPilot, pilotForFormed, pilotForHeight } from '../threads/thread-geometry.ts';
import { smallestHole } from '../threads/thread-mill.ts';
import { type HoleDemand, nominalOf, threadWanted, toleranceOf, wayBetween } from './hole-demand.ts';
import { type Shop, type StepDraft, toolsFor } from './shop.ts';

export const STEP_KEYS = [
  'spot',
  'pilot',
  'drill',
  'enlarge',
  'mill',
  'ream',
  'bore',
  'chamfer',
  'tap',
  'thread-mill',
] as const;
export type StepKey = (typeof STEP_KEYS)[number];

/** One step as a recipe asks for it: tools that can, best first, and what it becomes with one of them. */
export interface RecipeStep {
  readonly key: StepKey;
  readonly name: string;
  readonly tools: readonly Cutter[];
  /** What the crib lacks when there is no tool. */
  readonly missing: string;
  readonly depthMm: number;
  /** `madeMm` is the diameter the steps before it have made with the tools really taken; 0 in solid. */
  draft(cutter: Cutter, madeMm: number): StepDraft;
  /** Other numbers of the same step, tried besides. */
  variants?(draft: StepDraft): readonly StepDraft[];
  /** May be left out. */
  readonly optional: boolean;
}

/** A way to make a hole. */
export interface Recipe {
  readonly id: string;
  readonly name: string;
  readonly steps: readonly RecipeStep[];
}

const mm = (value: number): string => `${Number(value.toFixed(2))} mm`;

/** Diameters deep from which carbide, and high-speed steel, want a pilot. Rule G-61. */
const PILOT_FROM = 5;
const NEVER_WITHOUT = 8;

/** Height aimed at, per cent: enough strength, little torque. Rule G-65. */
const heightFor = (shop: Shop): number => ('SHM'.includes(shop.alloy.iso513_group) ? 65 : 72);

function holeOf(d: HoleDemand, more: Partial<Hole>): Hole {
  return {
    ...PLAIN_HOLE,
    diameterMm: nominalOf(d),
    depthMm: d.depthMm,
    through: d.through,
    entryAngleDeg: d.entryAngleDeg,
    entrySurface: d.entrySurface,
    exitAngleDeg: d.exitAngleDeg,
    crossHoles: d.crossHoles,
    straightnessMm: d.straightnessMm,
    betweenMm: wayBetween(d.pattern),
    partValue: d.partValue,
    ...more,
  };
}

/** Drills of a size that reach, nearest first. */
const drills = (shop: Shop, wanted: number, low: number, high: number, depthMm: number): Cutter[] =>
  toolsFor(
    shop,
    (c) => {
      const size = c.properties.DC ?? 0;
      return isDrill(c) && size >= low - 1e-6 && size <= high + 1e-6 && (c.properties.LU ?? 0) >= depthMm;
    },
    (c) => Math.round(Math.abs((c.properties.DC ?? 0) - wanted) * 50),
  );

const drillStep = (
  shop: Shop,
  d: HoleDemand,
  size: { readonly wanted: number; readonly low: number; readonly high: number },
  depthMm: number,
  finishes: boolean,
  piloted: boolean,
  peck: 'plan' | 'none',
): RecipeStep => {
  const reach = depthMm + (d.through ? 1 : 0);
  const tools = drills(shop, size.wanted, size.low, size.high, reach);
  return {
    key: 'drill',
    name: `Drill ${mm(tools[0]?.properties.DC ?? size.wanted)}`,
    tools,
    missing: `a drill of ${mm(size.low)} to ${mm(size.high)} that reaches ${mm(depthMm)}`,
    depthMm: reach,
    optional: false,
    draft: (c) => ({
      kind: 'drilling',
      role: 'drill',
      followedByDeg: null,
      hole: holeOf(d, {
        diameterMm: c.properties.DC ?? size.wanted,
        depthMm,
        piloted,
        toleranceMm: finishes ? toleranceOf(d) : null,
        raUm: null,
      }),
      cut: { speedRpm: 500, feedPerRevMm: 0.05, peck, breakthroughFeed: 1 },
    }),
  };
};

/** Spot or pilot before a drill, where depth or surface asks for one. */
function startSteps(shop: Shop, d: HoleDemand, drill: RecipeStep): RecipeStep[] {
  const size = drill.tools[0]?.properties.DC ?? nominalOf(d);
  const deep = drill.depthMm / size;
  const steel = drill.tools[0]?.type === 'drill_hss';
  const slope = d.entryAngleDeg > 3 || d.entrySurface === 'curved';
  const point = drill.tools[0]?.properties.SIG ?? 140;
  if (deep > PILOT_FROM || (slope && !steel)) {
    const depth = (deep > 12 ? 3 : 1.5) * size;
    return [
      {
        key: 'pilot',
        name: `Pilot ${mm(size)}`,
        // A pilot is cut by a short drill of the same size with a point no sharper than the next.
        tools: toolsFor(
          shop,
          (c) =>
            isDrill(c) &&
            c.type !== 'drill_indexable' &&
            (c.properties.DC ?? 0) >= size - 0.001 &&
            (c.properties.DC ?? 0) <= size + 0.06 &&
            (c.properties.SIG ?? 140) >= point &&
            (c.properties.LU ?? 0) >= depth &&
            (c.properties.LU ?? 0) <= 5.5 * size,
        ),
        missing: `a short drill of ${mm(size)} with a point of ${point}° or more for the pilot`,
        depthMm: depth,
        optional: deep <= NEVER_WITHOUT && !slope,
        draft: (c) => ({
          kind: 'drilling',
          role: 'pilot',
          followedByDeg: point,
          hole: holeOf(d, {
            diameterMm: c.properties.DC ?? size,
            depthMm: depth,
            through: false,
            crossHoles: 0,
            straightnessMm: null,
          }),
          cut: { speedRpm: 500, feedPerRevMm: 0.05, peck: 'none', breakthroughFeed: 1 },
        }),
      },
    ];
  }
  if (!steel) return [];
  const wide = Math.min(size, 0.6 * size + 1);
  return [
    {
      key: 'spot',
      name: 'Spot',
      // A plain 118° drill stands a sharp spot; anything flatter wants one no sharper than itself.
      tools: toolsFor(
        shop,
        (c) =>
          c.type === 'spot_drill' &&
          (c.properties.DC ?? 0) >= wide &&
          (point <= 120 || (c.properties.SIG ?? 90) >= point),
      ),
      missing: 'a spotting drill',
      depthMm: wide / 2,
      optional: true,
      draft: (c) => ({
        kind: 'drilling',
        role: 'spot',
        followedByDeg: point,
        hole: holeOf(d, {
          diameterMm: wide,
          depthMm: wide / 2 / Math.tan((((c.properties.SIG ?? 90) / 2) * Math.PI) / 180),
          through: false,
          crossHoles: 0,
          straightnessMm: null,
        }),
        cut: { speedRpm: 500, feedPerRevMm: 0.05, peck: 'none', breakthroughFeed: 1 },
      }),
    },
  ];
}

function chamferStep(shop: Shop, d: HoleDemand, holeMm: number): RecipeStep[] {
  const pitch = threadWanted(d)?.pitchMm ?? 0;
  // Half a pitch before a thread whatever the drawing says: the drill's hard lip must go. Rule G-68.
  const width = Math.max(d.chamferMm, pitch > 0 ? (nominalOf(d) - holeMm) / 2 + 0.25 * pitch : 0);
  if (width <= 0) return [];
  return [
    {
      key: 'chamfer',
      name: `Chamfer ${mm(width)}`,
      tools: toolsFor(
        shop,
        (c) =>
          c.type === 'chamfer_mill' &&
          (c.properties.DC ?? 0) + 2 <= holeMm &&
          (outerDiameter(c) - (c.properties.DC ?? 0)) / 2 >= width + 1,
      ),
      missing: `a chamfer mill whose tip goes into ${mm(holeMm)}`,
      depthMm: width,
      optional: true,
      draft: () => ({
        kind: 'chamfering',
        hole: holeOf(d, {
          diameterMm: holeMm,
          depthMm: width,
          through: false,
          crossHoles: 0,
          straightnessMm: null,
        }),
        cut: { speedRpm: 500, feedPerToothMm: 0.05, widthMm: width },
      }),
    },
  ];
}

/** Diameter of a drill as it will be used: of the first tool that can. */
const drilled = (step: RecipeStep, otherwise: number): number => step.tools[0]?.properties.DC ?? otherwise;

function drillAndStart(shop: Shop, d: HoleDemand, make: (piloted: boolean) => RecipeStep): RecipeStep[] {
  const start = startSteps(shop, d, make(false));
  return [...start, make(start.length > 0)];
}

/** Ways to a plain hole. */
function plainRecipes(shop: Shop, d: HoleDemand): Recipe[] {
  const D = d.diameterMm;
  const list: Recipe[] = [];
  const exact = { wanted: D, low: D - 0.02, high: D + 0.05 };
  const drill =
    (peck: 'plan' | 'none') =>
    (piloted: boolean): RecipeStep =>
      drillStep(shop, d, exact, d.depthMm, true, piloted, peck);
  const finish = chamferStep(shop, d, D);
  list.push({
    id: 'drill',
    name: 'Drill in one stroke',
    steps: [...drillAndStart(shop, d, drill('none')), ...finish],
  });
  list.push({
    id: 'peck',
    name: 'Drill with strokes as planned',
    steps: [...drillAndStart(shop, d, drill('plan')), ...finish],
  });
  list.push(...stepRecipe(shop, d, drill('plan')(true), finish));
  const [low, usual, high] = reamAllowance(D, undefined, shop.alloy.work_hardening.tendency);
  const before = { wanted: D - usual, low: D - 1.25 * high, high: D - low };
  const fine = (d.grade !== null && d.grade <= 9) || (d.raUm !== null && d.raUm <= 1.6);
  if (fine) {
    const drillFirst = drillAndStart(shop, d, (piloted) =>
      drillStep(shop, d, before, d.depthMm + (d.through ? 0 : 0.3 * D), false, piloted, 'plan'),
    );
    list.push({
      id: 'drill-ream',
      name: 'Drill and ream',
      steps: [
        ...drillFirst,
        ...chamferStep(shop, d, D),
        {
          key: 'ream',
          name: `Ream ${mm(D)}`,
          tools: toolsFor(
            shop,
            (c) =>
              c.type === 'reamer' &&
              Math.abs((c.properties.DC ?? 0) - D) <= 0.03 &&
              (c.properties.LU ?? 0) >= d.depthMm &&
              (d.through || (c.properties.FHA ?? 0) >= -1),
          ),
          missing: `a reamer of ${mm(D)} that reaches ${mm(d.depthMm)}${d.through ? '' : ', with straight flutes for a blind hole'}`,
          depthMm: d.depthMm + (d.through ? 2 : 0),
          optional: false,
          draft: (_, madeMm) => ({
            kind: 'reaming',
            hole: holeOf(d, { startMm: madeMm, piloted: true, toleranceMm: toleranceOf(d), raUm: d.raUm }),
            cut: { speedRpm: 200, feedPerRevMm: 0.2, outFeed: 1.5 },
          }),
        },
      ],
    });
  }
  list.push(...milledRecipes(shop, d, fine, finish));
  return list;
}

/** Diameter from which a hole is worth drilling in two steps, mm: thrust of the second is without its chisel edge. */
const STEP_FROM = 12;

/** A smaller drill first, then the hole's own over it: less thrust for a weak spindle or a thin floor. */
function stepRecipe(shop: Shop, d: HoleDemand, whole: RecipeStep, finish: readonly RecipeStep[]): Recipe[] {
  const D = d.diameterMm;
  if (D < STEP_FROM || whole.tools.length === 0) return [];
  const first = drillAndStart(shop, d, (piloted) =>
    drillStep(
      shop,
      d,
      { wanted: 0.55 * D, low: 0.35 * D, high: 0.75 * D },
      d.depthMm,
      false,
      piloted,
      'plan',
    ),
  );
  const enlarge: RecipeStep = {
    ...whole,
    key: 'enlarge',
    name: `Enlarge to ${mm(drilled(whole, D))}`,
    draft: (c, madeMm) => {
      const draft = whole.draft(c, 0);
      return { ...draft, hole: { ...draft.hole, startMm: madeMm, piloted: true } };
    },
  };
  return [{ id: 'step-drill', name: 'Drill in two steps', steps: [...first, enlarge, ...finish] }];
}

/** A hole milled on a helix, and a bored one after it or after a drill. */
function milledRecipes(shop: Shop, d: HoleDemand, fine: boolean, finish: readonly RecipeStep[]): Recipe[] {
  const D = d.diameterMm;
  const past = d.through ? 1.5 : 0;
  const mill = (target: number, name: string, toleranceMm: number | null): RecipeStep => ({
    key: 'mill',
    name,
    tools: toolsFor(
      shop,
      (c) =>
        (c.type === 'end_mill_flat' || c.type === 'end_mill_bull') &&
        outerDiameter(c) <= target / 1.2 &&
        outerDiameter(c) >= target / 6 &&
        (c.properties.LU ?? 0) >= d.depthMm + past &&
        c.extended.centre_cutting !== false,
      // Two thirds of the hole leaves no post and room for chips; a larger mill is stiffer.
      (c) => Math.round(Math.abs(outerDiameter(c) / target - 0.65) * 20),
    ),
    missing: `an end mill under ${mm(target / 1.2)} that reaches ${mm(d.depthMm + past)}`,
    depthMm: d.depthMm + past,
    optional: false,
    draft: (c) => ({
      kind: 'hole-milling',
      hole: holeOf(d, { diameterMm: target, toleranceMm, raUm: null }),
      cut: {
        speedRpm: 500,
        feedPerToothMm: 0.03,
        pitchMm: 0.2,
        stepovers: Math.max(1, Math.ceil((target / outerDiameter(c) - 2) / 0.8) + 1),
        springPasses: 0,
        pastFloorMm: past,
      },
    }),
  });
  const list: Recipe[] = [
    {
      id: 'mill',
      name: 'Mill on a helix',
      steps: [mill(D, `Mill ${mm(D)} on a helix`, toleranceOf(d)), ...finish],
    },
  ];
  if (!fine) return list;
  const leave = D - 0.5;
  const bars = toolsFor(
    shop,
    (c) =>
      c.type === 'boring_bar' &&
      Number(c.properties['DMIN'] ?? Infinity) <= leave &&
      (c.properties.LF ?? 0) >= d.depthMm + 2,
  );
  const bore: RecipeStep = {
    key: 'bore',
    name: `Bore ${mm(D)}`,
    tools: bars,
    missing: `a boring bar for ${mm(leave)} that reaches ${mm(d.depthMm)}`,
    depthMm: d.depthMm,
    optional: false,
    draft: (_, madeMm) => ({
      kind: 'boring',
      hole: holeOf(d, { startMm: madeMm, piloted: true, toleranceMm: toleranceOf(d), raUm: d.raUm }),
      cut: { speedRpm: 200, feedPerRevMm: 0.08, passes: 1, springPasses: 0 },
    }),
  };
  list.push({
    id: 'mill-bore',
    name: 'Mill and bore',
    steps: [mill(leave, `Mill ${mm(leave)} on a helix`, null), ...finish, bore],
  });
  const step = { wanted: leave, low: D - 1.5, high: D - 0.2 };
  const first = drillAndStart(shop, d, (piloted) =>
    drillStep(shop, d, step, d.depthMm, false, piloted, 'plan'),
  );
  list.push({
    id: 'drill-bore',
    name: 'Drill and bore',
    steps: [...first, ...finish, bore],
  });
  return list;
}

/** Ways to a thread. */
function threadRecipes(shop: Shop, d: HoleDemand, t: ThreadForm): Recipe[] {
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
  const taps = (types: readonly string[]): Cutter[] =>
    toolsFor(
      shop,
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
    const found = taps(types);
    const first = withDrill(size, below(chamferThreads(found[0])));
    list.push({
      id,
      name,
      steps: [
        ...first.steps,
        {
          key: 'tap',
          name: `Tap ${t.designation}`,
          tools: found,
          missing: `${lack} ${t.designation} that reaches ${mm(d.depthMm)}`,
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
        tools: toolsFor(
          shop,
          (c) =>
            c.type === 'thread_mill' &&
            tool(c) &&
            smallestHole(c.properties.DC ?? Infinity) <= first.start &&
            heightForPilot(t, c.properties.DC ?? 0) > 0,
        ),
        missing: `a thread mill of pitch ${mm(t.pitchMm)} that goes into ${mm(first.start)} and reaches ${mm(d.depthMm)}`,
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

/** Every way Burl knows to make a hole. */
export function recipesFor(shop: Shop, demand: HoleDemand): Recipe[] {
  const thread = threadWanted(demand);
  return thread ? threadRecipes(shop, demand, thread) : plainRecipes(shop, demand);
}
