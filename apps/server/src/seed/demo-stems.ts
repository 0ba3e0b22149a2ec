import { EMPTY_SETUP_PLAN, PLAIN_STRETCH, type TurnedProfile, withProfile } from '@burl/core';
import type { DemoJobMaker } from './demo-job.ts';
import type { Place } from './demo-base.ts';

const lathe: Place = {
  alloyId: 's13800-h1000',
  machineId: 'lathe-driven-18kw',
  coolant: 'flood',
  hardness: 44,
};

/** The neck the guide clears: a cone in, a cylinder, and a fillet up to the stem again. */
const NECK: TurnedProfile = {
  startMm: 30,
  elements: [
    { kind: 'step', toMm: 30, lengthMm: 62, radiusMm: null, side: 'bulging' },
    { kind: 'cone', toMm: 26, lengthMm: 4, radiusMm: null, side: 'bulging' },
    { kind: 'step', toMm: 26, lengthMm: 22, radiusMm: null, side: 'bulging' },
    { kind: 'arc', toMm: 30, lengthMm: 4.5, radiusMm: 6, side: 'hollow' },
    { kind: 'step', toMm: 30, lengthMm: 12, radiusMm: null, side: 'bulging' },
  ],
  skinMm: null,
  cornerMm: null,
};

type Makers = Parameters<DemoJobMaker>[0];
type DemoSetup = ReturnType<DemoJobMaker>['setups'][number];

const guideNeck = (turn: Makers['turn']): DemoSetup['operations'][number] => ({
  name: 'Turn the guide neck',
  variants: [
    turn(
      lathe,
      'ins-fin-55',
      'turn-block-25',
      withProfile(
        {
          ...PLAIN_STRETCH,
          startMm: 30,
          overhangMm: 150,
          support: 'tailstock',
          raUm: 1.6,
          toleranceMm: 0.1,
        },
        NECK,
      ),
    ),
  ],
});

/** The bar in the jaws: everything up to the parted stem. */
const chuckedBar = ({ turn, groove, thread }: Makers): DemoSetup => ({
  name: 'Chucked bar',
  plan: {
    ...EMPTY_SETUP_PLAN,
    datum: 'face of the stem, axis',
    workOffset: 'G54',
    holding: { kind: 'chuck', values: { forceN: 52000, diameterMm: 55, grippedMm: 40, friction: 0.22 } },
  },
  operations: [
    {
      name: 'Face the bar',
      variants: [
        turn(lathe, 'ins-fin-55', 'turn-block-25', {
          way: 'face',
          startMm: 55,
          endMm: 0,
          lengthMm: 0.8,
          overhangMm: 150,
        }),
      ],
    },
    {
      name: 'Rough the stem',
      variants: [
        turn(
          lathe,
          'ins-rough-80',
          'turn-block-25',
          { startMm: 55, endMm: 30.8, lengthMm: 120, overhangMm: 150, support: 'tailstock' },
          { cut: { depthMm: 3.05, feedPerRevMm: 0.3 }, edgesOnShelf: 8 },
        ),
      ],
    },
    {
      name: 'Finish the stem',
      variants: [
        turn(lathe, 'ins-fin-55', 'turn-block-25', {
          startMm: 30.8,
          endMm: 30,
          lengthMm: 120,
          overhangMm: 150,
          toleranceMm: 0.033,
          raUm: 0.8,
        }),
      ],
    },
    guideNeck(turn),
    {
      name: 'Groove for the seal',
      variants: [
        groove(lathe, 'groove-3', {
          startMm: 30,
          endMm: 25.2,
          lengthMm: 3.6,
          fromEndMm: 30,
          overhangMm: 150,
          toleranceMm: 0.2,
          raUm: 1.6,
        }),
      ],
    },
    {
      name: 'Thread M30 × 2',
      variants: [
        thread(lathe, 'thread-out-60-1.75-3', 'M30x2', {
          lengthMm: 22,
          overhangMm: 150,
          support: 'tailstock',
        }),
      ],
    },
    {
      name: 'Bore the seat',
      variants: [
        turn(
          lathe,
          'bore-carbide-16-5d',
          'bore-block-25',
          {
            way: 'inside',
            startMm: 22,
            endMm: 24,
            lengthMm: 70,
            overhangMm: 90,
            toleranceMm: 0.052,
            raUm: 1.6,
          },
          { tooling: { stickOutMm: 76 } },
        ),
      ],
    },
    {
      name: 'Part off',
      variants: [
        groove(
          lathe,
          'partoff-4',
          {
            way: 'part-off',
            startMm: 55,
            endMm: 0,
            fromEndMm: 130,
            overhangMm: 150,
            caughtBy: 'sub-spindle',
          },
          { tooling: { stickOutMm: 32 } },
        ),
      ],
    },
  ],
});

/** The stem in the sub-spindle: seal groove and wrench flats of its head. */
const turnedEnd = ({ groove, mill, box }: Makers): DemoSetup => ({
  name: 'Sub-spindle',
  plan: {
    ...EMPTY_SETUP_PLAN,
    datum: 'face of the head, axis',
    workOffset: 'G55',
    takenOver: true,
    holding: { kind: 'chuck', values: { forceN: 30000, diameterMm: 30, grippedMm: 60, friction: 0.22 } },
  },
  operations: [
    {
      name: 'Groove the head for its seal',
      variants: [
        groove(lathe, 'groove-face-3-32-50', {
          way: 'face',
          startMm: 46,
          endMm: 38,
          lengthMm: 3,
          fromEndMm: 0,
          overhangMm: 30,
          raUm: 1.6,
        }),
      ],
    },
    {
      name: 'Mill the wrench flats',
      variants: [
        mill(
          lathe,
          'em-bull-12-z4-re1-var',
          'driven-collet-32',
          box('side', 38, 4.5, 10, { allowanceMm: 0, wallToleranceMm: 0.1 }),
          {
            cut: { axialDepthMm: 3.3, radialEngagementMm: 0.7 },
            featuresPerPart: 2,
            inLathe: { turns: 'tool', diameterMm: 55, boreMm: 0, overhangMm: 30, support: 'chuck' },
          },
        ),
      ],
    },
  ],
});

/** Stems of cryogenic valves, turned from bar: a shop’s first lathe job. */
export const valveStem: DemoJobMaker = (makers, due) => ({
  fields: {
    number: 'CV-0612',
    part: 'Cryogenic valve stem',
    customer: 'Cryogenic valves',
    alloyId: lathe.alloyId,
    machineId: lathe.machineId,
    quantity: 12,
    heatLot: '',
    due: due(12),
    notes: 'Bar 55 mm, through the spindle.',
  },
  setups: [chuckedBar(makers), turnedEnd(makers)],
});
