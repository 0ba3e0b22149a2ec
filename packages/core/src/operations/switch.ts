import type { Sentence } from '../units/sentence.ts';
import type { Operation } from './operation.ts';

/** A change of kind rather than amount. */
export interface Switch {
  readonly id: string;
  readonly title: Sentence;
  readonly after: Operation;
}
