import { SILENT_M } from './codes.ts';
import { type Control, type Next, set } from './control.ts';
import { PLANES } from './motion.ts';
import { unknown } from './modal-words.ts';
import type { Line, Word } from './words.ts';

export const ON: Next = { kind: 'on' };

/** M words of a line, and where the program goes on behind it. */
export function machineWords(c: Control, line: Line, words: ReadonlyMap<string, Word>, number: number): Next {
  let next: Next = ON;
  for (const word of line.words) {
    if (word.letter !== 'M') continue;
    const code = word.value;
    if (code === 3 || code === 13) set(c, { spindle: 'clockwise', ...(code === 13 && { coolant: true }) });
    else if (code === 4 || code === 14)
      set(c, { spindle: 'anticlockwise', ...(code === 14 && { coolant: true }) });
    else if (code === 5) set(c, { spindle: 'stopped' });
    else if (code === 6) changeTool(c, c.staged);
    else if (code === 7 || code === 8 || code === 50 || code === 51 || code === 26 || code === 87)
      set(c, { coolant: true });
    else if (code === 9) set(c, { coolant: false });
    else if (code === 2 || code === 30) next = { kind: 'end' };
    else if (code === 99) next = { kind: 'return' };
    else if (code === 98) next = callOf(c, line, words, number);
    else if (!SILENT_M.has(code)) unknown(c, 'M', code, number);
  }
  return next;
}

/** The staged tool comes into the spindle. */
export function changeTool(c: Control, tool: number): void {
  if (!c.tools.includes(tool)) c.tools.push(tool);
  // A new tool comes with its own length: what was in force belongs to the old one.
  set(c, { tool, spindle: 'stopped', lengthOffset: null });
  if (!c.lathe) c.known[PLANES[c.plane].across] = false;
}

/** `M98 P2000 L6`, `M98 P62000` (six times 2000), or a file in brackets. */
function callOf(c: Control, line: Line, words: ReadonlyMap<string, Word>, number: number): Next {
  const file = line.file ?? (words.has('P') ? null : (line.comments[0] ?? null));
  const P = words.get('P')?.value;
  const L = words.get('L')?.value;
  if (file) return { kind: 'call', program: file, times: Math.max(0, Math.trunc(L ?? 1)) };
  if (P === undefined) {
    c.notes.add('error', 'M98', 'a call without a number or a file: nothing is called', number);
    return ON;
  }
  if (L === undefined && P > 9999)
    return { kind: 'call', program: String(Math.trunc(P) % 10000), times: Math.trunc(P / 10000) };
  return { kind: 'call', program: String(Math.trunc(P)), times: Math.max(0, Math.trunc(L ?? 1)) };
}
