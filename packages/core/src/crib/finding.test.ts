import { describe, expect, it } from 'vitest';
import { CRIB } from '../../fixtures/crib.ts';
import { found, wordsOfCutter, wordsOfHolder, wordsOfMachine } from './finding.ts';

const CUTTERS = CRIB.cutters.map((c) => ({ id: c.id, name: c.name, words: wordsOfCutter(c), cutter: c }));
const first = (typed: string) => found(typed, CUTTERS)[0]?.id;

describe('a machine and a holder are found by more than their names', () => {
  const machines = CRIB.machines.map((m) => ({ id: m.id, name: m.name, words: wordsOfMachine(m), of: m }));
  const holders = CRIB.holders.map((h) => ({ id: h.id, name: h.name, words: wordsOfHolder(h), of: h }));

  it('by the kind', () => {
    for (const typed of ['5-axis', '5 axis', '5-ax', '5axis'])
      expect(found(typed, machines).map((m) => m.of.kind)).toEqual(['5-axis']);
    expect(found('3 axis vertical', machines).map((m) => m.of.kind)).toEqual(
      machines.map((m) => m.of.kind).filter((k) => k === 'vertical 3-axis'),
    );
  });

  it('by the whole name, with its thousands or without the comma', () => {
    for (const m of machines) expect(found(m.name, machines).map((e) => e.id)).toContain(m.id);
    expect(found('five-axis 24000', machines).map((m) => m.id)).toEqual(['axis5-24k']);
  });

  it('by what the spindle takes', () => {
    const taken = found('hydraulic BT40', holders);
    expect(taken.length).toBeGreaterThan(0);
    for (const { of } of taken)
      expect([of.kind, of.interfaces.includes('BT40')]).toEqual(['hydraulic', true]);
  });
});

describe('a cutter is found by what a machinist types', () => {
  it.each([
    ['12 4fl', 'em-bull-12-z4-re1-var'],
    ['z4 12 re1', 'em-bull-12-z4-re1-var'],
    ['ball 6', 'ball-6-z2'],
    ['12mm slot', 'slot-12-key'],
    ['M8 forming', 'tap-m8-forming'],
    ['micro flat', 'em-flat-1.5-z2'],
    ['1,5', 'em-flat-1.5-z2'],
    ['RE 1, variable', 'em-bull-12-z4-re1-var'],
  ])('%s', (typed, id) => {
    const ids = found(typed, CUTTERS).map((e) => e.id);
    expect(ids).toContain(id);
    const { cutter } = CUTTERS.find((e) => e.id === first(typed))!;
    const wanted = CUTTERS.find((e) => e.id === id)!.cutter;
    // What comes first is at least as right: of the same size.
    expect(cutter.properties.DC).toBe(wanted.properties.DC);
  });

  it('a number is that number: 12 finds no 120, 1.2 or 0.12', () => {
    const entries = ['Mill 12 mm', 'Mill 120 mm', 'Mill 1.2 mm', 'Mill 0.12 mm', 'Mill 12.5 mm'].map(
      (name, i) => ({
        id: `x-${'abcde'[i]}`,
        name,
      }),
    );
    expect(found('12', entries).map((e) => e.name)).toEqual(['Mill 12 mm']);
  });

  it('every word has to be there, and nothing typed leaves all as they stood', () => {
    expect(found('ball 6 unobtainium', CUTTERS)).toEqual([]);
    expect(found('  ', CUTTERS)).toBe(CUTTERS);
  });

  it('inch sizes are found as they are written', () => {
    const half = { ...CRIB.cutters[0]!, properties: { ...CRIB.cutters[0]!.properties, DC: 12.7 } };
    const entries = [{ id: 'half', name: 'End mill', words: wordsOfCutter(half) }, ...CUTTERS];
    expect(found('1/2', entries)[0]!.id).toBe('half');
  });
});
