import { formatField, fromShown, tidyStep, toShown, type Unit, UNITS } from '@burl/core';
import { type InputHTMLAttributes, useState } from 'react';
import { useSystem } from '../frame/preferences.tsx';

/** Commas group thousands where they can do nothing else; else one is a decimal point, as on half the keyboards. */
const parse = (text: string): number => {
  const plain = text.replace(/\s/g, '');
  const grouped = /^[1-9]\d{0,2}(,\d{3})+\.\d*$|^[1-9]\d{0,2}(,\d{3}){2,}$/.test(plain);
  return Number(grouped ? plain.replaceAll(',', '') : plain.replace(',', '.'));
};

const readable = (text: string): boolean => text.trim() === '' || Number.isFinite(parse(text));

/**
 * A number in the shown unit, kept in the core's. Enter or leaving the field takes it, Escape puts it back,
 * arrows move it by its step, or by about a hundredth (with Shift ten times as far). What cannot be read is not taken;
 * `strict` leaves it standing and stops the form around.
 */
export function NumberInput({
  value,
  unit,
  onTake,
  allowEmpty = false,
  strict = false,
  step: by = null,
  ...rest
}: {
  value: number | null;
  unit: Unit;
  onTake: (value: number | null) => void;
  allowEmpty?: boolean;
  strict?: boolean;
  /** What it is entered by, in the core's unit: arrows move it by that. */
  step?: number | null;
} & Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange' | 'step'>) {
  const system = useSystem();
  const [draft, setDraft] = useState<string | null>(null);
  const shown = value === null ? '' : formatField(value, unit, system);
  const bad = draft !== null && !readable(draft);

  function take(): void {
    if (draft === null || (strict && bad)) return;
    setDraft(null);
    if (draft.trim() === '') {
      if (allowEmpty && value !== null) onTake(null);
      return;
    }
    const number = parse(draft);
    if (!Number.isFinite(number) || draft === shown) return;
    onTake(fromShown(number, unit, system));
  }

  function nudge(sign: 1 | -1, coarse: boolean): void {
    const now = draft === null ? (value ?? 0) : fromShown(parse(draft), unit, system);
    if (!Number.isFinite(now) || now === 0) return;
    const size = Math.abs(toShown(now, unit, system));
    const step =
      by === null
        ? 10 ** (Math.floor(Math.log10(size)) - (coarse ? 0 : 1))
        : (coarse ? 10 : 1) * tidyStep(by * UNITS[unit][system].factor);
    const next = Number((Math.round(toShown(now, unit, system) / step) * step + sign * step).toPrecision(6));
    if (next <= 0) return;
    setDraft(null);
    onTake(fromShown(next, unit, system));
  }

  return (
    <input
      inputMode="decimal"
      autoComplete="off"
      {...rest}
      aria-invalid={bad || rest['aria-invalid'] || undefined}
      title={UNITS[unit][system].label}
      value={draft ?? shown}
      onFocus={(e) => e.currentTarget.select()}
      onChange={(e) => {
        setDraft(e.target.value);
        if (strict)
          e.target.setCustomValidity(readable(e.target.value) ? '' : `${e.target.value} is no number`);
      }}
      onBlur={take}
      onKeyDown={(e) => {
        if (e.key === 'Enter') {
          // A form around must not be sent by the Enter that takes a number.
          e.preventDefault();
          take();
        }
        // While a number is being typed, undo is the field's own.
        if (e.key.toLowerCase() === 'z' && (e.ctrlKey || e.metaKey) && draft !== null) e.stopPropagation();
        if (e.key === 'Escape' && draft !== null) {
          e.stopPropagation();
          setDraft(null);
          e.currentTarget.setCustomValidity('');
        }
        if (e.key === 'ArrowUp' || e.key === 'ArrowDown') {
          e.preventDefault();
          nudge(e.key === 'ArrowUp' ? 1 : -1, e.shiftKey);
        }
      }}
    />
  );
}
