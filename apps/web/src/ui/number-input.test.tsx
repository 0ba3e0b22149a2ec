import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { PreferencesProvider } from '../frame/preferences.tsx';
import { NumberInput } from './number-input.tsx';

beforeEach(() => {
  localStorage.clear();
  localStorage.setItem('burl.theme', 'light');
});
afterEach(cleanup);

function show(
  value: number | null,
  onTake: (v: number | null) => void,
  allowEmpty = false,
): HTMLInputElement {
  render(
    <PreferencesProvider>
      <NumberInput aria-label="depth" value={value} unit="mm" onTake={onTake} allowEmpty={allowEmpty} />
    </PreferencesProvider>,
  );
  return screen.getByLabelText<HTMLInputElement>('depth');
}
const type = (input: HTMLInputElement, text: string): void => {
  fireEvent.change(input, { target: { value: text } });
};

describe('number input', () => {
  it('takes a number on Enter and on leaving, once', () => {
    const take = vi.fn();
    const input = show(24, take);
    expect(input.value).toBe('24');
    type(input, '12,5');
    fireEvent.keyDown(input, { key: 'Enter' });
    expect(take.mock.calls).toEqual([[12.5]]);
    fireEvent.blur(input);
    expect(take).toHaveBeenCalledTimes(1);
  });

  it('puts the number back on Escape and does not take what is not one', () => {
    const take = vi.fn();
    const input = show(24, take);
    type(input, '7');
    fireEvent.keyDown(input, { key: 'Escape' });
    expect(input.value).toBe('24');
    type(input, 'deep');
    expect(input.getAttribute('aria-invalid')).toBe('true');
    fireEvent.blur(input);
    expect(take).not.toHaveBeenCalled();
    expect(input.value).toBe('24');
  });

  it('moves by about a hundredth with arrows, a tenth with Shift, never to zero', () => {
    const take = vi.fn();
    const input = show(24, take);
    fireEvent.keyDown(input, { key: 'ArrowUp' });
    fireEvent.keyDown(input, { key: 'ArrowDown', shiftKey: true });
    expect(take.mock.calls).toEqual([[25], [10]]);
    cleanup();
    const small = show(0.1, take);
    fireEvent.keyDown(small, { key: 'ArrowDown', shiftKey: true });
    expect(take).toHaveBeenCalledTimes(2);
  });

  it('empties only where that means something', () => {
    const take = vi.fn();
    type(show(24, take), '');
    fireEvent.blur(screen.getByLabelText('depth'));
    expect(take).not.toHaveBeenCalled();
    cleanup();
    type(show(24, take, true), ' ');
    fireEvent.blur(screen.getByLabelText('depth'));
    expect(take.mock.calls).toEqual([[null]]);
  });

  it('reads and shows inch, and gives millimetres', () => {
    localStorage.setItem('burl.units', 'inch');
    const take = vi.fn();
    const input = show(25.4, take);
    expect(input.value).toBe('1');
    type(input, '0.5');
    fireEvent.keyDown(input, { key: 'Enter' });
    expect(take.mock.calls[0]![0]).toBeCloseTo(12.7, 9);
  });
});
