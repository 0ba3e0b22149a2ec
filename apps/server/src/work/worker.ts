import { InputError } from '@burl/core';
import { Refusal } from '../store/refusal.ts';
import { TASKS, type Tasks } from './tasks.ts';

/** An answer of a worker: errors that mean something keep what they say across the threads. */
export type Answer =
  | { readonly is: unknown }
  | { readonly input: InputError['problems'] }
  | { readonly refusal: Pick<Refusal, 'kind' | 'message'> };

/** One task in a thread of its own. */
export default async function run({
  task,
  given,
}: {
  readonly task: keyof Tasks;
  readonly given: readonly unknown[];
}): Promise<Answer> {
  try {
    return { is: await (TASKS[task] as (...given: readonly unknown[]) => unknown)(...given) };
  } catch (error) {
    if (error instanceof InputError) return { input: error.problems };
    if (error instanceof Refusal) return { refusal: { kind: error.kind, message: error.message } };
    throw error;
  }
}
