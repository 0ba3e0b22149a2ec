import { EMPTY_JOB_PLAN, EMPTY_SETUP_PLAN, PLAIN_PART_FEATURE, usualHolding } from '@burl/core';
import type { DemoJobMaker } from './demo-job.ts';
import type { Place } from './demo-base.ts';

const plate: Place = { alloyId: 'd2-60hrc', machineId: 'bench-2kw', coolant: 'air', hardness: 58 };

const SLOTS = {
  ...PLAIN_PART_FEATURE,
  name: 'grease slots',
  kind: 'slot',
  count: 9,
  lengthMm: 24,
  widthMm: 2,
  depthMm: 2,
  cornerRadiusMm: null,
  openEnds: 2,
  toleranceMm: 0.05,
} as const;
const BACK = {
  ...PLAIN_PART_FEATURE,
  name: 'back',
  kind: 'face',
  side: 'bottom',
  lengthMm: 60,
  widthMm: 24,
  depthMm: 0.3,
  cornerRadiusMm: null,
  raUm: 0.8,
} as const;

/** How the plates are bonded: the whole face less the slots' run-out. */
const bonded = {
  kind: 'adhesive',
  values: { ...usualHolding('adhesive').values, areaMm2: 1300, releaseC: 85 },
} as const;

/** Hardened wear plates of a cryogenic valve, bonded to a fixture on the small machine, four a load, thirty and three spares. */
export const wearPlates: DemoJobMaker = ({ mill, box }, due) => ({
  fields: {
    number: 'CV-0588',
    part: 'Cryogenic valve wear plate',
    customer: 'Cryogenic valves',
    alloyId: plate.alloyId,
    machineId: plate.machineId,
    quantity: 30,
    heatLot: 'W-2207',
    due: due(9),
    notes: 'Hardened before machining. Bonded to the fixture: keep it cool.',
    plan: {
      ...EMPTY_JOB_PLAN,
      part: { lengthMm: 60, widthMm: 24, heightMm: 6 },
      stock: { ...EMPTY_JOB_PLAN.stock, bottom: 0.3 },
      hardness: 58,
      toleranceMm: 0.02,
      raUm: 0.8,
      spares: 3,
      blankPrice: 38,
      features: [SLOTS, BACK],
    },
  },
  setups: [
    {
      name: 'Setup 1',
      plan: {
        ...EMPTY_SETUP_PLAN,
        datum: 'fixture pin, left front, top of the plate',
        workOffset: 'G54',
        holding: bonded,
        partsPerLoad: 4,
        fixturePrice: 240,
        alone: true,
      },
      operations: [
        {
          name: 'Mill grease slots',
          variants: [
            mill(
              plate,
              'em-hard-2-z4',
              'collet-16-60-all',
              box('slot', 24, 2, 2, { allowanceMm: 0, wallToleranceMm: 0.05 }),
              {
                cut: { speedRpm: 5000, feedPerToothMm: 0.0045, axialDepthMm: 0.2, radialEngagementMm: 2 },
                workholding: { kind: 'adhesive', capacityN: null, liftCapacityN: null, releaseC: 85 },
                path: {
                  entry: {
                    method: 'outside',
                    rampAngleDeg: null,
                    helixDiameterMm: null,
                    startHeightMm: 0.5,
                    taperDeg: 0,
                  },
                },
                featuresPerPart: 9,
                featuresPerEdge: 36,
                edgesOnShelf: 3,
              },
              { runoutUm: 4 },
            ),
          ],
        },
      ],
    },
    {
      name: 'Setup 2',
      plan: {
        ...EMPTY_SETUP_PLAN,
        up: 'bottom',
        datum: 'fixture pin, left front, slotted face down',
        workOffset: 'G55',
        holding: bonded,
        partsPerLoad: 4,
        locatesOn: 'the slotted face',
      },
      operations: [
        {
          name: 'Face the back',
          variants: [
            mill(
              plate,
              'em-hard-10-z6-re1',
              'collet-er32-70',
              box('face', 60, 24, 0.3, { allowanceMm: 0, raUm: 0.8 }),
              {
                cut: { speedRpm: 1450, feedPerToothMm: 0.05, axialDepthMm: 0.15, radialEngagementMm: 6 },
                workholding: { kind: 'adhesive', capacityN: null, liftCapacityN: null, releaseC: 85 },
                featuresPerEdge: 12,
                edgesOnShelf: 4,
              },
              { runoutUm: 6 },
            ),
          ],
        },
      ],
    },
  ],
});
