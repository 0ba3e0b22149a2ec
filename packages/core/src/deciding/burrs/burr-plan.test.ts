import { describe, expect, it } from 'vitest';
import { contextOf, DOWEL_HOLE, SEAL_POCKET } from '../../../fixtures/crib.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import { PLAIN_EDGE, type PartEdge } from '../../operations/edge-milling/edge-milling-operation.ts';
import type { Operation } from '../../operations/operation.ts';
import { EMPTY_SETUP_PLAN, type Side } from '../job/job-plan.ts';
import type { JudgedSetup } from '../job/judged-job.ts';
import { burrPlan } from './burr-plan.ts';

const { feature: _, workholding: __, forceLaw: ___, path: ____, ...base } = SEAL_POCKET;
const through = (diameterMm = 6.8, crossHoles = 0): Operation => ({
  ...DOWEL_HOLE,
  hole: { ...DOWEL_HOLE.hole, diameterMm, through: true, crossHoles },
});
const broken = (edge: Partial<PartEdge> = {}): Operation => ({
  ...base,
  kind: 'edge-milling',
  tooling: {
    cutterId: edge.face === 'far' ? 'backchamfer-6-z4' : 'chamfer-90-10-z4',
    holderId: 'collet-er32-70',
    stickOutMm: 32,
  },
  edge: { ...PLAIN_EDGE, sizeMm: 0.3, ...edge },
  cut: { speedRpm: 1500, feedPerToothMm: 0.03, offTipMm: 0.3, passes: 1, direction: 'climb' },
});
const face: Operation = {
  ...SEAL_POCKET,
  tooling: { cutterId: 'face45-63-z6', holderId: 'shell-arbor-22-50', stickOutMm: 50 },
  feature: { ...SEAL_POCKET.feature, kind: 'face', cornerRadiusMm: null, depthMm: 1, allowanceMm: 0 },
  cut: { ...SEAL_POCKET.cut, axialDepthMm: 1, radialEngagementMm: 44, speedRpm: 150 },
};
const bored: Operation = {
  ...DOWEL_HOLE,
  kind: 'reaming',
  tooling: { cutterId: 'reamer-10-hss', holderId: 'hydraulic-12-90', stickOutMm: 60 },
  hole: { ...DOWEL_HOLE.hole, diameterMm: 10, startMm: 9.8, piloted: true },
  cut: { speedRpm: 200, feedPerRevMm: 0.2, outFeed: 1.5 },
} as Operation;

let made = 0;
const setup = (operations: readonly (readonly [string, Operation])[], up: Side = 'top'): JudgedSetup => ({
  id: `setup-${String(++made)}`,
  name: `Setup ${String(made)}`,
  plan: { ...EMPTY_SETUP_PLAN, up },
  operations: operations.map(([name, document]) => {
    const context = contextOf(document);
    return { id: name, name, holeId: null, document, context, evaluation: evaluate(document, context) };
  }),
});
const planOf = (...setups: JudgedSetup[]) => burrPlan({ setups });
const goneBy = (plan: ReturnType<typeof planOf>, name: string, place: string): string | null | undefined => {
  const burr = plan.burrs.find((b) => b.name === name && b.place === place);
  return burr && (burr.goneBy?.name ?? null);
};

describe('where burrs stand and what takes them off', () => {
  it('a rim goes with the break of edges after it, and stays where the break came before', () => {
    expect(
      goneBy(
        planOf(
          setup([
            ['pocket', SEAL_POCKET],
            ['edges', broken()],
          ]),
        ),
        'pocket',
        'near',
      ),
    ).toBe('edges');
    const before = planOf(
      setup([
        ['edges', broken()],
        ['pocket', SEAL_POCKET],
      ]),
    );
    expect(goneBy(before, 'pocket', 'near')).toBeNull();
    expect(before.burrs.find((b) => b.name === 'pocket')!.remedy).toMatch(/Break the edge in this setup/);
  });

  it('a cap at the back goes with a head through that very hole, or from the other side', () => {
    const hole = ['hole', through()] as const;
    const back = (openingMm: number) => broken({ face: 'far', depthMm: 12, openingMm });
    expect(goneBy(planOf(setup([hole, ['back', back(6.8)]])), 'hole', 'far')).toBe('back');
    expect(goneBy(planOf(setup([hole, ['back', back(12)]])), 'hole', 'far')).toBeNull();
    expect(goneBy(planOf(setup([hole]), setup([['turned over', broken()]], 'bottom')), 'hole', 'far')).toBe(
      'turned over',
    );
    expect(goneBy(planOf(setup([hole]), setup([['same side', broken()]])), 'hole', 'far')).toBeNull();
    expect(goneBy(planOf(setup([hole]), setup([['faced', face]], 'bottom')), 'hole', 'far')).toBe('faced');
  });

  it('a burr inside a bore goes with the cut that finishes the bore after it', () => {
    const crossing = ['cross', through(6.8, 1)] as const;
    expect(goneBy(planOf(setup([crossing, ['ream', bored]])), 'cross', 'crossing')).toBe('ream');
    const after = planOf(setup([['ream', bored], crossing]));
    expect(goneBy(after, 'cross', 'crossing')).toBeNull();
    expect(after.orders[0]!.operationIds).toEqual(['cross', 'ream']);
    expect(after.orders[0]!.moves).toEqual([
      {
        operationId: 'cross',
        name: 'cross',
        because: expect.stringMatching(/before what they cross is finished/) as string,
      },
    ]);
  });

  it('the order is face, roughing, holes, edges, bores, and none is advised where it stands', () => {
    const good = setup([
      ['face', face],
      ['pocket', SEAL_POCKET],
      ['hole', through()],
      ['edges', broken()],
      ['ream', bored],
    ]);
    expect(planOf(good).orders).toEqual([]);
    const mixed = { ...good, operations: good.operations.toReversed() };
    expect(planOf(mixed).orders[0]!.operationIds).toEqual(['face', 'pocket', 'hole', 'edges', 'ream']);
    // In that order every burr but the caps at the back is gone.
    const left = planOf(good).burrs.filter((b) => b.goneBy === null);
    expect(new Set(left.map((b) => b.place))).toEqual(new Set(['far']));
  });

  it('says which way round leaves least: by what is cut, and what its ends are', () => {
    const directionOf = (document: Operation, place = 'near'): string =>
      planOf(setup([['it', document]])).burrs.find((b) => b.place === place)!.direction;
    const side = (change: object): Operation =>
      ({ ...SEAL_POCKET, feature: { ...SEAL_POCKET.feature, cornerRadiusMm: null, ...change } }) as Operation;
    expect(directionOf(face)).toMatch(/round inwards/);
    expect(directionOf(SEAL_POCKET)).toMatch(/light last turn/);
    expect(
      directionOf({ ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, direction: 'conventional' } } as Operation),
    ).toMatch(/climb instead/);
    expect(directionOf(side({ kind: 'side', widthMm: 2 }))).toMatch(/in at the end that has to stay sharp/);
    expect(directionOf(side({ kind: 'slot', widthMm: 12, openEnds: 1 }))).toMatch(
      /out at the one that is broken/,
    );
    expect(directionOf(side({ kind: 'slot', widthMm: 12 }))).toMatch(/conventional side/);
    expect(directionOf(side({ through: true }), 'far')).toMatch(/from both sides/);
  });

  it('an engraved line breaks no edge', () => {
    const line = broken({ form: 'engraving', sizeMm: 0.4 });
    const op = { ...line, tooling: { ...line.tooling, cutterId: 'engraver-60-tip0.1-6', stickOutMm: 22 } };
    expect(
      goneBy(
        planOf(
          setup([
            ['pocket', SEAL_POCKET],
            ['number', op],
          ]),
        ),
        'pocket',
        'near',
      ),
    ).toBeNull();
  });
});
