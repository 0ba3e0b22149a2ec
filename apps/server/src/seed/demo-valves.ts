import type { DemoJobMaker } from './demo-job.ts';
import type { Place } from './demo-base.ts';

const valve: Place = { alloyId: '316l', machineId: 'vmc40-22kw-direct', coolant: 'flood', hardness: null };

/** The body of a cryogenic valve, of stainless steel. */
export const valveBody: DemoJobMaker = ({ mill, drill, box, hole }, due) => ({
  fields: {
    number: 'CV-0093',
    part: 'Cryogenic valve body',
    customer: 'Cryogenic valves',
    alloyId: valve.alloyId,
    machineId: valve.machineId,
    quantity: 40,
    heatLot: '',
    due: due(16),
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
});
