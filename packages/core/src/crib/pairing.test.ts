import { describe, expect, it } from 'vitest';
import { CRIB } from '../../fixtures/crib.ts';
import { speak } from '../units/sentence.ts';
import type { Cutter } from './cutter.ts';
import type { Holder } from './holder.ts';
import { isShellMill, wrongHolder } from './pairing.ts';

const cutter = (id: string): Cutter => CRIB.cutters.find((c) => c.id === id)!;
const holder = (id: string): Holder => CRIB.holders.find((h) => h.id === id)!;
const why = (c: string, h: string): string | null => {
  const wrong = wrongHolder(cutter(c), holder(h));
  return wrong && speak(wrong, 'metric');
};

describe('a cutter in a holder', () => {
  it.each([
    ['face45-63-z6', 'hydraulic-heavy-20-90', /shell mill goes on an arbor, not into a hydraulic chuck/],
    ['face45-63-z6', 'milling-chuck-20-90', /goes on an arbor/],
    ['em-flat-1.5-z2', 'shell-arbor-22-50', /arbor takes shell mills/],
    ['em-flat-1.5-z2', 'turn-block-25', /milling cutter has to turn/],
    ['em-flat-1.5-z2', 'tap-sync-er20-70', /pulled out/],
    ['hf-12-z4', 'collet-er16-slim-100', /^12\smm shank; holder takes 1\smm to 10\smm\.$/],
  ])('%s does not go into %s', (c, h, reason) => expect(why(c, h)).toMatch(reason));

  it.each([
    ['face45-63-z6', 'shell-arbor-22-50'],
    ['hf-ind-32-z3', 'shell-arbor-22-50'],
    ['hf-12-z4', 'shrink-12-80'],
    ['em-flat-1.5-z2', 'collet-er16-slim-100'],
  ])('%s goes into %s', (c, h) => expect(why(c, h)).toBeNull());

  it('is a shell mill where it has a bore and no shank: all face mills, and nothing that is clamped', () => {
    const shells = CRIB.cutters.filter(isShellMill).map((c) => c.type);
    expect(new Set(shells)).toEqual(
      new Set(['face_mill_round', 'face_mill_45', 'face_mill_45_wiper', 'face_mill_90', 'high_feed_mill']),
    );
  });

  it('every mill of the crib goes into a holder of the crib', () => {
    const all = CRIB.holders;
    const homeless = CRIB.cutters
      .filter((c) => /mill/.test(c.type) && c.properties.DCONMS)
      .filter((c) => all.every((h) => wrongHolder(c, h) !== null))
      .map((c) => c.id);
    expect(homeless).toEqual([]);
  });
});
