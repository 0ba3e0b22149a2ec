import type { Machine } from '../../crib/machine.ts';

/** The machine with the spindle that turns the part: its own on a lathe, the main one of a mill-turn centre. */
export const withPartSpindle = (machine: Machine): Machine => {
  const own = machine.turning_spindle;
  return own ? { ...machine, max_rpm: own.max_rpm, power_torque: own.power_torque } : machine;
};

/** Does the machine turn its parts? */
export const isLathe = ({ kind, turning_spindle }: Machine): boolean =>
  turning_spindle !== undefined || kind === 'lathe';
