import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { entrySteepness } from '../../physics/path/entry-plan.ts';
import { block } from '../engage/stock.ts';
import type { ProgramOperation } from '../find/expected.ts';
import { framed } from './frame.ts';
import { writeHelix, writeRamp, writeRoundPocket, writeTrochoid } from './pocket.ts';
import { ringGroove } from './write-rings.ts';
import { writeSpeedLadder } from './speed-ladder.ts';
import { around, ROOM, type WriteCase } from './write-case.ts';
import type { WrittenProgram } from './write-settings.ts';
import type { Writer } from './writer.ts';

/** Steps of a speed ladder round the released speed. */
const LADDER = [0.85, 0.9, 0.95, 1, 1.05, 1.1];
export const ladderSpeeds = ({
  document,
  context,
}: Pick<ProgramOperation, 'document' | 'context'>): readonly number[] =>
  LADDER.map((s) => Math.round(Math.min(s * document.cut.speedRpm, context.machine.max_rpm)));

type Milling = WriteCase<MillingOperation>;
type Heights = readonly [top: number, start: number, clear: number];

/** Steepest helix and ramp of the cutter in the alloy, degrees, and the share of the feed kept on them. */
function entryOf({ operation: { context } }: Milling) {
  const steep = entrySteepness(context.alloy);
  const own = context.cutter.properties.RMPX ?? 90;
  return {
    helixDeg: Math.min(own, steep.helixDeg),
    rampDeg: Math.min(own, steep.rampDeg),
    feedShare: steep.feedShare,
  };
}

/** Widest helix a pocket lets a cutter go down on, mm across what it makes. */
const helixOf = ({ document, toolMm }: Milling): number => Math.min(document.feature.widthMm, 1.8 * toolMm);
const lowOf = ({ document }: Milling): number => -document.feature.depthMm - 5;

function program(c: Milling, body: (w: Writer, heights: Heights) => void): string {
  const { topMm, startMm, clearMm } = c.frame;
  return framed(c.frame, c.settings.dialect, (w) => body(w, [topMm, startMm, clearMm]));
}

function roundPocket(c: Milling): WrittenProgram {
  const { feature, cut } = c.document;
  const at = c.settings.places[0]!;
  const entry = entryOf(c);
  const plan = {
    diameterMm: feature.widthMm - 2 * feature.allowanceMm,
    depthMm: feature.depthMm,
    toolMm: c.toolMm,
    axialMm: cut.axialDepthMm,
    radialMm: cut.radialEngagementMm,
    feedMmMin: c.feedMmMin,
    rampDeg: entry.helixDeg,
    rampFeedShare: entry.feedShare,
    helixMm: helixOf(c),
  };
  return {
    text: program(c, (w, heights) => writeRoundPocket(w, plan, at, ...heights)),
    stock: around([at], feature.widthMm / 2 + ROOM, lowOf(c), []),
  };
}

function trochoid(c: Milling): WrittenProgram {
  const { feature, cut } = c.document;
  const at = c.settings.places[0]!;
  const plan = {
    lengthMm: feature.lengthMm,
    widthMm: feature.widthMm,
    depthMm: feature.depthMm,
    toolMm: c.toolMm,
    axialMm: cut.axialDepthMm,
    radialMm: Math.min(cut.radialEngagementMm, 0.15 * c.toolMm),
    feedMmMin: c.feedMmMin,
  };
  const half = feature.widthMm / 2 + ROOM;
  return {
    text: program(c, (w, heights) => writeTrochoid(w, plan, at, ...heights)),
    stock: block([at.x, at.y - half, lowOf(c)], [at.x + feature.lengthMm + ROOM, at.y + half, 0]),
  };
}

function ramp(c: Milling): WrittenProgram {
  const { feature, cut } = c.document;
  const at = c.settings.places[0]!;
  const entry = entryOf(c);
  const lengthMm = Math.max(c.toolMm, feature.lengthMm - c.toolMm);
  const plan = {
    lengthMm,
    depthMm: cut.axialDepthMm,
    rampDeg: entry.rampDeg,
    feedMmMin: c.feedMmMin * entry.feedShare,
  };
  return {
    text: program(c, (w, heights) => writeRamp(w, plan, at, ...heights)),
    stock: around([at, { x: at.x + lengthMm, y: at.y }], c.toolMm / 2 + ROOM, lowOf(c), []),
  };
}

function helix(c: Milling): WrittenProgram {
  const at = c.settings.places[0]!;
  const entry = entryOf(c);
  const holeMm = helixOf(c);
  const radius = (holeMm - c.toolMm) / 2;
  const plan = {
    holeMm,
    toolMm: c.toolMm,
    depthMm: c.document.cut.axialDepthMm,
    rampDeg: entry.helixDeg,
    feedMmMin: (c.feedMmMin * entry.feedShare * radius) / (radius + c.toolMm / 2),
  };
  return {
    text: program(c, (w, heights) => writeHelix(w, plan, at, ...heights)),
    stock: around([at], holeMm / 2 + ROOM, lowOf(c), []),
  };
}

/** Length of a cut of the ladder, mm. */
const LADDER_MM = 60;
function ladder(c: Milling): WrittenProgram {
  const { cut } = c.document;
  const at = c.settings.places[0]!;
  const speeds = c.settings.speeds.length > 0 ? c.settings.speeds : ladderSpeeds(c.operation);
  const plan = {
    speeds,
    feedPerToothMm: cut.feedPerToothMm,
    teeth: c.teeth,
    toolMm: c.toolMm,
    axialMm: cut.axialDepthMm,
    radialMm: cut.radialEngagementMm,
    lengthMm: LADDER_MM,
  };
  return {
    text: program(c, (w, heights) => writeSpeedLadder(w, plan, at, ...heights)),
    stock: block(
      [at.x, at.y, -cut.axialDepthMm - 5],
      [at.x + LADDER_MM, at.y + speeds.length * cut.radialEngagementMm + ROOM, 0],
    ),
  };
}

/** Programs of a milling operation, by what is asked. */
export const MILLED = {
  'round-pocket': roundPocket,
  'trochoidal-slot': trochoid,
  ramp,
  helix,
  'ring-groove': ringGroove,
  'speed-ladder': ladder,
} as const;
