import type { Cycle } from './cycle.ts';
import type { Variables } from './expression.ts';
import type { FeedMode, Motion, PlaneCode, Point, Setting } from './motion.ts';
import type { Notes } from './notes.ts';

export interface ReadSettings {
  /** A slash leaves its line out. */
  readonly blockDelete: boolean;
  /** A lathe's X is a diameter, and its G50 caps the spindle. Left to the program where undefined. */
  readonly lathe?: boolean | undefined;
}

/** A hole made by a canned cycle. */
export interface CycleHole {
  readonly line: number;
  readonly code: number;
  readonly at: Point;
  readonly bottom: number;
  readonly clear: number;
  readonly pecks: number;
}

/** What the interpreter hands on as it goes. */
export interface Sink {
  motion(motion: Motion): void;
  hole?(hole: CycleHole): void;
}

/** Where the program goes on behind a line. */
export type Next =
  | { readonly kind: 'on' }
  | { readonly kind: 'end' }
  | { readonly kind: 'return' }
  | { readonly kind: 'call'; readonly program: string; readonly times: number };

/** A control in the middle of a program: what it was told last, and what it hands its motions to. Lengths in mm. */
export interface Control {
  readonly settings: ReadSettings;
  readonly sink: Sink;
  readonly notes: Notes;
  readonly variables: Variables;
  readonly tools: number[];
  readonly offsets: Set<string>;
  readonly counts: { deleted: number; moving: number };
  /** Axes whose place has been said, and those the line names. */
  readonly known: boolean[];
  readonly named: boolean[];
  lathe: boolean;
  fastest: number;
  moves: number;
  motion: number | null;
  plane: PlaneCode;
  absolute: boolean;
  absoluteCentre: boolean;
  inch: boolean;
  feedMode: FeedMode;
  feed: number | null;
  speed: number;
  surfaceSpeed: boolean;
  speedCap: number;
  staged: number;
  setting: Setting;
  cycle: Cycle | null;
  initialHeight: number;
  toInitial: boolean;
  position: [number, number, number];
  shift: [number, number, number];
}

export function makeControl(settings: ReadSettings, sink: Sink, notes: Notes): Control {
  return {
    settings,
    sink,
    notes,
    variables: new Map(),
    tools: [],
    offsets: new Set(),
    counts: { deleted: 0, moving: 0 },
    known: [false, false, false],
    named: [false, false, false],
    lathe: settings.lathe ?? false,
    fastest: 0,
    moves: 0,
    motion: null,
    plane: 17,
    absolute: true,
    absoluteCentre: false,
    inch: false,
    feedMode: 'per-minute',
    feed: null,
    speed: 0,
    surfaceSpeed: false,
    speedCap: Infinity,
    staged: 0,
    setting: {
      tool: 0,
      lengthOffset: null,
      workOffset: '',
      spindle: 'stopped',
      coolant: false,
      compensation: 'off',
      feedMode: 'per-minute',
      inch: false,
      absolute: true,
    },
    cycle: null,
    initialHeight: 0,
    toInitial: true,
    position: [0, 0, 0],
    shift: [0, 0, 0],
  };
}

/** What holds from now on. */
export function set(c: Control, change: Partial<Setting>): void {
  c.setting = { ...c.setting, ...change };
}

const MM = 25.4;
/** A length as written, in mm. */
export const size = (c: Control, value: number): number => (c.inch ? value * MM : value);
