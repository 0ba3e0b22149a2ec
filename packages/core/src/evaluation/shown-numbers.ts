import type { Operation } from '../operations/operation.ts';

/** Keys of the numbers people look at first in one kind of operation. */
export interface ShownNumbers {
  /** What goes into the machine. */
  readonly set: readonly string[];
  /** What follows and is watched. */
  readonly watch: readonly string[];
}

/** Which numbers stand on sheets, evidence and lists, by kind. */
export const SHOWN_NUMBERS: Readonly<Record<Operation['kind'], ShownNumbers>> = {
  milling: { set: ['n', 'vf', 'ap', 'ae'], watch: ['vc', 'fz', 'hex', 'P', 'lean', 't'] },
  drilling: { set: ['n', 'vf', 'fn', 'pecks'], watch: ['vc', 'depth', 'M', 'Ff', 'p', 't'] },
  reaming: { set: ['n', 'vf', 'fn', 'allowance'], watch: ['vc', 'depth', 'change', 'size', 'M', 't'] },
  boring: { set: ['n', 'vf', 'fn', 'ap'], watch: ['vc', 'Fr', 'lean', 'size', 'Ra', 't'] },
  'hole-milling': {
    set: ['n', 'vfc', 'pitch', 'helices'],
    watch: ['vc', 'vf', 'fz', 'ramp', 'lean', 'size', 't'],
  },
  chamfering: { set: ['n', 'vfc', 'width', 'vf'], watch: ['vc', 'fz', 'P', 't'] },
  tapping: { set: ['n', 'vf', 'height', 'Mbreak'], watch: ['vc', 'depth', 'M', 'P', 't'] },
  'thread-milling': { set: ['n', 'vfc', 'turns', 'height'], watch: ['vc', 'vf', 'fz', 'F', 'taper', 't'] },
};
