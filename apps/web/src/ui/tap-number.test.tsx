import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { TapNumber } from './tap-number.tsx';

afterEach(cleanup);

function open(low: number, high: number, step: number) {
  const taken = vi.fn<(value: number | null) => void>();
  function Holder() {
    const [value, setValue] = useState<number | null>(null);
    return (
      <TapNumber
        label="Ra measured"
        value={value}
        step={step}
        low={low}
        high={high}
        onTake={(v) => {
          taken(v);
          setValue(v);
        }}
      />
    );
  }
  render(<Holder />);
  return taken;
}
const field = () => screen.getByLabelText<HTMLInputElement>('Ra measured');
/** Key by key, as a person types. */
const type = (text: string): void => {
  for (const key of text) fireEvent.change(field(), { target: { value: field().value + key } });
};

describe('a number with large buttons', () => {
  it.each([
    ['0.6', 0.6],
    ['0,012', 0.012],
    ['12.5', 12.5],
  ])('%s is taken as typed key by key', (text, value) => {
    const taken = open(0.01, 200, 0.1);
    type(text);
    expect(taken).toHaveBeenLastCalledWith(value);
    expect(field().value).toBe(text);
    fireEvent.blur(field());
    expect(field().value).toBe(String(value));
  });

  it('a number under nothing is typed with its sign', () => {
    const taken = open(-5, 5, 0.005);
    type('-0.02');
    expect(taken).toHaveBeenLastCalledWith(-0.02);
  });

  it('buttons move what was typed by their step, and no further than its ends', () => {
    const taken = open(0.01, 1, 0.1);
    type('0.9');
    fireEvent.click(screen.getByRole('button', { name: 'Ra measured more' }));
    expect(taken).toHaveBeenLastCalledWith(1);
    fireEvent.click(screen.getByRole('button', { name: 'Ra measured more' }));
    expect(taken).toHaveBeenLastCalledWith(1);
    expect(field().value).toBe('1');
  });

  it('emptied it is none', () => {
    const taken = open(0.01, 1, 0.1);
    type('0.5');
    fireEvent.change(field(), { target: { value: '' } });
    expect(taken).toHaveBeenLastCalledWith(null);
  });
});
