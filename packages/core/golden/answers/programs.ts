import { makeEngager } from '../../src/programs/engage/engage.ts';
import { squareCutter } from '../../src/programs/engage/cutter-shape.ts';
import { makeHeightField } from '../../src/programs/engage/height-field.ts';
import { block } from '../../src/programs/engage/stock.ts';
import type { CycleHole } from '../../src/programs/read/control.ts';
import { linesOf } from '../../src/programs/read/lines.ts';
import type { Motion } from '../../src/programs/read/motion.ts';
import { PLAIN_SETTINGS, readProgram } from '../../src/programs/read/read-program.ts';
import { makeSummary } from '../../src/programs/read/summary.ts';
import type { GoldenCase } from '../golden-case.ts';
import { type Answers, DEG } from './answer.ts';

/** Straight way of the feed moves in plain drilling cycles, R to Z. */
const PLAIN_CYCLES = new Set([81, 82]);

/** What the reader says of a program. */
function read(program: string): Answers {
  const motions: Motion[] = [];
  const holes: CycleHole[] = [];
  const summary = makeSummary();
  const result = readProgram(program, PLAIN_SETTINGS, {
    motion(m) {
      motions.push(m);
      summary.motion(m);
    },
    hole(h) {
      holes.push(h);
      summary.hole!(h);
    },
  });
  const s = summary.result();
  const deep = holes.filter((h) => h.code === 83 || h.code === 73);
  const sum = (of: readonly Motion[]): number => of.reduce((t, m) => t + m.lengthMm, 0);
  return {
    feed_mm: s.feedMm,
    feed_min: s.feedMinutes,
    rapid_mm: s.rapidMm,
    dwell_s: s.dwellMinutes * 60,
    tools: [...result.tools],
    spindle_max_rpm: result.fastestRpm,
    box_mm: s.box ? s.box.flat() : null,
    blocks_with_motion: result.blocksWithMotion,
    least_arc_radius_mm: s.leastArcRadiusMm,
    ramp_deg: s.rampDeg,
    deleted_blocks: result.deletedBlocks,
    holes: s.holes,
    deepest_mm: s.deepestMm,
    ...(deep[0] && { pecks_each_of_the_deep: deep[0].pecks }),
    drilled_feed_mm_of_the_plain: sum(motions.filter((m) => m.kind === 'line' && PLAIN_CYCLES.has(m.cycle))),
  };
}

/** What the engagement says of the block a case names, or of the last full circle. */
function engaged({ program, stock, tool, expected }: GoldenCase & Required<Pick<GoldenCase, 'stock' | 'tool'>>): Answers {
  const { x, y, z, hole } = stock;
  const holes = hole ? [{ x: hole.x, y: hole.y, diameterMm: hole.d, floor: null }] : [];
  const shape = squareCutter(tool.D_mm);
  const engager = makeEngager(makeHeightField(block([x[0], y[0], z[0]], [x[1], y[1], z[1]], holes), 0.1), () => shape);
  const done: { motion: Motion; arc: number; depth: number }[] = [];
  readProgram(program!, PLAIN_SETTINGS, {
    motion(motion) {
      const { usualArc, most } = engager.run(motion);
      done.push({ motion, arc: usualArc * DEG, depth: most.depthMm });
    },
  });
  const lines = linesOf(program!);
  const named = typeof expected['block'] === 'string' ? String(expected['block']) : null;
  const last = done.filter((d) => d.motion.kind === 'line' || d.motion.kind === 'arc').at(-1)!;
  const at = done.find((d) => lines[d.motion.line - 1]!.trim() === named) ?? last;
  const circle = done.filter((d) => d.motion.arc && Math.abs(d.motion.arc.sweep) > 6.28).at(-1);
  const radius = circle?.motion.arc?.radiusMm ?? 0;
  return {
    ...(named && { block: lines[at.motion.line - 1]!.trim() }),
    arc_deg: at.arc,
    ap_mm: at.depth,
    ...(circle && {
      last_circle_arc_deg: circle.arc,
      edge_feed_mm_min: (circle.motion.feedMmMin! * (radius + shape.radiusMm)) / radius,
    }),
  };
}

/** Burl's answers to a case about NC text. */
export const programs = (c: GoldenCase): Answers => ({
  ...read(c.program!),
  ...(c.stock && c.tool ? engaged({ ...c, stock: c.stock, tool: c.tool }) : {}),
});
