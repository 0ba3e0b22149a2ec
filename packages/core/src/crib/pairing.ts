import { measure, say, type Sentence } from '../units/sentence.ts';
import { type Cutter, isRoundBar, isTurningInsert, MILLING_CUTTER_TYPES } from './cutter.ts';
import type { Holder } from './holder.ts';
import type { Machine } from './machine.ts';

const mills = (cutter: Pick<Cutter, 'type'>): boolean =>
  (MILLING_CUTTER_TYPES as readonly string[]).includes(cutter.type);

/** Shorter than so many bores: a body with a bore through it, and no shank. */
const SHELL_LENGTH = 3;

/** A mill on a bore and a face: `DCONMS` is its bore, and nothing of it stands in a chuck. */
export function isShellMill(cutter: Cutter): boolean {
  const { LF, LPR, DCONMS } = cutter.properties;
  // A record may leave a length empty as well as out.
  const given = (v: unknown): v is number => typeof v === 'number';
  return mills(cutter) && !given(LPR) && given(LF) && given(DCONMS) && LF < SHELL_LENGTH * DCONMS;
}

/** A holder by what it is called. */
const CALLED: Readonly<Record<string, string>> = {
  collet: 'a collet chuck',
  hydraulic: 'a hydraulic chuck',
  shrink: 'a shrink-fit holder',
  milling_chuck: 'a milling chuck',
  side_lock: 'a side-lock holder',
  tap_holder: 'a tapping chuck',
  modular: 'an adapter',
  turning_block: 'a turning block',
};

/**
 * Why a cutter does not go into a holder; null where it does. What the two are comes first, then whether the shank fits the bore, mm.
 */
export function wrongHolder(cutter: Cutter, holder: Holder): Sentence | null {
  const [least, most] = holder.bore_diameter_mm;
  const square = holder.kind === 'turning_block' && least === most;
  // The shank an insert sits on fills the square seat of its block.
  if (isTurningInsert(cutter))
    return square ? null : say('A turning insert stands on a square shank in a turning block.');
  if (isRoundBar(cutter) && square)
    return say('A boring bar is round: it stands in a sleeve, not in the seat of a square shank.');
  const shell = isShellMill(cutter);
  if (holder.kind === 'arbor' && !shell) return say('An arbor takes shell mills; this tool has a shank.');
  if (holder.kind !== 'arbor' && shell)
    return say(`A shell mill goes on an arbor, not into ${CALLED[holder.kind] ?? 'a chuck'}.`);
  if (holder.kind === 'turning_block' && mills(cutter))
    return say('A turning block stands still; a milling cutter has to turn.');
  if (holder.kind === 'tap_holder' && mills(cutter))
    return say('A tapping chuck gives way along its axis; a milling cutter would be pulled out.');
  const shank = cutter.properties.DCONMS ?? 0;
  const [small, large] = holder.bore_diameter_mm;
  if (shank < small || shank > large)
    return say(
      shell ? '{0} bore; arbor takes {1} to {2}.' : '{0} shank; holder takes {1} to {2}.',
      measure(shank, 'mm'),
      measure(small, 'mm'),
      measure(large, 'mm'),
    );
  return null;
}

/** Why a holder does not go into a machine’s spindle; null where it does. */
export const wrongSpindle = (holder: Holder, machine: Machine): Sentence | null =>
  holder.interfaces.includes(machine.spindle_interface)
    ? null
    : say(`${holder.name} does not fit the ${machine.spindle_interface} spindle.`);
