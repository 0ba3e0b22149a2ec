import { describe, expect, it } from 'vitest';
import { contextOf, CRIB, DOWEL_HOLE, SEAL_POCKET } from '../../../fixtures/crib.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import type { Operation } from '../../operations/operation.ts';
import { speak } from '../../units/sentence.ts';
import { evaluate, limitOf } from '../../evaluation/evaluate.ts';
import { remediesFor } from './remedies.ts';

const context = contextOf(SEAL_POCKET);
const cases: readonly (readonly [string, Operation])[] = [
  ['wall-error', { ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, axialDepthMm: 20, radialEngagementMm: 2.5 } }],
  ['chip-thin', { ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, feedPerToothMm: 0.03 } }],
  ['chip-thick', { ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, feedPerToothMm: 0.2 } }],
  ['cutting-speed', { ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, speedRpm: 2500 } }],
  ['coolant-match', { ...SEAL_POCKET, coolant: 'dry' }],
  ['inherited-numbers', { ...SEAL_POCKET, workedOutFor: { ...SEAL_POCKET.workedOutFor, alloyId: '316l' } }],
  ['corner-spike', { ...SEAL_POCKET, path: { ...SEAL_POCKET.path, strategy: 'levels' } }],
  [
    'ramp-angle',
    { ...SEAL_POCKET, path: { ...SEAL_POCKET.path, entry: { ...SEAL_POCKET.path.entry, rampAngleDeg: 4 } } },
  ],
  [
    'helix-fit',
    {
      ...SEAL_POCKET,
      path: { ...SEAL_POCKET.path, entry: { ...SEAL_POCKET.path.entry, helixDiameterMm: 12.6 } },
    },
  ],
  [
    'entry-height',
    {
      ...SEAL_POCKET,
      path: { ...SEAL_POCKET.path, entry: { ...SEAL_POCKET.path.entry, startHeightMm: 50 } },
    },
  ],
  [
    'path-possible',
    {
      ...SEAL_POCKET,
      path: { ...SEAL_POCKET.path, entry: { ...SEAL_POCKET.path.entry, method: 'outside' } },
    },
  ],
  [
    'lead-in',
    {
      ...SEAL_POCKET,
      feature: { ...SEAL_POCKET.feature, kind: 'side', widthMm: 4 },
      path: {
        ...SEAL_POCKET.path,
        leadInRadiusMm: 0,
        entry: { ...SEAL_POCKET.path.entry, method: 'outside' },
      },
    },
  ],
  ['chips-out', { ...DOWEL_HOLE, coolant: 'flood', cut: { ...DOWEL_HOLE.cut, peck: 'none' } }],
  ['drill-feed-low', { ...DOWEL_HOLE, cut: { ...DOWEL_HOLE.cut, feedPerRevMm: 0.03 } }],
  ['pilot-needed', { ...DOWEL_HOLE, hole: { ...DOWEL_HOLE.hole, entryAngleDeg: 6 } }],
];

describe('remedies', () => {
  it.each(cases)('%s: there is one, and every one applied does clear the limit', (id, op) => {
    const at = contextOf(op);
    expect(limitOf(evaluate(op, at), id).state).not.toBe('clear');
    const remedies = remediesFor(op, at, id);
    expect(remedies.length).toBeGreaterThan(0);
    for (const r of remedies)
      expect([r.id, limitOf(evaluate(r.operation, at), id).state]).toEqual([r.id, 'clear']);
  });

  it('come smallest first, those that make another limit tight after them, those that push one over last', () => {
    for (const [id, op] of cases) {
      const found = remediesFor(op, contextOf(op), id);
      const keys = found.map((r) => r.pushesOver.length * 1e6 + r.tightens.length * 1e3 + r.size);
      expect(keys).toEqual([...keys].sort((a, b) => a - b));
    }
  });

  it('say which limits they make tight that were clear', () => {
    let said = 0;
    for (const [id, op] of cases) {
      const at = contextOf(op);
      const before = evaluate(op, at);
      for (const r of remediesFor(op, at, id, CRIB.holders)) {
        const after = evaluate(r.operation, contextOf(r.operation));
        for (const l of after.limits.filter((l) => r.tightens.includes(l.name))) {
          expect([id, r.id, l.id, l.state, limitOf(before, l.id).state]).toEqual([
            id,
            r.id,
            l.id,
            'tight',
            'clear',
          ]);
          said++;
        }
      }
    }
    expect(said).toBeGreaterThan(0);
  });

  it('move table feed with speed and say so', () => {
    const fast: MillingOperation = { ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, speedRpm: 2500 } };
    const slower = remediesFor(fast, context, 'cutting-speed').find((r) => r.id === 'n')!;
    expect(speak(slower.title, 'metric')).toMatch(/at the same chip load/);
    const cut = (slower.operation as MillingOperation).cut;
    expect(cut.feedPerToothMm).toBe(fast.cut.feedPerToothMm);
    expect(cut.speedRpm).toBeLessThan(fast.cut.speedRpm);
  });

  it('leave pinned parameters alone', () => {
    const pinned = { ...SEAL_POCKET, pins: ['ap'] };
    for (const r of remediesFor(pinned, context, 'wall-error')) {
      expect((r.operation as MillingOperation).cut.axialDepthMm).toBe(SEAL_POCKET.cut.axialDepthMm);
    }
  });

  it('try other holders when given some', () => {
    const collet: Operation = {
      ...SEAL_POCKET,
      tooling: { ...SEAL_POCKET.tooling, holderId: 'collet-er16-slim-100' },
    };
    const at = contextOf(collet);
    expect(limitOf(evaluate(collet, at), 'holder-fit').state).toBe('over');
    const found = remediesFor(collet, at, 'holder-fit', CRIB.holders);
    expect(found.some((r) => r.operation.tooling.holderId === 'milling-chuck-20-90')).toBe(true);
  });

  it('are not offered for a limit that is clear', () => {
    expect(remediesFor(SEAL_POCKET, context, 'spindle-speed')).toEqual([]);
  });

  it('come in pairs where no single change is enough without spoiling something else', () => {
    // Depth pinned and nothing left for a finisher: a narrower or thinner cut alone makes the edge rub.
    const greedy: MillingOperation = {
      ...SEAL_POCKET,
      pins: ['ap'],
      feature: { ...SEAL_POCKET.feature, allowanceMm: 0, wallToleranceMm: 0.11 },
      cut: { ...SEAL_POCKET.cut, axialDepthMm: 12, feedPerToothMm: 0.08 },
    };
    const found = remediesFor(greedy, context, 'wall-error');
    const pair = found.find((r) => r.id.includes('+'));
    expect(pair).toBeDefined();
    expect(pair!.pushesOver).toEqual([]);
    expect(found.filter((r) => !r.id.includes('+')).every((r) => r.pushesOver.length > 0)).toBe(true);
    for (const r of found) expect(limitOf(evaluate(r.operation, context), 'wall-error').state).toBe('clear');
  });
});
