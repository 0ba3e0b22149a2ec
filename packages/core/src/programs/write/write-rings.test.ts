import { describe, expect, it } from 'vitest';
import { contextOf, SEAL_POCKET } from '../../../fixtures/crib.ts';
import { programOperation } from '../../../fixtures/program-operations.ts';
import { withStartingCut } from '../../evaluation/starting-cut.ts';
import {
  type EdgeMillingOperation,
  PLAIN_EDGE,
} from '../../operations/edge-milling/edge-milling-operation.ts';
import { type MillingOperation, usualPath } from '../../operations/milling/milling-operation.ts';
import { PLAIN_FINISHING } from '../../physics/path/finishing.ts';
import { PLAIN_UNDERCUT, type Undercut } from '../../physics/path/undercut.ts';
import { checkProgram } from '../find/check-program.ts';
import type { ProgramOperation } from '../find/expected.ts';
import { PLAIN_SETTINGS, readProgram } from '../read/read-program.ts';
import { PLAIN_DIALECT } from './dialect.ts';
import { writeProgram, writtenFor } from './write-program.ts';
import type { Written } from './write-settings.ts';

type Point = readonly [number, number, number];
interface Move {
  readonly kind: string;
  readonly from: Point;
  readonly to: Point;
  readonly feed: number;
  readonly radius: number | null;
  readonly sweep: number;
}

const AT = { x: 10, y: -5 };
const write = (operation: ProgramOperation, what: Written) =>
  writeProgram(operation, {
    what,
    dialect: PLAIN_DIALECT,
    places: [AT],
    title: 'ring',
    number: 3,
    speeds: [],
  });
function movesOf(text: string): Move[] {
  const moves: Move[] = [];
  readProgram(text, PLAIN_SETTINGS, {
    motion: (m) =>
      moves.push({
        kind: m.kind,
        from: m.from,
        to: m.to,
        feed: m.feedMmMin ?? 0,
        radius: m.arc?.radiusMm ?? null,
        sweep: m.arc?.sweep ?? 0,
      }),
  });
  return moves;
}
/** Whole turns about the place. */
const turns = (moves: readonly Move[]): readonly Move[] => moves.filter((m) => Math.abs(m.sweep) > 6.2);

/** A groove of a ring with its own first cut in 6061. */
function ring(
  undercut: Partial<Undercut>,
  size: { readonly widthMm: number; readonly depthMm: number },
  cutterId: string,
): ProgramOperation {
  const bare: MillingOperation = {
    ...SEAL_POCKET,
    alloyId: '6061-t6',
    tooling: { cutterId, holderId: 'collet-er32-70', stickOutMm: 34 },
    feature: {
      ...SEAL_POCKET.feature,
      kind: undercut.form === 'face-ring' ? 'slot' : 'side',
      lengthMm: Math.PI * (undercut.ringMm ?? 10),
      cornerRadiusMm: null,
      allowanceMm: 0,
      ...size,
      undercut: { ...PLAIN_UNDERCUT, ...undercut },
    },
    path: usualPath(undercut.form === 'face-ring' ? 'slot' : 'side'),
  };
  const op = withStartingCut(bare, contextOf(bare)) as MillingOperation;
  return programOperation({ ...op, cut: { ...op.cut, axialDepthMm: Math.min(op.cut.axialDepthMm, 1) } });
}

describe('the program of a ring groove', () => {
  const face = (widthMm = 3) =>
    ring({ form: 'face-ring', ringMm: 50, floorMm: 2.4 }, { widthMm, depthMm: 2.4 }, 'em-flat-3-z3');

  it.each([3, 3.6])(
    '%s mm wide in a face goes down on helices along the ring and level round its floor, without a finding',
    (width) => {
      const operation = face(width);
      const { text, stock } = write(operation, 'ring-groove');
      const moves = movesOf(text);
      const last = turns(moves).at(-1)!;
      expect(last.radius).toBeCloseTo(25 + (width - 3) / 2, 3);
      expect([last.from[2], last.to[2]]).toEqual([-2.4, -2.4]);
      expect(Math.min(...moves.map((m) => m.to[2]))).toBeCloseTo(-2.4, 6);
      // No turn goes down further than a level of the cut.
      const { axialDepthMm } = (operation.document as MillingOperation).cut;
      for (const t of turns(moves)) expect(t.from[2] - t.to[2]).toBeLessThanOrEqual(axialDepthMm + 1e-3);
      const { findings } = checkProgram(text, {
        operations: [operation],
        machine: operation.context.machine,
        stock,
        cellMm: 0.25,
        clearPlaneMm: 0.5,
      });
      expect(findings.map((f) => f.rule)).toEqual([]);
    },
  );

  it('wider than its mill it has two circles, as far apart as the walls ask', () => {
    const radii = turns(movesOf(write(face(3.6), 'ring-groove').text))
      .filter((t) => t.from[2] === t.to[2])
      .map((t) => t.radius!);
    expect(radii.map((r) => r.toFixed(2))).toEqual(['24.70', '25.30']);
  });

  const DISC = 'tslot-20x2.4-z6';
  const bore = (ringMm = 30) =>
    ring(
      { form: 'wall', inside: true, ringMm, floorMm: 12, openingMm: ringMm - 4 },
      {
        widthMm: 2,
        depthMm: contextOf({ ...SEAL_POCKET, tooling: { ...SEAL_POCKET.tooling, cutterId: DISC } }).cutter
          .properties.APMX!,
      },
      DISC,
    );

  it('in a bore goes down in its middle, out into the wall, and comes back before it goes up', () => {
    const operation = bore();
    const disc = operation.context.cutter.properties.DC!;
    const moves = movesOf(write(operation, 'ring-groove').text);
    for (const m of moves.filter((q) => q.from[2] !== q.to[2] && q.to[2] < 0))
      expect([m.to[0], m.to[1]]).toEqual([AT.x, AT.y]);
    const up = moves.findIndex((m) => m.from[2] < 0 && m.to[2] > 0);
    expect(moves[up]!.from.slice(0, 2)).toEqual([AT.x, AT.y]);
    const last = turns(moves).at(-1)!;
    expect(2 * last.radius! + disc).toBeCloseTo(30, 3);
    expect(last.from[2]).toBeCloseTo(-12, 6);
    // The edge runs at its feed where it cuts, so the axis is slower.
    const { cut } = operation.document as MillingOperation;
    const edge = cut.speedRpm * operation.context.cutter.properties.ZEFP! * cut.feedPerToothMm;
    expect(last.feed / edge).toBeCloseTo((30 - disc) / 30, 1.5);
  });

  it('is refused where the head cannot turn in the bore, with the ring it needs', () => {
    expect(() => write(bore(18), 'ring-groove')).toThrow(/ringMm.*head has to turn/s);
  });

  it('nothing is written of straight undercuts and of finishing cuts', () => {
    const straight = ring({ form: 'wall', ringMm: null }, { widthMm: 2, depthMm: 4 }, DISC);
    expect(writtenFor(straight)).toEqual([]);
    const { undercut: _, ...feature } = (straight.document as MillingOperation).feature;
    expect(
      writtenFor({
        document: {
          ...(straight.document as MillingOperation),
          feature: { ...feature, finishing: PLAIN_FINISHING },
        },
      }),
    ).toEqual([]);
  });
});

const { feature: _, workholding: __, forceLaw: ___, path: ____, ...base } = SEAL_POCKET;

describe('the program of the edge of a round opening', () => {
  const edge = (
    change: Partial<EdgeMillingOperation['edge']>,
    cut: Partial<EdgeMillingOperation['cut']>,
    cutterId: string,
  ): ProgramOperation => {
    const op: EdgeMillingOperation = {
      ...base,
      kind: 'edge-milling',
      alloyId: '6061-t6',
      tooling: { cutterId, holderId: 'collet-er32-70', stickOutMm: 34 },
      edge: { ...PLAIN_EDGE, sizeMm: 0.4, ...change },
      cut: { speedRpm: 4000, feedPerToothMm: 0.03, offTipMm: 0.3, passes: 1, direction: 'climb', ...cut },
    };
    return programOperation(op);
  };

  it('at the top: tip below the face, the axis off the wall, round the opening its contour says', () => {
    const operation = edge({ lengthMm: Math.PI * 20 }, {}, 'chamfer-90-10-z4');
    const moves = movesOf(write(operation, 'round-edge').text);
    const turn = turns(moves).at(-1)!;
    // A 90° cone 0.3 mm off its tip: it is 0.7 mm deep, and stands its tip and 0.3 mm off the wall.
    expect(turn.from[2]).toBeCloseTo(-0.7, 3);
    const tip = operation.context.cutter.properties.DC! / 2;
    expect(turn.radius).toBeCloseTo(10 - tip - 0.3, 3);
  });

  it('at the back: through the middle of the opening and as far under it as the head asks', () => {
    const operation = edge(
      { face: 'far', openingMm: 12, depthMm: 18, lengthMm: Math.PI * 12 },
      {},
      'lollipop-6-z4',
    );
    const moves = movesOf(write(operation, 'round-edge').text);
    expect(Math.min(...moves.map((m) => m.to[2]))).toBeLessThan(-18);
    const down = moves.find((m) => m.to[2] < -10)!;
    expect(down.to.slice(0, 2)).toEqual([AT.x, AT.y]);
    const up = moves.find((m) => m.from[2] < 0 && m.to[2] > 0)!;
    expect(up.from.slice(0, 2)).toEqual([AT.x, AT.y]);
  });

  it('big chamfers in passes of equal area, the last where one alone would be', () => {
    const radii = (passes: number) =>
      turns(
        movesOf(
          write(edge({ lengthMm: Math.PI * 20, sizeMm: 2 }, { passes }, 'chamfer-90-10-z4'), 'round-edge')
            .text,
        ),
      ).map((t) => t.radius!);
    const [one, four] = [radii(1), radii(4)];
    expect(four).toHaveLength(4);
    expect(four.at(-1)).toBeCloseTo(one[0]!, 3);
    // Half the width takes a quarter of the area.
    expect(one[0]! - four[0]!).toBeCloseTo(1, 2);
  });

  it('is refused where the tool is as wide as the opening; an engraving has none', () => {
    expect(() =>
      write(edge({ face: 'far', openingMm: 5, depthMm: 10 }, {}, 'lollipop-6-z4'), 'round-edge'),
    ).toThrow(/openingMm.*turn in the opening/s);
    const line = edge({ form: 'engraving' }, {}, 'chamfer-90-10-z4');
    expect(writtenFor(line)).toEqual([]);
  });
});
