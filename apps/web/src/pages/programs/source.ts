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

/** Bytes as characters one by one: whatever stands in a file comes out of it again. */
const PIECE = 32_768;
export function textOfBase64(base64: string): string {
  return atob(base64);
}
export function base64OfText(text: string): string {
  return btoa(text);
}
export async function textOfFile(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const parts: string[] = [];
  for (let i = 0; i < bytes.length; i += PIECE)
    parts.push(String.fromCharCode(...bytes.subarray(i, i + PIECE)));
  return parts.join('');
}

/** The text as a file of the same bytes. */
export function fileOfText(text: string): Blob {
  const bytes = new Uint8Array(text.length);
  for (let i = 0; i < text.length; i++) bytes[i] = text.charCodeAt(i);
  return new Blob([bytes], { type: 'text/plain' });
}

/** Hands a text to the browser as a download. */
export function exportText(name: string, text: string): void {
  const url = URL.createObjectURL(fileOfText(text));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}
