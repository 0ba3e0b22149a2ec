import { describe, expect, it } from 'vitest';
import { contextOf, SEAL_POCKET, SHIPPED } from '../../../fixtures/crib.ts';
import type { OperationContext } from '../../operations/context.ts';
import { type MillingOperation, usualPath } from '../../operations/milling/milling-operation.ts';
import { type Finishing, PLAIN_FINISHING, PLAIN_SURFACE } from '../../physics/path/finishing.ts';
import { withStartingCut } from '../../evaluation/starting-cut.ts';
import { speak } from '../../units/sentence.ts';
import { verdictOfWays } from './verdict-of-ways.ts';
import { discWays, runOut } from './disc-ways.ts';
import { finishingWays } from './finishing-ways.ts';

/** A wall 24 mm high in aged titanium, with its own first cut, unless stated. */
function finishing(
  face: Partial<Finishing>,
  size: Partial<MillingOperation['feature']> = {},
  cutterId = 'em-bull-12-z7-re1-fin',
): MillingOperation {
  const op: MillingOperation = {
    ...SEAL_POCKET,
    alloyId: 'ti-6al-4v-annealed',
    tooling: { cutterId, holderId: 'shrink-12-80', stickOutMm: 40 },
    feature: {
      ...SEAL_POCKET.feature,
      kind: face.face === 'floor' ? 'pocket' : 'side',
      lengthMm: 80,
      widthMm: 0.3,
      depthMm: 24,
      cornerRadiusMm: null,
      allowanceMm: 0,
      wallToleranceMm: 0.05,
      ...size,
      finishing: { ...PLAIN_FINISHING, floorMm: 24, ...face },
    },
    path: usualPath(face.face === 'floor' ? 'pocket' : 'side'),
  };
  return withStartingCut(op, contextOf(op)) as MillingOperation;
}
const others = (op: MillingOperation): OperationContext[] =>
  SHIPPED.cutters
    .filter((c) => /^(end_mill|disc_slot)/.test(c.type) && c.suits_iso_groups.includes('S'))
    .map((c) => contextOf({ ...op, tooling: { ...op.tooling, cutterId: c.id } }));
const ways = (op: MillingOperation) => finishingWays(op, contextOf(op), others(op));

describe('ways to finish the same face', () => {
  it('a wall: levels, passes, a spring pass and the other direction, each with its own first numbers', () => {
    const op = finishing({ face: 'wall' });
    const all = ways(op);
    expect(all[0]).toMatchObject({ id: 'as-it-is', op: { cut: op.cut } });
    const ids = all.map((w) => w.id);
    expect(ids).toEqual(expect.arrayContaining(['two-passes', 'spring', 'conventional']));
    expect(ids.filter((id) => id.startsWith('levels-')).length).toBeGreaterThan(0);
    const of = (id: string) => all.find((w) => w.id === id)!;
    // A way keeps the depth and width that make it.
    expect(of('two-passes').op.cut.radialEngagementMm).toBeCloseTo(0.15, 9);
    expect(of('two-passes').evaluation.time.cutting).toBeGreaterThan(of('as-it-is').evaluation.time.cutting);
    expect(of('spring').op.path.springPasses).toBe(1);
    expect(of('conventional').op.cut.direction).toBe('conventional');
    expect(speak(of('conventional').mind!, 'metric')).toMatch(/rubs in before it cuts/);
  });

  it('more levels bend less at the same feed', () => {
    const lean = (w: { evaluation: { numbers: readonly { key: string; value: number }[] } }) =>
      w.evaluation.numbers.find((n) => n.key === 'lean')!.value;
    const all = ways(finishing({ face: 'wall' }, { depthMm: 16 }));
    const at = (id: string) => all.find((w) => w.id === id);
    const [few, many] = [at('levels-2') ?? all[0]!, at('levels-4') ?? all[0]!];
    expect(lean(many) / many.op.cut.feedPerToothMm).toBeLessThan(lean(few) / few.op.cut.feedPerToothMm);
  });

  it('a rib: the level and whether both sides are in turn', () => {
    const all = ways(finishing({ face: 'rib', ribMm: 2 }));
    const sides = all.find((w) => w.id === 'sides')!;
    expect(sides.op.feature.finishing!.inTurn).toBe(false);
    const bend = (w: (typeof all)[number]) => w.evaluation.limits.find((l) => l.id === 'rib')!;
    // The whole rib alone gives way far more than one that is held below.
    expect(bend(sides).predicted!.value / sides.op.cut.feedPerToothMm).toBeGreaterThan(
      (5 * bend(all[0]!).predicted!.value) / all[0]!.op.cut.feedPerToothMm,
    );
  });

  it('corners: lighter bites, lower levels, a smaller cutter that rolls round', () => {
    const op = finishing(
      { face: 'corner', rougherMm: 32 },
      { cornerRadiusMm: 8, widthMm: 3, allowanceMm: 0.2, lengthMm: 100 },
    );
    const all = ways(op);
    expect(all.map((w) => w.id)).toEqual(expect.arrayContaining(['as-it-is', 'lighter', 'lower', 'smaller']));
    const smaller = all.find((w) => w.id === 'smaller')!;
    expect(smaller.context.cutter.properties.DC).toBeLessThan(12);
    expect(smaller.op.tooling.cutterId).toBe(smaller.context.cutter.id);
  });

  it('a 30° fillet: ball, bull nose and barrel side by side, each tilted as it wants to be', () => {
    const op = finishing(
      { face: 'surface', floorMm: 20, surface: PLAIN_SURFACE },
      { widthMm: 20, depthMm: 0.2, slopeDeg: 30, scallopMm: 0.005 },
      'ball-10-z4-var',
    );
    const all = ways(op);
    const of = (id: string) => all.find((w) => w.id === id)!;
    expect(of('ball').op.feature.finishing!.surface!.tiltDeg).toBe(0);
    expect(of('barrel').op.feature.finishing!.surface!.tiltDeg).toBeGreaterThan(50);
    // The same ridges by steps as wide as each shape allows.
    for (const w of [of('ball'), of('bull'), of('barrel')])
      expect(w.evaluation.limits.find((l) => l.id === 'scallop')!.state).not.toBe('over');
    expect(of('barrel').op.cut.radialEngagementMm).toBeGreaterThan(3 * of('ball').op.cut.radialEngagementMm);
    expect(of('bull').op.cut.radialEngagementMm).toBeLessThan(of('ball').op.cut.radialEngagementMm);
  });

  it('a floor: narrower and wider passes', () => {
    const all = ways(
      finishing({ face: 'floor', floorStockMm: 0.2 }, { depthMm: 0.2, lengthMm: 60, widthMm: 40 }),
    );
    const step = (id: string) => all.find((w) => w.id === id)!;
    expect(step('step-80').evaluation.time.cutting).toBeLessThan(step('step-40').evaluation.time.cutting);
  });

  it('tells which is shortest among those that hold, and why', () => {
    const all = ways(finishing({ face: 'wall' }));
    const { quickest, because } = verdictOfWays(all);
    const sound = all.filter((w) => w.evaluation.state !== 'over');
    expect(sound.find((w) => w.id === quickest)!.minutes).toBe(Math.min(...sound.map((w) => w.minutes)));
    expect(because.length).toBeGreaterThan(0);
  });

  it('a roughing cut has none', () => {
    expect(ways(SEAL_POCKET)).toEqual([]);
  });
});

describe('a keyway by a disc', () => {
  const keyway = (change: Partial<MillingOperation['feature']> = {}): MillingOperation => ({
    ...finishing({ face: 'wall' }),
    tooling: { cutterId: 'em-flat-3-z3', holderId: 'shrink-12-80', stickOutMm: 20 },
    feature: {
      ...SEAL_POCKET.feature,
      kind: 'slot',
      lengthMm: 60,
      widthMm: 4,
      depthMm: 2,
      cornerRadiusMm: null,
      allowanceMm: 0,
      wallToleranceMm: 0.1,
      ...change,
    },
    path: usualPath('slot'),
    cut: {
      speedRpm: 5000,
      feedPerToothMm: 0.012,
      axialDepthMm: 0.5,
      radialEngagementMm: 3,
      direction: 'climb',
    },
  });
  const of = (op: MillingOperation) => discWays(op, contextOf(op), others(op));

  it('stands against the slot mill, laid on its side: depth into the wall, width along the axis', () => {
    const all = of(keyway());
    expect(all[0]!.id).toBe('as-it-is');
    expect(all.length).toBeGreaterThan(1);
    for (const disc of all.slice(1)) {
      expect(disc.op.feature).toMatchObject({
        kind: 'side',
        widthMm: 2,
        depthMm: 4,
        undercut: { form: 'wall' },
      });
      expect(disc.context.cutter.properties.APMX).toBeLessThanOrEqual(4.02);
      expect(speak(disc.mind!, 'metric')).toMatch(/runs out \d.* beyond each closed end/);
    }
  });

  it('runs through where both ends are open, and out by its circle where they are not', () => {
    expect(speak(of(keyway({ openEnds: 2 }))[1]!.mind!, 'metric')).toMatch(/runs through/);
    // A 20 mm disc 4 mm deep: √(4·16).
    expect(runOut(20, 4)).toBeCloseTo(8, 12);
    expect(runOut(20, 15)).toBe(10);
  });

  it('nothing where no disc is thin or deep enough, or the feature is no slot', () => {
    expect(of(keyway({ widthMm: 0.5 }))).toEqual([]);
    expect(of(keyway({ depthMm: 40 }))).toEqual([]);
    expect(discWays(SEAL_POCKET, contextOf(SEAL_POCKET), others(SEAL_POCKET))).toEqual([]);
  });
});
