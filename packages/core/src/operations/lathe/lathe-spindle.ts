import type { Machine } from '../../crib/machine.ts';
import type { Operation } from '../operation.ts';
import { isTurnedOperation } from './turned-kinds.ts';

/** With the spindle that turns the part: its own on a lathe, the main one of a mill-turn centre; the second one is no faster than its record says. */
const withPartSpindle = (machine: Machine, inSubSpindle: boolean): Machine => {
  const second = inSubSpindle ? machine.sub_spindle_max_rpm : undefined;
  if (second) {
    const first = withPartSpindle(machine, false);
    return { ...first, max_rpm: Math.min(first.max_rpm, second) };
  }
  const own = machine.turning_spindle;
  return own ? { ...machine, max_rpm: own.max_rpm, power_torque: own.power_torque } : machine;
};

/** Does the machine turn its parts? */
export const isLathe = ({ kind, turning_spindle }: Machine): boolean =>
  turning_spindle !== undefined || kind === 'lathe';

const withDrivenTools = (machine: Machine): Machine => {
  const own = machine.driven_tools;
  return own ? { ...machine, max_rpm: own.max_rpm, power_torque: own.power_torque } : machine;
};

/** Kinds whose tool has to turn. */
const MILLS: readonly Operation['kind'][] = [
  'milling',
  'hole-milling',
  'chamfering',
  'thread-milling',
  'edge-milling',
];
export const hasToTurn = ({ kind }: Operation): boolean => MILLS.includes(kind);

/**
 * The machine with the spindle an operation runs on. A milling machine has one; a lathe turns the part, or a driven tool; a mill-turn
 * centre turns its milling spindle, or the part with the tool standing on its axis.
 */
export function machineFor(op: Operation, machine: Machine, inSubSpindle = false): Machine {
  if (isTurnedOperation(op) || op.inLathe?.turns === 'part') return withPartSpindle(machine, inSubSpindle);
  const driven = machine.kind === 'lathe' && (hasToTurn(op) || op.inLathe?.turns === 'tool');
  return driven ? withDrivenTools(machine) : machine;
}
