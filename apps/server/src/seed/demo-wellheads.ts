import type { DemoJobMaker } from './demo-job.ts';
import { SEAT_HOLES } from './demo-holes.ts';
import type { Place } from './demo-base.ts';

const bonnet: Place = { alloyId: '718-aged', machineId: 'vmc40-15kw-belt', coolant: 'flood', hardness: 42 };

const seat: Place = {
  alloyId: 'r31537-annealed',
  machineId: 'vmc40-22kw-direct',
  coolant: 'flood',
  hardness: 30,
};

/** A wellhead bonnet of aged nickel alloy. */
export const wellheadBonnet: DemoJobMaker = ({ mill, drill, box, hole }, due) => ({
  fields: {
    number: 'GW-1187',
    part: 'Wellhead bonnet, seal pocket',
    customer: 'Geothermal wellheads',
    alloyId: bonnet.alloyId,
    machineId: bonnet.machineId,
    quantity: 12,
    heatLot: 'G-17',
    due: due(9),
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
});

/** A throttle seat of cobalt-chromium: holes only. */
export const throttleSeat: DemoJobMaker = (_, due) => ({
  fields: {
    number: 'GS-0140',
    part: 'Geothermal throttle seat',
    customer: 'Geothermal wellheads',
    alloyId: seat.alloyId,
    machineId: seat.machineId,
    quantity: 10,
    heatLot: 'C-092',
    due: due(25),
    notes: 'Cobalt-chromium; dust and mist of it are to be kept out of the lungs.',
  },
  holes: SEAT_HOLES,
  setups: [{ name: 'Setup 1', operations: [] }],
});
