import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../fixtures/crib.ts';
import type { KnownTip } from './resonance-book.ts';
import type { ToolAssembly } from '../../crib/tool-assembly.ts';
import { assemblyOf, genericStructure } from './assembly-of.ts';
import { assemblyModes } from './coupling/assembly-modes.ts';
import { depthAlongTool, depthAtTip } from './along-tool.ts';
import { tipKnowledge } from './tip-knowledge.ts';
import { softestMode, type TipMode, type TipStructure, softModes } from './tip-structure.ts';

const find = <T extends { readonly id: string }>(list: readonly T[], id: string): T =>
  list.find((e) => e.id === id)!;
const cutter = find(CRIB.cutters, 'em-bull-12-z5-re0.5-var');
const PARTS: ToolAssembly = {
  machine: find(CRIB.machines, 'axis5-24k'),
  holder: find(CRIB.holders, 'shrink-12-80'),
  cutter,
  substrate: CRIB.substrates[cutter.extended.substrate]!,
};

/** A spindle nobody knows: softer clamp, other modes and more damping than the crib's class values. */
function hidden(stickOutMm: number): TipStructure {
  const [x, y] = (['x', 'y'] as const).map((axis): readonly TipMode[] => {
    const a = assemblyOf(PARTS, stickOutMm, axis);
    return assemblyModes({
      ...a,
      clamp: {
        translation: 0.7 * a.clamp.translation,
        rotation: 0.75 * a.clamp.rotation,
        damping: 1.3 * a.clamp.damping,
      },
      spindle: a.spindle.map((m, i) => ({
        ...m,
        hz: m.hz * (1 + 0.06 * (i - 1)),
        damping: 1.2 * m.damping,
        move: 1.15 * m.move,
      })),
    }).modes;
  });
  return softModes({ x: x!, y: y! }, 0.06);
}

const tapped = (stickOutMm: number, source: KnownTip['source'] = 'measured'): KnownTip => ({
  machineSerial: 'SN-1',
  machineId: PARTS.machine.id,
  holderId: PARTS.holder.id,
  cutterId: cutter.id,
  stickOutMm,
  source,
  structure: hidden(stickOutMm),
  measuredOn: null,
});

describe('what is known of a tip', () => {
  it('is the tap test where there is one, then a table, then the class values', () => {
    expect(tipKnowledge(PARTS, 48, [tapped(48)]).trust).toBe('measured');
    expect(tipKnowledge(PARTS, 48, [tapped(48, 'table')]).trust).toBe('table');
    expect(tipKnowledge(PARTS, 48, []).trust).toBe('generic');
  });

  it('follows a cutter that was changed under the same id, coupled or by class values', () => {
    const thinner: ToolAssembly = {
      ...PARTS,
      cutter: { ...cutter, properties: { ...cutter.properties, DC: 9, DCONMS: 9 } },
    };
    for (const known of [[tapped(48)], []]) {
      const before = softestMode(tipKnowledge(PARTS, 60, known).structure);
      const after = softestMode(tipKnowledge(thinner, 60, known).structure);
      expect(after.stiffness).toBeLessThan(0.9 * before.stiffness);
      // The same entries read anew say the same: nothing is worked out twice.
      const again = structuredClone(PARTS);
      expect(tipKnowledge(again, 60, known).structure).toBe(tipKnowledge(PARTS, 60, known).structure);
    }
  });

  it('is not another machine’s of the same kind where the serial is asked for', () => {
    expect(tipKnowledge(PARTS, 48, [tapped(48)], 'SN-2').trust).toBe('generic');
    expect(tipKnowledge(PARTS, 48, [tapped(48)], 'SN-1').trust).toBe('measured');
  });

  it.each([
    [48, 60],
    [48, 40],
    [36, 54],
  ])(
    'coupled from %s to %s mm, the softest mode lies in the band and nearer than the class values',
    (from, to) => {
      const found = tipKnowledge(PARTS, to, [tapped(from)]);
      expect(found.trust).toBe('coupled');
      const truth = softestMode(hidden(to));
      const near = (s: TipStructure): TipMode =>
        [...s.x, ...s.y].reduce((a, b) =>
          Math.abs(Math.log(b.hz / truth.hz)) < Math.abs(Math.log(a.hz / truth.hz)) ? b : a,
        );
      const mine = near(found.structure);
      const off = (key: 'hz' | 'damping' | 'stiffness', of: TipMode): number =>
        Math.abs(Math.log(of[key] / truth[key]));
      for (const key of ['hz', 'damping', 'stiffness'] as const)
        expect(off(key, mine), key).toBeLessThan(1.65 * found.sigma[key]);
      expect(off('hz', mine)).toBeLessThanOrEqual(off('hz', near(genericStructure(PARTS, to))) + 0.005);
      expect(found.sigma.hz).toBeGreaterThan(tipKnowledge(PARTS, from, [tapped(from)]).sigma.hz);
    },
  );

  it('knows less the farther the stick-out is from the measured one', () => {
    const sigma = (to: number): number => tipKnowledge(PARTS, to, [tapped(48)]).sigma.stiffness;
    expect(sigma(60)).toBeLessThan(sigma(72));
    expect(sigma(50)).toBeLessThan(sigma(60));
  });
});

describe('depth along the tool', () => {
  const mode = softestMode(genericStructure(PARTS, 48));

  it('counts less than at the tip, the less the nearer to the holder', () => {
    expect(depthAtTip(mode, 2, 48)).toBeGreaterThan(1.6);
    expect(depthAtTip(mode, 24, 48)).toBeLessThan(16);
    expect(depthAtTip(mode, 48, 48) - depthAtTip(mode, 40, 48)).toBeLessThan(1);
  });

  it('goes back and forth, and is all of it where a whole tool does not count that much', () => {
    expect(depthAtTip(mode, depthAlongTool(mode, 5, 48), 48)).toBeCloseTo(5, 3);
    expect(depthAlongTool(mode, 47, 48)).toBe(Infinity);
    expect(depthAlongTool({ hz: 900, damping: 0.03, stiffness: 1e7 }, 7, 48)).toBe(7);
  });
});
