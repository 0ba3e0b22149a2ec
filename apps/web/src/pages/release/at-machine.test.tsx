import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { show } from '../../../test/page.tsx';
import { AtMachineTable, nothingAtMachine } from './at-machine.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
  vi.unstubAllGlobals();
});

describe('at the machine', () => {
  it('is entered by operation: program, offset, pocket, gauge length', () => {
    const changed = vi.fn();
    show(
      <AtMachineTable
        rows={[nothingAtMachine('o1'), nothingAtMachine('o2')]}
        names={
          new Map([
            ['o1', 'Face'],
            ['o2', 'Drill'],
          ])
        }
        onChange={changed}
      />,
    );
    fireEvent.change(screen.getByLabelText('Pocket of Drill'), { target: { value: '7' } });
    expect(changed).toHaveBeenCalledWith([
      nothingAtMachine('o1'),
      { ...nothingAtMachine('o2'), pocket: '7' },
    ]);
  });
});
