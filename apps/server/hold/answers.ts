import { percentile } from './row.ts';
import type { Said } from './visitor.ts';

/** What a crowd was answered, by what it asked. */
export class Answers {
  readonly #times = new Map<string, number[]>();
  readonly faults: string[] = [];
  take(what: string, { status, ms }: Said): void {
    const list = this.#times.get(what) ?? [];
    if (list.length === 0) this.#times.set(what, list);
    list.push(ms);
    // Somebody else's save is told, and is no fault.
    if (status === 0 || status >= 500) this.faults.push(`${what}: ${status}`);
  }
  p95 = (what: string): number => percentile(this.#times.get(what) ?? [], 0.95);
  get count(): number {
    return [...this.#times.values()].reduce((n, l) => n + l.length, 0);
  }
}
