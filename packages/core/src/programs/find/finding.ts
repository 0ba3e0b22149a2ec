import type { Machine } from '../../crib/machine.ts';
import type { Sentence } from '../../units/sentence.ts';
import type { Stock } from '../engage/stock.ts';
import type { Point } from '../read/motion.ts';
import type { Block } from './block.ts';
import type { Expected } from './expected.ts';

/** How bad a finding is: what hurts somebody or the machine, what breaks a tool or the part, what costs, what is only said. */
export const GRAVITIES = ['stop', 'fault', 'look', 'note'] as const;
export type Gravity = (typeof GRAVITIES)[number];

export interface Finding {
  readonly rule: string;
  readonly gravity: Gravity;
  /** Heavier first among equals. */
  readonly weight: number;
  readonly title: string;
  readonly what: Sentence;
  /** What to do about it, an imperative. */
  readonly remedy: Sentence;
  /** Line of the worst place, how many places there are, and the first of them. */
  readonly line: number;
  readonly count: number;
  readonly lines: readonly number[];
  /** Block of the worst place; null where it belongs to none. */
  readonly block: number | null;
  readonly at: Point | null;
  /** Of a number that is not the released one: whose it is, and what runs. */
  readonly runs?: { readonly operationId: string; readonly value: number };
}

/** What the rules look at beside the blocks. */
export interface CheckSurroundings {
  readonly expected: readonly Expected[];
  readonly machine: Machine | null;
  readonly stock: Stock | null;
  /** Rapids across the part stay at or above this, mm; null where nobody said. */
  readonly clearPlaneMm: number | null;
  /** Speeds that are tried on purpose, rpm: a ladder for a chatter test. */
  readonly speedsOnPurpose: readonly number[];
}

/** One thing that goes wrong in programs: sees every block once, in order, and tells at the end. */
export interface Rule {
  see(block: Block): void;
  findings(): readonly Finding[];
}
export type RuleMaker = (surroundings: CheckSurroundings) => Rule;

/** Lines a finding remembers. */
const KEPT = 100;

interface Worst<T> {
  readonly worth: number;
  readonly block: Block;
  readonly detail: T;
}

/** Places of one kind of fault; the worst is told, the others counted. */
export interface Places<T> {
  add(worth: number, block: Block, detail: T): void;
  /** The finding made of the worst place; none where there is no place. */
  tell(make: (worst: Worst<T>) => Omit<Finding, 'line' | 'count' | 'lines' | 'block' | 'at'>): Finding[];
}

export function makePlaces<T>(): Places<T> {
  let worst: Worst<T> | null = null;
  let count = 0;
  let last = -1;
  const lines: number[] = [];
  return {
    add(worth, block, detail) {
      if (!worst || worth > worst.worth) worst = { worth, block, detail };
      // A line counts once however many moves it makes.
      if (block.motion.line === last) return;
      last = block.motion.line;
      count++;
      if (lines.length < KEPT) lines.push(last);
    },
    tell(make) {
      if (!worst) return [];
      const { block } = worst;
      return [
        {
          ...make(worst),
          line: block.motion.line,
          count,
          lines,
          block: block.index,
          at: block.engagement.touches ?? block.motion.to,
        },
      ];
    },
  };
}
