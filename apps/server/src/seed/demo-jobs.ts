import type { Operation } from '@burl/core';
import type { Crib, JobFields } from '@burl/contract';
import { type DemoHole, MANIFOLD_HOLES, SEAT_HOLES } from './demo-holes.ts';
import { demoOperations, type Place } from './demo-operations.ts';

/** A job of the demo: tidal-stream turbines, geothermal wellheads and cryogenic valves of a shop that does not exist. */
export interface DemoJob {
  readonly fields: JobFields;
  readonly holes?: readonly DemoHole[];
  readonly setups: readonly {
    readonly name: string;
    readonly operations: readonly { readonly name: string; readonly variants: readonly Operation[] }[];
  }[];
}

/** Operations are worked out by the core like a person's, then changed where the scenario wants it. */
export function demoJobs(crib: Crib, daysFromNow: (days: number) => string): DemoJob[] {
  const { mill, drill, box, hole } = demoOperations(crib);
  const hub: Place = { alloyId: 'ti-6al-4v-sta', machineId: 'axis5-24k', coolant: 'flood', hardness: 39 };
  const bonnet: Place = { alloyId: '718-aged', machineId: 'vmc40-15kw-belt', coolant: 'flood', hardness: 42 };
  const manifold: Place = {
    alloyId: 's32750',
    machineId: 'vmc40-22kw-direct',
    coolant: 'flood',
    hardness: null,
  };
  const seat: Place = {
    alloyId: 'r31537-annealed',
    machineId: 'vmc40-22kw-direct',
    coolant: 'flood',
    hardness: 30,
  };
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
                    cut: { axialDepthMm: 24, radialEngagementMm: 1.6, feedPerToothMm: 0.06, speedRpm: 1060 },
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
    {
      fields: {
        number: 'TT-0420',
        part: 'Tidal turbine lock plate',
        customer: 'Tidal-stream turbines',
        alloyId: hub.alloyId,
        machineId: hub.machineId,
        quantity: 8,
        heatLot: 'T-0891',
        due: daysFromNow(12),
        notes: 'Aged titanium; hardness of the lot not measured yet.',
      },
      setups: [
        {
          name: 'Setup 1',
          operations: [
            {
              name: 'Rough plate pocket',
              variants: [
                mill(
                  { ...hub, hardness: null },
                  'em-bull-12-z5-re0.5-var',
                  'shrink-12-80',
                  box('pocket', 60, 40, 25, { cornerRadiusMm: 6, allowanceMm: 0.3 }),
                  { edgesOnShelf: 10 },
                ),
              ],
            },
          ],
        },
      ],
    },
    {
      fields: {
        number: 'TM-0231',
        part: 'Tidal turbine oil manifold',
        customer: 'Tidal-stream turbines',
        alloyId: manifold.alloyId,
        machineId: manifold.machineId,
        quantity: 20,
        heatLot: 'D-4410',
        due: daysFromNow(20),
        notes: 'Super duplex block; the channels meet nothing, the threads carry the flange.',
      },
      holes: MANIFOLD_HOLES,
      setups: [
        {
          name: 'Setup 1',
          operations: [
            {
              name: 'Face the block',
              variants: [
                mill(
                  manifold,
                  'shoulder90-40-z4',
                  'shell-arbor-22-50',
                  box('face', 160, 110, 1.5, { allowanceMm: 0.3 }),
                  { cut: { axialDepthMm: 0.75, radialEngagementMm: 26 } },
                  { lifeSpeed30MMin: 110, kc11NMm2: 2300 },
                ),
              ],
            },
            {
              name: 'Rough the sump',
              variants: [
                mill(
                  manifold,
                  'em-bull-12-z4-re1-var',
                  'milling-chuck-20-90',
                  box('pocket', 90, 60, 20, { cornerRadiusMm: 9, allowanceMm: 0.5 }),
                  { cut: { axialDepthMm: 6, radialEngagementMm: 1.2 }, edgesOnShelf: 12 },
                  { runoutUm: 7, lifeSpeed30MMin: 110, kc11NMm2: 2300 },
                ),
              ],
            },
          ],
        },
      ],
    },
    {
      fields: {
        number: 'GS-0140',
        part: 'Geothermal throttle seat',
        customer: 'Geothermal wellheads',
        alloyId: seat.alloyId,
        machineId: seat.machineId,
        quantity: 10,
        heatLot: 'C-092',
        due: daysFromNow(25),
        notes: 'Cobalt-chromium; dust and mist of it are to be kept out of the lungs.',
      },
      holes: SEAT_HOLES,
      setups: [{ name: 'Setup 1', operations: [] }],
    },
  ];
}
