import type { Operation } from '@burl/core';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { BATCH, CRIB, example } from '../../../../test/crib.ts';
import { show } from '../../../../test/page.tsx';
import { contextOf } from '../../../judging/context.ts';
import { CutterCard } from './cutter-card.tsx';

afterEach(cleanup);

const pocket = example('Rough seal pocket A').op;

/** The card opened on an operation; returns what it was changed to. */
function open(op: Operation): () => Operation {
  let now = op;
  show(
    <CutterCard
      op={op}
      crib={CRIB}
      context={contextOf(CRIB, op, BATCH)!}
      readOnly={false}
      onChange={(next) => (now = next)}
    />,
  );
  fireEvent.click(screen.getByRole('button', { name: /Cutter in holder/ }));
  return () => now;
}
const option = (name: RegExp): HTMLElement => screen.getByRole('option', { name });

describe('what goes together', () => {
  it('a holder that does not take the cutter stands last with the reason, and is not picked', () => {
    const now = open(pocket);
    const arbor = option(/arbor takes shell mills; this tool has a shank/i);
    expect(arbor.getAttribute('aria-disabled')).toBe('true');
    fireEvent.click(arbor);
    expect(now()).toEqual(pocket);
    const holders = screen
      .getAllByRole('option')
      .filter((o) => /chuck|holder|arbor|collet/i.test(o.textContent!));
    expect(holders.at(-1)!.getAttribute('aria-disabled')).toBe('true');
    expect(holders[0]!.getAttribute('aria-disabled')).toBe('false');
  });

  it('a ball nose for a flat floor is flagged', () => {
    open(pocket);
    expect(screen.getAllByText(/a ball nose leaves no flat floor/).length).toBeGreaterThan(0);
  });

  it('a shell mill brings its arbor along', () => {
    const now = open(pocket);
    fireEvent.click(option(/^90-degree shoulder mill 40 mm/));
    expect(now().tooling.holderId).toBe('shell-arbor-22-50');
  });
});
