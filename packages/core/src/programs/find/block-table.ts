import { firstIndex } from '../../numerics/first-index.ts';
import type { Unit } from '../../units/unit.ts';
import type { Block } from './block.ts';

const DEG = 180 / Math.PI;

/** Numbers of a block a person can look at along the program, by key. */
export const BLOCK_NUMBERS = {
  arc: { name: 'Engagement angle', unit: 'deg' },
  depth: { name: 'Axial depth', unit: 'mm' },
  width: { name: 'Radial depth', unit: 'mm' },
  chip: { name: 'Max chip thickness', unit: 'mm-fine' },
  meanChip: { name: 'Mean chip thickness', unit: 'mm-fine' },
  force: { name: 'Peak force', unit: 'N' },
  power: { name: 'Power', unit: 'kW' },
  meter: { name: 'Load on the meter', unit: 'percent' },
  bend: { name: 'Bend at the tip', unit: 'mm-deflection' },
  removal: { name: 'Removal rate', unit: 'cm3/min' },
  feed: { name: 'Feed', unit: 'mm/min' },
  fz: { name: 'Feed per tooth', unit: 'mm/tooth' },
  speed: { name: 'Spindle speed', unit: 'rpm' },
  air: { name: 'Air', unit: 'percent' },
} as const satisfies Record<string, { readonly name: string; readonly unit: Unit }>;
export type BlockNumber = keyof typeof BLOCK_NUMBERS;

const VALUES: Readonly<Record<BlockNumber, (b: Block) => number>> = {
  arc: (b) => b.engagement.most.arc * DEG,
  depth: (b) => b.engagement.most.depthMm,
  width: (b) => b.engagement.widthMm,
  chip: (b) => b.load.chipMm,
  meanChip: (b) => b.load.meanChipMm,
  force: (b) => b.load.forceN,
  power: (b) => b.load.powerKw,
  meter: (b) => Math.min(9.99, b.load.meter),
  bend: (b) => b.load.bendMm ?? 0,
  removal: (b) => b.load.removalCm3Min,
  feed: (b) => b.motion.feedMmMin ?? 0,
  fz: (b) => b.load.feedPerToothMm,
  speed: (b) => b.motion.speedRpm,
  air: (b) => b.engagement.air,
};

/** Kinds of motion as the table keeps them. */
export const RAPID = 0;
export const FEED = 1;
export const REST = 2;

/** Blocks in columns, for a picture of them: places in mm, minutes since the beginning, the numbers by key. */
export interface BlockTable {
  readonly count: number;
  /** Blocks beyond the table's room. */
  readonly left: number;
  readonly line: Uint32Array;
  readonly kind: Uint8Array;
  readonly tool: Uint16Array;
  /** Where each ends; it begins where the one before ends, but for the first. */
  readonly x: Float32Array;
  readonly y: Float32Array;
  readonly z: Float32Array;
  readonly fromX: Float32Array;
  readonly fromY: Float32Array;
  readonly fromZ: Float32Array;
  /** Centre and turn in rad of an arc in XY; a turn of 0 is a straight one. */
  readonly centreX: Float32Array;
  readonly centreY: Float32Array;
  readonly sweep: Float32Array;
  /** Minutes at the end of each. */
  readonly minutes: Float64Array;
  readonly radius: Float32Array;
  readonly values: Readonly<Record<BlockNumber, Float32Array>>;
}

const KEYS = Object.keys(BLOCK_NUMBERS) as BlockNumber[];

/** Gathers blocks into columns, up to so many. */
export function makeBlockTable(most: number): { add(block: Block): void; table(): BlockTable } {
  let room = 1024;
  let count = 0;
  let left = 0;
  let minutes = 0;
  const floats = ['x', 'y', 'z', 'fromX', 'fromY', 'fromZ', 'centreX', 'centreY', 'sweep', 'radius'] as const;
  const columns = Object.fromEntries(floats.map((k) => [k, new Float32Array(room)])) as Record<
    (typeof floats)[number],
    Float32Array<ArrayBuffer>
  >;
  const values = Object.fromEntries(KEYS.map((k) => [k, new Float32Array(room)])) as Record<
    BlockNumber,
    Float32Array<ArrayBuffer>
  >;
  let line = new Uint32Array(room);
  let kind = new Uint8Array(room);
  let tool = new Uint16Array(room);
  let ends = new Float64Array(room);

  function grow(): void {
    room = Math.min(most, room * 2);
    const longer = <T extends Float32Array | Float64Array | Uint8Array | Uint16Array | Uint32Array>(
      old: T,
      fresh: T,
    ): T => {
      fresh.set(old as never);
      return fresh;
    };
    for (const k of floats) columns[k] = longer(columns[k], new Float32Array(room));
    for (const k of KEYS) values[k] = longer(values[k], new Float32Array(room));
    line = longer(line, new Uint32Array(room));
    kind = longer(kind, new Uint8Array(room));
    tool = longer(tool, new Uint16Array(room));
    ends = longer(ends, new Float64Array(room));
  }

  return {
    add(block) {
      minutes += block.minutes;
      if (count >= most) {
        left++;
        return;
      }
      if (count >= room) grow();
      const { motion, expected } = block;
      const i = count++;
      line[i] = motion.line;
      kind[i] = motion.kind === 'rapid' ? RAPID : motion.kind === 'dwell' ? REST : FEED;
      tool[i] = motion.setting.tool;
      [columns.x[i], columns.y[i], columns.z[i]] = motion.to;
      [columns.fromX[i], columns.fromY[i], columns.fromZ[i]] = motion.from;
      if (motion.arc?.plane === 17) {
        [columns.centreX[i], columns.centreY[i]] = motion.arc.centre;
        columns.sweep[i] = motion.arc.sweep;
      }
      columns.radius[i] = expected?.shape.radiusMm ?? 0;
      ends[i] = minutes;
      for (const k of KEYS) values[k][i] = VALUES[k](block);
    },
    table: () => ({
      count,
      left,
      line: line.slice(0, count),
      kind: kind.slice(0, count),
      tool: tool.slice(0, count),
      ...(Object.fromEntries(floats.map((k) => [k, columns[k].slice(0, count)])) as typeof columns),
      minutes: ends.slice(0, count),
      values: Object.fromEntries(KEYS.map((k) => [k, values[k].slice(0, count)])) as typeof values,
    }),
  };
}

/** First block of a line or behind it; the last where there is none. */
export function blockOfLine({ line, count }: Pick<BlockTable, 'line' | 'count'>, wanted: number): number {
  let best = -1;
  for (let i = 0; i < count; i++) {
    if (line[i] === wanted) return i;
    if (line[i]! > wanted && (best < 0 || line[i]! < line[best]!)) best = i;
  }
  return best < 0 ? Math.max(0, count - 1) : best;
}

/** Block that runs at a time, minutes since the beginning. */
export function blockAtMinute({ minutes, count }: Pick<BlockTable, 'minutes' | 'count'>, at: number): number {
  return firstIndex(Math.max(0, count - 1), (i) => minutes[i]! >= at);
}
