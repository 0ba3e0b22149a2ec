import type { ProgramEntry } from '@burl/contract';
import type { Stock } from '@burl/core';

/** The program that is looked at: kept with a job, or opened from a file. */
export interface ProgramSource {
  /** Another one for another file. */
  readonly file: number;
  readonly name: string;
  readonly text: string;
  /** Kept program it is; null for a file that is not kept, or not as it stands. */
  readonly kept: ProgramEntry | null;
  readonly operationId: string | null;
  readonly stock: Stock | null;
}

let files = 0;

/** A source of its own: the next file. */
export const sourceOf = (s: Omit<ProgramSource, 'file'>): ProgramSource => ({ ...s, file: ++files });

/** The text as a file of the same bytes. */
export function fileOfText(text: string): Blob {
  const bytes = new Uint8Array(text.length);
  for (let i = 0; i < text.length; i++) bytes[i] = text.charCodeAt(i);
  return new Blob([bytes], { type: 'text/plain' });
}
