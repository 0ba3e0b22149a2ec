import { fireEvent, cleanup, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { CRIB } from '../../../test/crib.ts';
import { pretendServer, show } from '../../../test/page.tsx';
import { ComboBox } from '../../ui/combo-box.tsx';
import { fromSearch, toSearch, WANTS, whatFor } from './quick-question.ts';
import { keepQuestion, recentQuestions } from './recent.ts';
import { draftOf } from './running/running-draft.ts';
import { runningCut } from './running/running-cut.ts';
import { takenOf, withTaken } from './taken-cut.ts';
import { example } from '../../../test/crib.ts';

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const USUAL = { alloyId: 'ti-6al-4v-annealed', machineId: 'vmc40-15kw-belt' };

describe('a question as an address', () => {
  it('comes back as it went, for every want', () => {
    for (const { made } of WANTS) {
      const asked = {
        alloyId: '316l',
        machineId: 'axis5-24k',
        what: { ...whatFor(made), depthMm: 12.5, cutterId: 'em-flat-6-z4' },
        taken: { n: 2000, feed: 0.05, ap: 3, out: 40 },
      };
      expect(fromSearch(toSearch(asked), USUAL)).toEqual(asked);
    }
  });

  it('keeps to what one begins with where it is damaged', () => {
    const q = fromSearch(new URLSearchParams('want=castle&depth=-4&width=1e99&n=NaN&diameter='), USUAL);
    expect(q).toEqual({ ...USUAL, what: whatFor('pocket'), taken: null });
  });

  it('carries the numbers of a cut', () => {
    for (const name of ['Rough seal pocket A', 'Drill 6.8']) {
      const { op } = example(name);
      expect(withTaken(op, takenOf(op))).toEqual(op);
      const other = withTaken(op, { n: 777, feed: 0.033 });
      expect(takenOf(other)).toMatchObject({ n: 777, feed: 0.033 });
    }
  });
});

describe('recent questions', () => {
  it('stand with the last first, each once, and no more than a handful', () => {
    for (let i = 0; i < 12; i++) keepQuestion({ label: `question ${i}`, search: `depth=${i}` });
    keepQuestion({ label: 'question 9', search: 'depth=99' });
    const list = recentQuestions();
    expect(list).toHaveLength(8);
    expect(list[0]).toEqual({ label: 'question 9', search: 'depth=99' });
    expect(new Set(list.map((r) => r.label)).size).toBe(8);
  });

  it('are none where the store holds something else', () => {
    localStorage.setItem('burl.quick.recent', '{"broken');
    expect(recentQuestions()).toEqual([]);
    localStorage.setItem('burl.quick.recent', '[{"label":1}]');
    expect(recentQuestions()).toEqual([]);
  });
});

describe('somebody’s cut', () => {
  const cutOf = (said: string, corrections = {}) =>
    runningCut(draftOf(said, corrections, CRIB).draft, CRIB, 'metric');

  it('has the tool of the crib where there is one, and one from its numbers where there is none', () => {
    const own = cutOf('12 mm five flute, 80 m/min, 0.1 a tooth, 1 mm stepover, 18 deep, grade 5');
    if (typeof own === 'string') throw new Error(own);
    expect([own.newTool, own.context.cutter.properties.DC]).toEqual([false, 12]);
    expect(own.op.cut).toMatchObject({ feedPerToothMm: 0.1, axialDepthMm: 18, radialEngagementMm: 1 });
    expect(own.op.cut.speedRpm).toBeCloseTo(80_000 / (Math.PI * 12), 0);
    const odd = cutOf('13.7 mm 5 flute, 2000 rpm, 900 mm/min, 1 mm stepover, 18 deep, 316');
    if (typeof odd === 'string') throw new Error(odd);
    expect([odd.newTool, odd.context.cutter.properties.DC]).toEqual([true, 13.7]);
    expect('feedPerToothMm' in odd.op.cut && odd.op.cut.feedPerToothMm).toBeCloseTo(900 / 2000 / 5, 6);
    expect(odd.supposed.join()).toMatch(/not in the crib/);
  });

  it('says everything it supposed, and a correction goes before what was read', () => {
    const bare = cutOf('12 mm end mill in 316');
    if (typeof bare === 'string') throw new Error(bare);
    for (const part of ['machine not said', 'speed not said', 'axial depth not said', 'stick-out not said'])
      expect(bare.supposed.join()).toContain(part);
    const put = cutOf('12 mm end mill in 316, 4 deep', {
      alloyId: '718-aged',
      numbers: { axialDepthMm: 6, diameterMm: null },
    });
    if (typeof put === 'string') throw new Error(put);
    expect([put.context.alloy.id, 'axialDepthMm' in put.op.cut && put.op.cut.axialDepthMm]).toEqual([
      '718-aged',
      6,
    ]);
    expect(put.supposed.join()).toContain('diameter not said');
  });

  it('says what is missing instead of guessing an alloy', () => {
    expect(cutOf('12 mm end mill, 2000 rpm')).toBe('Say or choose the alloy.');
    expect(cutOf('400 mm ball nose in 316, 2000 rpm')).toMatch(/No ball nose of 400/);
  });
});

describe('one-line choice', () => {
  const list = [
    { id: 'a', name: 'Alloy 718, annealed', words: ['n07718'] },
    { id: 'b', name: 'Stainless 316L', words: ['s31603'] },
  ];

  it('finds by any word, takes the first with Enter and goes on to the next field', async () => {
    pretendServer({});
    const take = vi.fn();
    show(
      <form>
        <ComboBox label="Alloy" list={list} value="a" onTake={take} />
        <input aria-label="next" />
      </form>,
    );
    const field = screen.getByRole<HTMLInputElement>('combobox', { name: 'Alloy' });
    expect(field.value).toBe('Alloy 718, annealed');
    fireEvent.change(field, { target: { value: 's31603' } });
    expect(screen.getAllByRole('option').map((o) => o.textContent)).toEqual(['Stainless 316L']);
    fireEvent.keyDown(field, { key: 'Enter' });
    await waitFor(() => expect(take).toHaveBeenCalledWith('b'));
    expect(document.activeElement).toBe(screen.getByLabelText('next'));
  });

  it('puts back what was chosen when one leaves it', () => {
    pretendServer({});
    show(<ComboBox label="Alloy" list={list} value="a" onTake={vi.fn()} />);
    const field = screen.getByRole<HTMLInputElement>('combobox', { name: 'Alloy' });
    fireEvent.change(field, { target: { value: 'zz' } });
    expect(screen.getByText('No match.')).toBeTruthy();
    fireEvent.blur(field);
    expect(field.value).toBe('Alloy 718, annealed');
  });
});
