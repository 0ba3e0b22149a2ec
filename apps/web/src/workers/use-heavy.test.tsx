import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { HeavyState } from './heavy-state.tsx';
import { useHeavy } from './use-heavy.ts';

/** Work on its way: each is finished, failed or told about progress by the test. */
interface Job {
  readonly key: string;
  done(value: string): void;
  fail(message: string): void;
  part(share: number): void;
  early(value: string): void;
}

let jobs: Job[] = [];
let ended = 0;

beforeEach(() => {
  jobs = [];
  ended = 0;
  vi.useFakeTimers();
  vi.stubGlobal(
    'Worker',
    class {
      terminate(): void {
        ended++;
      }
      addEventListener(): void {
        // Nothing is ever said: the work is the test's.
      }
      removeEventListener(): void {
        // As above.
      }
      postMessage(): void {
        // As above.
      }
    },
  );
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function Asks({ name, lane = 'map' }: { name: string | null; lane?: 'map' | 'search' }) {
  const heavy = useHeavy<string>(
    lane,
    name,
    (_api, progress) =>
      new Promise((done, fail) => {
        jobs.push({
          key: name!,
          done,
          fail: (message) => fail(new Error(message)),
          part: (share) => progress.part(share),
          early: (value) => progress.early(value),
        });
      }),
    100,
  );
  return (
    <div>
      <output>{heavy.data ?? 'nothing yet'}</output>
      <span data-testid="stale">{String(heavy.stale)}</span>
      <HeavyState what="the answer" heavy={heavy} />
    </div>
  );
}

const wait = (ms: number): Promise<void> =>
  act(async () => {
    await vi.advanceTimersByTimeAsync(ms);
  });
const settle = (change: () => void): Promise<void> =>
  act(async () => {
    change();
    await vi.advanceTimersByTimeAsync(0);
  });

describe('work in a worker', () => {
  it('begins when the hand has rested, shows progress and an early answer, then the answer', async () => {
    render(<Asks name="a1" />);
    expect(jobs).toHaveLength(0);
    await wait(120);
    expect(jobs.map((j) => j.key)).toEqual(['a1']);
    await settle(() => jobs[0]!.part(0.5));
    expect(screen.getByRole('progressbar').getAttribute('value')).toBe('0.5');
    await settle(() => jobs[0]!.early('coarse'));
    expect(screen.getByText('coarse')).toBeTruthy();
    expect(screen.queryByRole('progressbar')).not.toBeNull();
    await settle(() => jobs[0]!.done('fine'));
    expect(screen.getByText('fine')).toBeTruthy();
    expect(screen.queryByRole('progressbar')).toBeNull();
  });

  it('keeps the old answer, marked stale, while a newer question is worked on, and ends the outdated work', async () => {
    const { rerender } = render(<Asks name="b1" />);
    await wait(120);
    await settle(() => jobs[0]!.done('old'));
    rerender(<Asks name="b2" />);
    expect(screen.getByTestId('stale').textContent).toBe('true');
    expect(screen.getByText('old')).toBeTruthy();
    await wait(120);
    rerender(<Asks name="b3" />);
    await wait(120);
    expect(jobs.map((j) => j.key)).toEqual(['b1', 'b2', 'b3']);
    expect(ended).toBe(1);
    await settle(() => jobs[1]!.done('too late'));
    expect(screen.getByText('old')).toBeTruthy();
    await settle(() => jobs[2]!.done('new'));
    expect(screen.getByText('new')).toBeTruthy();
    expect(screen.getByTestId('stale').textContent).toBe('false');
  });

  it('a question that was left for another and comes back is begun again: its ended work never answers', async () => {
    const { rerender } = render(<Asks name="f1" />);
    await wait(120);
    rerender(<Asks name="f2" />);
    await wait(120);
    expect(ended).toBe(1);
    rerender(<Asks name="f1" />);
    await wait(120);
    expect(jobs.map((j) => j.key)).toEqual(['f1', 'f2', 'f1']);
    await settle(() => jobs[2]!.done('at last'));
    expect(screen.getByText('at last')).toBeTruthy();
    expect(screen.queryByRole('progressbar')).toBeNull();
  });

  it('asks once for one question: leaving and coming back finds the answer', async () => {
    const { unmount } = render(<Asks name="c1" />);
    await wait(120);
    unmount();
    await settle(() => jobs[0]!.done('waited for'));
    render(<Asks name="c1" />);
    await wait(120);
    expect(screen.getByText('waited for')).toBeTruthy();
    expect(jobs).toHaveLength(1);
  });

  it('is stopped by hand and begun again', async () => {
    render(<Asks name="d1" lane="search" />);
    await wait(120);
    await settle(() => fireEvent.click(screen.getByRole('button', { name: 'Stop calculating the answer' })));
    expect(ended).toBe(1);
    expect(screen.getByText(/Stopped/)).toBeTruthy();
    await settle(() => fireEvent.click(screen.getByRole('button', { name: 'Calculate' })));
    await wait(120);
    expect(jobs).toHaveLength(2);
    await settle(() => jobs[1]!.done('after all'));
    expect(screen.getByText('after all')).toBeTruthy();
  });

  it('says what went wrong', async () => {
    render(<Asks name="e1" />);
    await wait(120);
    await settle(() => jobs[0]!.fail('no such cutter'));
    expect(screen.getByRole('alert').textContent).toBe('the answer could not be worked out: no such cutter');
  });

  it('asks nothing without a question', async () => {
    render(<Asks name={null} />);
    await wait(500);
    expect(jobs).toHaveLength(0);
    expect(screen.queryByRole('progressbar')).toBeNull();
  });
});
