import { PLAIN_FINISHING, PLAIN_SURFACE } from '@burl/core';
import type { DemoJobMaker } from './demo-job.ts';
import { MANIFOLD_HOLES } from './demo-holes.ts';
import type { Place } from './demo-base.ts';

const hub: Place = { alloyId: 'ti-6al-4v-sta', machineId: 'axis5-24k', coolant: 'flood', hardness: 39 };

const manifold: Place = {
  alloyId: 's32750',
  machineId: 'vmc40-22kw-direct',
  coolant: 'flood',
  hardness: null,
};

/** The pitch-lock hub of a tidal turbine, of aged titanium. */
export const pitchLockHub: DemoJobMaker = ({ mill, drill, box, hole }, due) => ({
  fields: {
    number: 'TT-0412',
    part: 'Tidal turbine pitch-lock hub',
    customer: 'Tidal-stream turbines',
    alloyId: hub.alloyId,
    machineId: hub.machineId,
    quantity: 6,
    heatLot: 'T-0883',
    due: due(4),
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
              { runoutUm: 7, kc11NMm2: 1500 },
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
              { runoutUm: 5, kc11NMm2: 1500 },
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
              { runoutUm: 4, kc11NMm2: 1500 },
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
});

/** A lock plate of the same alloy, hardness not measured yet; its blade's seat runs out in a fillet. */
export const lockPlate: DemoJobMaker = ({ mill, size, box }, due) => ({
  fields: {
    number: 'TT-0420',
    part: 'Tidal turbine lock plate',
    customer: 'Tidal-stream turbines',
    alloyId: hub.alloyId,
    machineId: hub.machineId,
    quantity: 8,
    heatLot: 'T-0891',
    due: due(12),
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
        {
          name: 'Finish the blade fillet, 30°',
          variants: [
            size({ ...hub, hardness: null }, 'ball-10-z4-var', {
              kind: 'side',
              lengthMm: 90,
              widthMm: 24,
              depthMm: 0.2,
              cornerRadiusMm: null,
              slopeDeg: 30,
              scallopMm: 0.005,
              finishing: {
                ...PLAIN_FINISHING,
                face: 'surface',
                floorMm: 18,
                surface: { ...PLAIN_SURFACE, hollowMm: 120 },
              },
            }),
          ],
        },
      ],
    },
  ],
});

/** An oil manifold of super duplex steel: threads and channels. */
export const oilManifold: DemoJobMaker = ({ mill, box }, due) => ({
  fields: {
    number: 'TM-0231',
    part: 'Tidal turbine oil manifold',
    customer: 'Tidal-stream turbines',
    alloyId: manifold.alloyId,
    machineId: manifold.machineId,
    quantity: 20,
    heatLot: 'D-4410',
    due: due(20),
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
});
