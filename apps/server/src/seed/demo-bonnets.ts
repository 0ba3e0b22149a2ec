import { PLAIN_EDGE, PLAIN_FINISHING, PLAIN_UNDERCUT } from '@burl/core';
import type { Place } from './demo-base.ts';
import type { DemoJobMaker } from './demo-job.ts';

const plate: Place = { alloyId: '718-aged', machineId: 'vmc40-22kw-direct', coolant: 'flood', hardness: 41 };

/** The bonnet of a cryogenic control valve: a plate of 718 whose face, pocket, ring groove and edges the customer looks at. */
export const valveBonnet: DemoJobMaker = ({ mill, drill, size, box, hole }, due) => ({
  fields: {
    number: 'CV-0715',
    part: 'Control valve bonnet',
    customer: 'Cryogenic valves',
    alloyId: plate.alloyId,
    machineId: plate.machineId,
    quantity: 6,
    heatLot: 'B-2207',
    due: due(23),
    notes: 'No burr inside the cross bore: the seat ring is pressed past it.',
  },
  setups: [
    {
      name: 'Setup 1',
      operations: [
        {
          name: 'Face to Ra 0.8',
          variants: [
            mill(
              plate,
              'face45-wiper-63-z6',
              'shell-arbor-22-50',
              box('face', 160, 110, 0.4, { allowanceMm: 0, raUm: 0.8, wallToleranceMm: 0.03 }),
              { cut: { axialDepthMm: 0.4, radialEngagementMm: 44, speedRpm: 160, feedPerToothMm: 0.1 } },
            ),
          ],
        },
        {
          name: 'Rough the pocket',
          variants: [
            mill(
              plate,
              'em-bull-12-z5-re0.5-var',
              'milling-chuck-20-90',
              box('pocket', 60, 60, 14, { cornerRadiusMm: 6, allowanceMm: 0.3 }),
              {},
              { runoutUm: 6 },
            ),
          ],
        },
        {
          name: 'Finish floor and wall',
          variants: [
            size(plate, 'em-stainless-10-z7', {
              kind: 'side',
              lengthMm: 240,
              widthMm: 0.3,
              depthMm: 14,
              cornerRadiusMm: 6,
              finishing: {
                ...PLAIN_FINISHING,
                face: 'floor-and-wall',
                floorStockMm: 0.3,
                floorMm: 14,
                floorAreaMm2: 3600,
                rougherMm: 12,
              },
            }),
          ],
        },
        {
          name: 'Ring groove for the seal',
          variants: [
            size(plate, 'em-stainless-3-z3', {
              kind: 'slot',
              lengthMm: 271.4,
              widthMm: 3.6,
              depthMm: 2.2,
              cornerRadiusMm: null,
              undercut: { ...PLAIN_UNDERCUT, form: 'face-ring', floorMm: 2.2, ringMm: 86.4 },
            }),
          ],
        },
        {
          name: 'Break all edges',
          variants: [
            size(plate, 'chamfer-90-10-z4', {
              edge: { ...PLAIN_EDGE, sizeMm: 0.4, lengthMm: 780, leastMm: 0.2, mostMm: 0.6 },
            }),
          ],
        },
        {
          name: 'Drill the cross bore',
          variants: [
            drill(
              plate,
              'drill-12-3xd',
              'hydraulic-12-90',
              hole(12, 18, { through: true, crossHoles: 1 }),
              { coolant: 'through-tool' },
              {},
            ),
          ],
        },
        {
          name: 'Break the back edge of the cross bore',
          variants: [
            size(plate, 'backchamfer-10-z4', {
              edge: {
                ...PLAIN_EDGE,
                face: 'far',
                sizeMm: 0.3,
                lengthMm: 37.7,
                depthMm: 18,
                openingMm: 12,
                leastMm: 0.15,
                mostMm: 0.45,
              },
            }),
          ],
        },
      ],
    },
  ],
});
