import type { MillingOperation } from '@burl/core';
import { cleanup, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { BATCH, CRIB, example } from '../../../test/crib.ts';
import { show } from '../../../test/page.tsx';
import { Notices } from './notices.tsx';
import { useJudged } from './use-judged.ts';

const heavy = vi.hoisted(() => ({ data: null, error: null as string | null }));
vi.mock('../../workers/use-heavy.ts', () => ({ useHeavy: () => heavy, askWorker: vi.fn() }));
afterEach(cleanup);

function Judged({ op }: { op: MillingOperation }) {
  const { periodicFailed, present } = useJudged(op, null, [], CRIB, BATCH);
  const border = present?.limits.find((l) => l.id === 'limit-depth')?.allowed?.from;
  return (
    <>
      <Notices
        job={{ status: 'draft' } as never}
        others={[]}
        save={{ is: 'saved' } as never}
        problems={[]}
        periodicFailed={periodicFailed}
        found={null}
        previewing={false}
        onApply={vi.fn()}
        onBack={vi.fn()}
      />
      <p>{border}</p>
    </>
  );
}

const { op } = example('Rough seal pocket A') as { op: MillingOperation };

it('a periodic border that could not be worked out is said, and the averaged one stands', () => {
  heavy.error = 'WebAssembly is not allowed here';
  show(<Judged op={op} />);
  expect(screen.getByRole('alert').textContent).toMatch(/WebAssembly is not allowed here.*averaged cut/);
  expect(screen.getByText(/^50% chance of chatter, averaged cut, an overview/)).toBeTruthy();
});

it('while it is worked out nothing is said', () => {
  heavy.error = null;
  show(<Judged op={op} />);
  expect(screen.queryByRole('alert')).toBeNull();
});
