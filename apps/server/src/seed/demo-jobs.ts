import {
  type DrillingOperation,
  type MillingOperation,
  type Operation,
  type OperationContext,
  startingStickOut,
  withStartingCut,
} from '@burl/core';
import type { Crib, JobFields } from '@burl/contract';
import { contextFromCrib } from '../jobs/crib-store.ts';

/** A job of the demo: tidal-stream turbines, geothermal wellheads and cryogenic valves of a shop that does not exist. */
export interface DemoJob {
  readonly fields: JobFields;
  readonly setups: readonly {
    readonly name: string;
    readonly operations: readonly { readonly name: string; readonly variants: readonly Operation[] }[];
  }[];
}

interface Place {
  readonly alloyId: string;
  readonly machineId: string;
  readonly coolant: Operation['coolant'];
  readonly hardness: number | null;
}

type Change<O> = { [K in keyof O]?: O[K] extends object | null ? Partial<O[K]> | O[K] : O[K] };

function base(place: Place, cutterId: string, holderId: string, measured: Partial<Operation['measured']>) {
  return {
    alloyId: place.alloyId,
    machineId: place.machineId,
    coolant: place.coolant,
    tooling: { cutterId, holderId, stickOutMm: 1 },
    measured: {
      hardness: place.hardness,
      runoutUm: null,
      lifeSpeed30MMin: null,
      kc11NMm2: null,
      ...measured,
    },
    flankWearMm: 0.05,
    featuresPerEdge: 1,
    featuresPerPart: 1,
    edgesOnShelf: null,
    workedOutFor: { alloyId: place.alloyId, cutterId, hardness: place.hardness },
    pins: [],
    notes: '',
  };
}

/** Operations are worked out by the core like a person's, then changed where the scenario wants it. */
export function demoJobs(crib: Crib, daysFromNow: (days: number) => string): DemoJob[] {
  const contextOf = (op: Operation): OperationContext => contextFromCrib(crib, op, 1);
  const cutter = (id: string) => crib.cutters.find((c) => c.id === id)!.document;

  function mill(
    place: Place,
    cutterId: string,
    holderId: string,
    feature: MillingOperation['feature'],
    change: Change<MillingOperation> = {},
    measured: Partial<Operation['measured']> = {},
  ): MillingOperation {
    const common = base(place, cutterId, holderId, measured);
    const draft: MillingOperation = {
      ...common,
      kind: 'milling',
      tooling: {
        ...common.tooling,
        stickOutMm: startingStickOut({ cutter: cutter(cutterId) }, feature.depthMm),
        ...change.tooling,
      },
      feature,
      workholding: { kind: 'vice', capacityN: 12000, ...change.workholding },
      forceLaw: 'kienzle',
      cut: {
        speedRpm: 1000,
        feedPerToothMm: 0.05,
        axialDepthMm: 1,
        radialEngagementMm: 1,
        direction: 'climb',
      },
    };
    const started = withStartingCut(draft, contextOf(draft)) as MillingOperation;
    const { cut, tooling: _, workholding: __, feature: ___, measured: ____, workedOutFor, ...rest } = change;
    return {
      ...started,
      ...rest,
      cut: { ...started.cut, ...cut },
      workedOutFor: { ...started.workedOutFor, ...workedOutFor },
    } as MillingOperation;
  }

  function drill(
    place: Place,
    cutterId: string,
    holderId: string,
    hole: DrillingOperation['hole'],
    change: Change<DrillingOperation> = {},
    measured: Partial<Operation['measured']> = {},
  ): DrillingOperation {
    const common = base(place, cutterId, holderId, measured);
    const draft: DrillingOperation = {
      ...common,
      kind: 'drilling',
      tooling: {
        ...common.tooling,
        stickOutMm: startingStickOut({ cutter: cutter(cutterId) }, hole.depthMm + 2),
      },
      hole,
      cut: { speedRpm: 500, feedPerRevMm: 0.05, peck: 'plan' },
      ...({ coolant: change.coolant ?? place.coolant } as const),
    };
    const started = withStartingCut(draft, contextOf(draft)) as DrillingOperation;
    const { cut, tooling: _, hole: __, measured: ___, workedOutFor: ____, ...rest } = change;
    return { ...started, ...rest, cut: { ...started.cut, ...cut } } as DrillingOperation;
  }

  const box = (
    kind: MillingOperation['feature']['kind'],
    lengthMm: number,
    widthMm: number,
    depthMm: number,
    more: Partial<MillingOperation['feature']> = {},
  ): MillingOperation['feature'] => ({
    kind,
    lengthMm,
    widthMm,
    depthMm,
    cornerRadiusMm: null,
    allowanceMm: 0.4,
    wallToleranceMm: 0.03,
    ...more,
  });
  const hole = (
    diameterMm: number,
    depthMm: number,
    more: Partial<DrillingOperation['hole']> = {},
  ): DrillingOperation['hole'] => ({
    diameterMm,
    depthMm,
    through: false,
    entryAngleDeg: 0,
    piloted: false,
    ...more,
  });

  const hub: Place = { alloyId: 'ti-6al-4v-sta', machineId: 'axis5-24k', coolant: 'flood', hardness: 39 };
  const bonnet: Place = { alloyId: '718-aged', machineId: 'vmc40-15kw-belt', coolant: 'flood', hardness: 42 };
  const valve: Place = { alloyId: '316l', machineId: 'vmc40-22kw-direct', coolant: 'flood', hardness: null };

  return [
    {
      fields: {
        number: 'GW-1187',
        part: 'Wellhead bonnet, seal pocket',
        customer: 'Geothermal wellheads',
        alloyId: bonnet.alloyId,
        machineId: bonnet.machineId,
        quantity: 12,
        heatLot: 'G-17',
        due: daysFromNow(9),
        notes: 'Seal pocket carries the ring; its wall is the finisher’s.',
      },
      setups: [
        {
          name: 'Setup 1, top',
          operations: [
            {
              name: 'Face the flange',
              variants: [
                mill(
                  bonnet,
                  'shoulder90-63-z6-ti',
                  'shell-arbor-22-50',
                  box('face', 180, 60, 1.5, { allowanceMm: 0.3 }),
                  {
                    cut: { radialEngagementMm: 40, speedRpm: 130, feedPerToothMm: 0.125, axialDepthMm: 0.75 },
                    edgesOnShelf: 12,
                  },
                  { runoutUm: 12, lifeSpeed30MMin: 34, kc11NMm2: 2720 },
                ),
              ],
            },
            {
              name: 'Rough seal pocket',
              variants: [
                mill(
                  bonnet,
                  'em-bull-12-z5-re0.5-var',
                  'shrink-12-80',
                  box('pocket', 90, 60, 24, { cornerRadiusMm: 8, allowanceMm: 0.3 }),
                  {
                    cut: { axialDepthMm: 24, radialEngagementMm: 1.0, feedPerToothMm: 0.06, speedRpm: 1060 },
                    edgesOnShelf: 9,
                  },
                  { runoutUm: 6 },
                ),
                mill(
                  bonnet,
                  'em-bull-12-z5-re0.5-var',
                  'shrink-12-80',
                  box('pocket', 90, 60, 24, { cornerRadiusMm: 8, allowanceMm: 0.3 }),
                  {
                    cut: { axialDepthMm: 6, radialEngagementMm: 0.7, feedPerToothMm: 0.075, speedRpm: 1160 },
                    edgesOnShelf: 9,
                  },
                  { runoutUm: 6 },
                ),
              ],
            },
            {
              name: 'Drill 6.8 × 34, ten holes',
              variants: [
                drill(
                  bonnet,
                  'drill-6.8-5xd',
                  'hydraulic-12-90',
                  hole(6.8, 34),
                  {
                    coolant: 'through-tool',
                    featuresPerPart: 10,
                    featuresPerEdge: 20,
                    cut: { speedRpm: 660 },
                  },
                  { kc11NMm2: 2720, lifeSpeed30MMin: 20 },
                ),
              ],
            },
          ],
        },
        {
          name: 'Setup 2, under',
          operations: [
            {
              name: 'Drill 8.5 × 30 through',
              variants: [
                drill(bonnet, 'drill-8.5-3xd', 'hydraulic-12-90', hole(8.5, 28, { through: true }), {
                  coolant: 'through-tool',
                  featuresPerPart: 4,
                  featuresPerEdge: 24,
                  cut: { speedRpm: 760 },
                }),
              ],
            },
          ],
        },
      ],
    },
    {
      fields: {
        number: 'CV-0093',
        part: 'Cryogenic valve body',
        customer: 'Cryogenic valves',
        alloyId: valve.alloyId,
        machineId: valve.machineId,
        quantity: 40,
        heatLot: '',
        due: daysFromNow(16),
        notes: '',
      },
      setups: [
        {
          name: 'Setup 1',
          operations: [
            {
              name: 'Face',
              variants: [
                mill(
                  valve,
                  'shoulder90-40-z4',
                  'shell-arbor-22-50',
                  box('face', 120, 60, 1.2, { allowanceMm: 0.2 }),
                  { cut: { axialDepthMm: 0.6, radialEngagementMm: 26, speedRpm: 780, feedPerToothMm: 0.14 } },
                  { lifeSpeed30MMin: 150, kc11NMm2: 2100 },
                ),
              ],
            },
            {
              name: 'Rough the bore pocket',
              variants: [
                mill(
                  valve,
                  'em-bull-12-z4-re1-var',
                  'milling-chuck-20-90',
                  box('pocket', 70, 70, 12, { cornerRadiusMm: 9, allowanceMm: 0.6 }),
                  { cut: { axialDepthMm: 4, radialEngagementMm: 1.2 }, edgesOnShelf: 6 },
                  { runoutUm: 7, lifeSpeed30MMin: 150, kc11NMm2: 2100 },
                ),
              ],
            },
            {
              name: 'Slot for the packing',
              variants: [
                mill(
                  valve,
                  'em-flat-6-z4',
                  'hydraulic-12-90',
                  box('slot', 40, 6, 4, { allowanceMm: 0, wallToleranceMm: 0.05 }),
                  { cut: { axialDepthMm: 0.8, feedPerToothMm: 0.022 } },
                  { runoutUm: 5 },
                ),
              ],
            },
            {
              name: 'Drill 8.5 × 24',
              variants: [
                drill(
                  valve,
                  'drill-8.5-3xd',
                  'hydraulic-12-90',
                  hole(8.5, 24),
                  { coolant: 'through-tool', featuresPerPart: 6, featuresPerEdge: 60 },
                  { kc11NMm2: 2100, lifeSpeed30MMin: 70 },
                ),
              ],
            },
          ],
        },
      ],
    },
    {
      fields: {
        number: 'TT-0412',
        part: 'Tidal turbine pitch-lock hub',
        customer: 'Tidal-stream turbines',
        alloyId: hub.alloyId,
        machineId: hub.machineId,
        quantity: 6,
        heatLot: 'T-0883',
        due: daysFromNow(4),
        notes: 'Chips of this part burn: see the cautions.',
      },
      setups: [
        {
          name: 'Setup 1',
          operations: [
            {
              name: 'Rough outside wall',
              variants: [
                mill(
                  hub,
                  'em-bull-16-z5-re2-ti',
                  'milling-chuck-20-90',
                  box('side', 140, 6, 20, { allowanceMm: 0.5 }),
                  { cut: { axialDepthMm: 10, radialEngagementMm: 1, speedRpm: 1300 }, edgesOnShelf: 6 },
                  { runoutUm: 7, lifeSpeed30MMin: 58, kc11NMm2: 1500 },
                ),
              ],
            },
            {
              name: 'Rough lock pocket',
              variants: [
                mill(
                  hub,
                  'em-bull-12-z5-re0.5-var',
                  'shrink-12-80',
                  box('pocket', 60, 40, 18, { cornerRadiusMm: 8, allowanceMm: 0.5 }),
                  { cut: { axialDepthMm: 6, radialEngagementMm: 0.8, speedRpm: 1700 }, edgesOnShelf: 8 },
                  { runoutUm: 5, lifeSpeed30MMin: 58, kc11NMm2: 1500 },
                ),
              ],
            },
            {
              name: 'Finish lock walls',
              variants: [
                mill(
                  hub,
                  'em-bull-12-z7-re1-fin',
                  'shrink-12-80',
                  box('side', 160, 0.4, 18, { allowanceMm: 0, wallToleranceMm: 0.08, cornerRadiusMm: 8 }),
                  { cut: { axialDepthMm: 9, radialEngagementMm: 0.2, speedRpm: 2000, feedPerToothMm: 0.12 } },
                  { runoutUm: 4, lifeSpeed30MMin: 58, kc11NMm2: 1500 },
                ),
              ],
            },
            {
              name: 'Drill 5 × 30, eight holes',
              variants: [
                drill(
                  hub,
                  'drill-5-8xd',
                  'shrink-12-80',
                  hole(5, 30, { piloted: true }),
                  { coolant: 'through-tool', featuresPerPart: 8, featuresPerEdge: 16 },
                  { kc11NMm2: 1500, lifeSpeed30MMin: 42 },
                ),
              ],
            },
          ],
        },
      ],
    },
  ];
}
