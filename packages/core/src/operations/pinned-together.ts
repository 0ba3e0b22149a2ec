import { InputError } from '../units/input-error.ts';

/** Refusal of a parameter that cannot move while these are pinned. */
export const pinnedTogether = (field: string, value: number, pins: string): InputError =>
  new InputError([{ field, value, allowed: `nothing else: ${pins} are pinned; release one` }]);
