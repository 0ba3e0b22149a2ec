import type { Dialect } from './dialect.ts';
import { makeWriter, type Writer } from './writer.ts';

/** What stands round every program: number, tool, offset, heights. */
export interface ProgramFrame {
  /** O word. */
  readonly number: number;
  readonly title: string;
  readonly tool: number;
  /** Like G54. */
  readonly workOffset: string;
  readonly speedRpm: number;
  readonly coolant: boolean;
  /** Rapids cross the part at this height, and feed begins at the other, over the part's top at `topMm`. */
  readonly clearMm: number;
  readonly startMm: number;
  readonly topMm: number;
}

export const USUAL_FRAME: ProgramFrame = {
  number: 1,
  title: '',
  tool: 1,
  workOffset: 'G54',
  speedRpm: 1000,
  coolant: true,
  clearMm: 20,
  startMm: 1,
  topMm: 0,
};

/** A program with its head and end round what `body` writes. */
export function framed(frame: ProgramFrame, dialect: Dialect, body: (w: Writer) => void): string {
  const w = makeWriter(dialect);
  w.raw('%');
  w.raw(`O${String(frame.number).padStart(4, '0')}`);
  w.comment(frame.title);
  w.comment('check datum, tool and length before it runs');
  w.raw(`${dialect.units === 'inch' ? 'G20' : 'G21'} G90 G17 G40 G80 G94`);
  w.raw(`T${frame.tool} M6`);
  w.raw(frame.workOffset);
  w.raw(`S${Math.round(frame.speedRpm)} M3`);
  w.raw(`G43 H${frame.tool}`);
  w.rapid({ z: frame.topMm + frame.clearMm });
  if (frame.coolant) w.raw('M8');
  body(w);
  w.rapid({ z: frame.topMm + frame.clearMm });
  if (frame.coolant) w.raw('M9');
  w.raw('M5');
  w.raw('M30');
  w.raw('%');
  // A percent sign and the number stand bare, whatever is numbered.
  return w.text().replace(/^N\d+ (%|O\d+)$/gm, '$1');
}
