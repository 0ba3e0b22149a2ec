import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../fixtures/crib.ts';
import { SEAL } from '../../../fixtures/program-operations.ts';
import { checkProgram, type CheckSettings } from '../find/check-program.ts';
import { block } from '../engage/stock.ts';
import { PLAIN_SETTINGS, readProgram } from '../read/read-program.ts';
import { makeSummary } from '../read/summary.ts';
import { linesWithEnds, joined } from './lines-with-ends.ts';
import { withWord } from './edit-line.ts';
import { rewriteProgram } from './rewrite-program.ts';
import { USUAL_REWRITE } from './rewrite-settings.ts';

/** Round a pocket roughed to a millimetre of its walls, turning on the spot in the corners, with another alloy’s speed and feed. */
const TEXT = [
  '%',
  'O1187 (RETURN WALL)',
  'N10 G21 G90 G17 G40 G80 G94',
  'N20 T4 M6',
  'N30 G54',
  'N40 S2600 M3 (AS POSTED)',
  'N50 G43 H4',
  'N60 G0 X0 Y0 Z20',
  'N70 M8',
  'N80 G0 Z-12',
  'N90 G1 X39 Y0 F780',
  'N100 Y24 (INTO THE CORNER)',
  'N110 X-39 ; ALONG THE WALL',
  'N114 Y-24',
  'N116 X0',
  'N118 Y0',
  'N120 G0 Z20',
  'N130 M30',
  '%',
  '',
].join('\r\n');
const CHECK: CheckSettings = {
  operations: [SEAL],
  machine: SEAL.context.machine,
  stock: {
    ...block([-60, -45, -30], [60, 45, 0]),
    pockets: [{ low: [-44, -29], high: [44, 29], cornerMm: 7, floor: null }],
  },
  cellMm: 0.25,
  clearPlaneMm: 2,
  inheritance: { alloys: CRIB.alloys },
};
const faults = (text: string) =>
  checkProgram(text, CHECK)
    .findings.filter((f) => f.gravity === 'stop' || f.gravity === 'fault')
    .map((f) => f.rule);

describe('a rewritten program', () => {
  const rewritten = rewriteProgram(TEXT, CHECK);

  it('has the speed and chip of the release, and no fault left', () => {
    expect(faults(TEXT)).toContain('release-spindle-speed');
    expect(faults(rewritten.text)).toEqual([]);
    expect(rewritten.changes.map((c) => [c.line, c.before.slice(0, 4)])).toContainEqual([6, 'N40 ']);
  });

  it('touches nothing else: comments, numbers, line ends, order', () => {
    const bare = (text: string) => text.replace(/ ?[FS][\d.]+/g, '');
    const kept = rewriteProgram(TEXT, CHECK, { ...USUAL_REWRITE, divide: false }).text;
    expect(bare(kept)).toBe(bare(TEXT));
    expect(rewritten.text).toContain('(INTO THE CORNER)\r\n');
    expect(rewritten.text.endsWith('%\r\n')).toBe(true);
  });

  it('rewritten again nothing changes, whatever is held', () => {
    for (const hold of ['chip', 'load'] as const) {
      const settings = { ...USUAL_REWRITE, hold };
      const once = rewriteProgram(TEXT, CHECK, settings);
      expect(once.settled).toBe(true);
      const twice = rewriteProgram(once.text, CHECK, settings);
      expect(twice.text).toBe(once.text);
      expect(twice.changes).toEqual([]);
    }
  });

  it('slows where the contact is wide, and holding the load it slows more', () => {
    const feedAt = (text: string, y: number): number => {
      let feed = 0;
      readProgram(text, PLAIN_SETTINGS, {
        motion: (m) => {
          if (m.to[1] === y) feed = m.feedMmMin ?? 0;
        },
      });
      return feed;
    };
    const load = rewriteProgram(TEXT, CHECK, { ...USUAL_REWRITE, hold: 'load' });
    expect(feedAt(rewritten.text, 24)).toBeLessThan(250);
    expect(feedAt(load.text, 24)).toBeLessThanOrEqual(feedAt(rewritten.text, 24));
  });

  it('a line whose feed was changed does not leave it to the next', () => {
    const text = TEXT.replace('N118 Y0', 'N117 G0 Z20\r\nN118 G1 Y-30');
    const feeds: Record<number, number | null> = {};
    readProgram(rewriteProgram(text, CHECK).text, PLAIN_SETTINGS, {
      motion: (m) => {
        if (m.to[1] === -30 && m.kind === 'line') feeds[m.to[1]] = m.feedMmMin;
      },
    });
    // In the air it keeps the feed it had.
    expect(feeds[-30]).toBe(780);
  });

  it('keeps a program that runs what was released byte for byte', () => {
    const good = rewriteProgram(rewritten.text, CHECK);
    expect(good.text).toBe(rewritten.text);
  });
});

describe('arcs in the place of short lines', () => {
  /** A half circle of 20 in short lines, then straight on. */
  const points = Array.from({ length: 121 }, (_, i) => {
    const a = (Math.PI * i) / 120;
    return `X${(20 * Math.cos(a)).toFixed(4)} Y${(20 * Math.sin(a)).toFixed(4)}`;
  });
  const text = `G21 G90 G17\nT4 M6\nS1060 M3\nG0 X20 Y0 Z5\nG1 F500\n${points.slice(1).join('\n')}\nX-20 Y-30\nG0 Z20\nM30\n`;
  const lengthOf = (program: string): number => {
    const summary = makeSummary(1);
    readProgram(program, PLAIN_SETTINGS, summary);
    return summary.result().feedMm;
  };

  it('say the same path in a fraction of the size', () => {
    const fitted = rewriteProgram(
      text,
      { ...CHECK, stock: null },
      { ...USUAL_REWRITE, arcToleranceMm: 0.01 },
    );
    expect(fitted.arcs).toBeGreaterThan(0);
    expect(fitted.bytesAfter).toBeLessThan(0.2 * fitted.bytesBefore);
    expect(lengthOf(fitted.text) / lengthOf(text)).toBeCloseTo(1, 4);
    expect(fitted.text).toMatch(/G1 X-20 Y-30/);
    expect(
      rewriteProgram(fitted.text, { ...CHECK, stock: null }, { ...USUAL_REWRITE, arcToleranceMm: 0.01 }).text,
    ).toBe(fitted.text);
  });

  it('leave lines that lie on no arc within the tolerance', () => {
    const zigzag = text.replace(points[60]!, 'X0 Y22');
    const fitted = rewriteProgram(
      zigzag,
      { ...CHECK, stock: null },
      { ...USUAL_REWRITE, arcToleranceMm: 0.01 },
    );
    expect(fitted.text).toContain('X0 Y22');
  });
});

describe('editing a line', () => {
  it.each([
    ['G1 X5 F100 (WALL)', 'F', '80', 'G1 X5 F80 (WALL)'],
    ['G1 X5 (WALL F1)', 'F', '80', 'G1 X5 F80 (WALL F1)'],
    ['G1X5F100', 'F', '80', 'G1X5F80'],
    ['G1X5', 'F', '80', 'G1X5F80'],
    ['g1 x5', 'F', '80', 'g1 x5 f80'],
    ['x5 f10', 'F', '80', 'x5 f80'],
    ['X5 ; out', 'F', '9.5', 'X5 F9.5 ; out'],
  ])('%s with %s%s is %s', (text, letter, value, wanted) =>
    expect(withWord(text, letter, value)).toBe(wanted),
  );

  it('leaves a feed that is worked out', () => {
    expect(withWord('G1 X5 F#3', 'F', '80')).toBeNull();
    expect(withWord('G1 X5 F[10*2]', 'F', '80')).toBeNull();
  });

  it('lines come back byte for byte, whatever ends them', () => {
    for (const text of ['', 'a', 'a\n', 'a\r\nb\rc\n\n', '\r\n\r\n'])
      expect(joined(linesWithEnds(text))).toBe(text);
  });
});
