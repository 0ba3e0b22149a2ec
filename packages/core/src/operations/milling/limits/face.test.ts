import { describe, expect, it } from 'vitest';
import { contextOf, SEAL_POCKET } from '../../../../fixtures/crib.ts';
import { problemsOf } from '../../../evaluation/check-operation.ts';
import { evaluate, limitOf } from '../../../evaluation/evaluate.ts';
import { kindOf } from '../../../evaluation/registry.ts';
import { speak } from '../../../units/sentence.ts';
import { type FaceSetup, PLAIN_FACE } from '../face-setup.ts';
import { type MillingOperation, usualPath } from '../milling-operation.ts';

/** A face of 1045 finished by a mill of the crib. */
function faced(
  cutterId: string,
  change: Partial<MillingOperation['cut'] & MillingOperation['feature']> = {},
  face?: Partial<FaceSetup>,
) {
  const { feedPerToothMm = 0.12, radialEngagementMm = 45, ...feature } = change;
  const op: MillingOperation = {
    ...SEAL_POCKET,
    alloyId: '1045',
    machineId: 'vmc40-22kw-direct',
    tooling: { cutterId, holderId: 'shell-arbor-22-50', stickOutMm: 50 },
    workedOutFor: { alloyId: '1045', cutterId, hardness: null },
    feature: {
      ...SEAL_POCKET.feature,
      kind: 'face',
      widthMm: 90,
      cornerRadiusMm: null,
      island: null,
      allowanceMm: 0,
      wallToleranceMm: 0.02,
      raUm: 0.8,
      ...feature,
    },
    path: usualPath('face'),
    cut: { speedRpm: 900, feedPerToothMm, axialDepthMm: 0.5, radialEngagementMm, direction: 'climb' },
    ...(face && { face: { ...PLAIN_FACE, ...face } }),
  };
  return { op, context: contextOf(op) };
}
const limit = ({ op, context }: ReturnType<typeof faced>, id: string) => limitOf(evaluate(op, context), id);
const why = (c: ReturnType<typeof faced>, id: string) =>
  speak(limit(c, id).why, 'metric').replaceAll('\u00a0', ' ');
const has = ({ op, context }: ReturnType<typeof faced>, id: string) =>
  evaluate(op, context).limits.some((l) => l.id === id);

describe('a face as itself', () => {
  it('is as smooth as its flats wipe it, and not as smooth as theory alone', () => {
    const fine = faced('face45-63-z6');
    expect(limit(fine, 'roughness').state).toBe('clear');
    expect(limit(fine, 'roughness').predicted!.value).toBeGreaterThanOrEqual(0.3);
    expect(why(fine, 'roughness')).toMatch(/by the wiper/);
    const coarse = faced('face45-63-z6', { feedPerToothMm: 0.35 });
    expect(limit(coarse, 'roughness').state).toBe('over');
    expect(why(coarse, 'roughness')).toMatch(/narrower than the feed of a turn/);
    expect(why(coarse, 'wiper')).not.toMatch(/per revolution/);
  });

  it('without flats is the noses’, by runout and feed', () => {
    const rough = faced('shoulder90-40-z4', { radialEngagementMm: 28 });
    expect(limit(rough, 'roughness').state).toBe('over');
    const measured = faced('shoulder90-40-z4', { radialEngagementMm: 28 }, { axialRunoutUm: 2 });
    expect(limit(measured, 'roughness').predicted!.value).toBeLessThan(
      limit(rough, 'roughness').predicted!.value,
    );
  });

  it('one wiper has to stand over the pockets, and not so far that it cuts', () => {
    const wiper = (wiperUm: number, axialRunoutUm: number) =>
      limit(faced('face45-80-z7-wiper', {}, { wipers: 1, wiperUm, axialRunoutUm }), 'wiper-height').state;
    expect(wiper(50, 12)).toBe('clear');
    expect(wiper(10, 25)).toBe('over');
    expect(wiper(150, 12)).toBe('tight');
    expect(has(faced('face45-63-z6'), 'wiper-height')).toBe(false);
  });

  it('is hollow where the spindle leans along, stepped where it leans across, and says when its back marks', () => {
    const trammed = faced('face45-63-z6');
    expect(limit(trammed, 'face-flatness').state).toBe('clear');
    expect(why(trammed, 'face-flatness')).toMatch(/back of the cutter marks across/);
    const along = faced('face45-63-z6', {}, { alongUmPerM: 100 });
    expect(limit(along, 'face-flatness').state).toBe('clear');
    expect(why(along, 'face-flatness')).toMatch(/back of the cutter clears/);
    expect(limit(faced('face45-63-z6', {}, { alongUmPerM: 3500 }), 'face-flatness').state).toBe('over');
    expect(limit(faced('face45-63-z6', {}, { acrossUmPerM: 1000 }), 'face-flatness').state).toBe('over');
    // One pass has no step.
    const one = faced('face45-63-z6', { widthMm: 45 }, { acrossUmPerM: 1000 });
    expect(limit(one, 'face-flatness').state).toBe('clear');
  });

  it('wants a cutter wider than its pass', () => {
    expect(limit(faced('face45-63-z6'), 'face-width').state).toBe('clear');
    expect(limit(faced('face45-63-z6', { radialEngagementMm: 70 }), 'face-width').state).toBe('tight');
  });

  it('has no wall that shakes or gives way', () => {
    const face = faced('face45-63-z6');
    for (const id of ['tooth-passing', 'wall-error']) expect(has(face, id)).toBe(false);
  });

  it('is told on the sheet where somebody stated it', () => {
    const told = (face?: Partial<FaceSetup>) =>
      kindOf(faced('face45-63-z6', {}, face).op)
        .notes(faced('face45-63-z6', {}, face).op)
        .map((n) => speak(n, 'metric').replaceAll('\u00a0', ' '));
    expect(told()).toEqual([]);
    expect(told({ wipers: 2, axialRunoutUm: 12, alongUmPerM: 50 }).join(' ')).toMatch(
      /2 wiper inserts, 0\.050 mm over the others\..*runout of the inserts 0\.012 mm.*leans 0\.050 mm on a metre/,
    );
  });

  it('names what cannot be of its setup', () => {
    const fields = (face: Partial<FaceSetup>, kind: 'face' | 'side' = 'face') => {
      const { op, context } = faced('face45-63-z6', { kind }, face);
      return problemsOf(op, context).map((p) => p.field);
    };
    expect(fields({})).toEqual([]);
    expect(fields({ wipers: 9 })).toEqual(['face.wipers']);
    expect(fields({ wiperUm: -1 })).toEqual(['face.wiperUm']);
    expect(fields({ alongUmPerM: 1e6 })).toEqual(['face.alongUmPerM']);
    expect(fields({}, 'side')).toEqual(['face']);
  });
});

describe('straight down on its end', () => {
  const plunged = (cutterId: string, alloyId: string, axialDepthMm = 2, hardness: number | null = null) => {
    const op: MillingOperation = {
      ...SEAL_POCKET,
      alloyId,
      measured: { ...SEAL_POCKET.measured, hardness },
      tooling: { ...SEAL_POCKET.tooling, cutterId },
      path: {
        ...SEAL_POCKET.path,
        strategy: 'levels',
        entry: { ...SEAL_POCKET.path.entry, method: 'plunge' },
      },
      cut: { ...SEAL_POCKET.cut, axialDepthMm, feedPerToothMm: 0.05 },
    };
    const context = contextOf(op);
    return limitOf(evaluate(op, context), 'plunge-entry');
  };

  it('a mill plunges aluminium, and no hardened steel, and not without an edge across its middle', () => {
    expect(plunged('em-flat-10-z3-alu', '6061-t6').state).toBe('clear');
    expect(plunged('em-flat-6-z4', 'h13-54hrc').state).toBe('over');
    expect(plunged('em-flat-20-z9-fin', '6061-t6').state).toBe('over');
  });

  it('packs with chips deeper than its diameter', () => {
    const deep = plunged('em-flat-10-z3-alu', '6061-t6', 15);
    expect(deep.state).toBe('tight');
    expect(speak(deep.why, 'metric')).toMatch(/chips pack/);
  });

  it('pushes some hundreds of newtons in steel at 12 mm, more the more it is fed', () => {
    const thrust = plunged('em-flat-12-z2', '1045').predicted!.value;
    expect(thrust).toBeGreaterThan(200);
    expect(thrust).toBeLessThan(1500);
  });

  it('is not asked of another way in', () => {
    expect(evaluate(SEAL_POCKET, contextOf(SEAL_POCKET)).limits.some((l) => l.id === 'plunge-entry')).toBe(
      false,
    );
  });
});
