import { outerDiameter } from '../../crib/cutter.ts';
import { InputError } from '../../units/input-error.ts';
import { deadCentre, entrySteepness } from '../../physics/path/entry-plan.ts';
import { block, type Stock } from '../engage/stock.ts';
import { feedPerTurn } from '../find/cut-model.ts';
import type { ProgramOperation } from '../find/expected.ts';
import { writeBore } from './bore.ts';
import { writeChamfer } from './chamfer.ts';
import type { Dialect } from './dialect.ts';
import { writeDrilling } from './drill.ts';
import { framed, type ProgramFrame, USUAL_FRAME } from './frame.ts';
import type { Place } from './place.ts';
import { writeHelix, writeRamp, writeRoundPocket, writeTrochoid } from './pocket.ts';
import { writeSpeedLadder } from './speed-ladder.ts';
import { writeThread } from './thread.ts';

/** Programs that can be written for an operation. */
export const WRITTEN = ['holes', 'round-pocket', 'trochoidal-slot', 'ramp', 'helix', 'speed-ladder'] as const;
export type Written = (typeof WRITTEN)[number];
export const WRITTEN_NAMES: Readonly<Record<Written, string>> = {
  holes: 'Holes',
  'round-pocket': 'Round pocket',
  'trochoidal-slot': 'Trochoidal slot',
  ramp: 'Ramp',
  helix: 'Helix',
  'speed-ladder': 'Speed ladder',
};

export interface WriteSettings {
  readonly what: Written;
  readonly dialect: Dialect;
  readonly places: readonly Place[];
  /** Title in the head of the program. */
  readonly title: string;
  readonly number: number;
  /** Speeds of a ladder, rpm; empty takes steps round the released one. */
  readonly speeds: readonly number[];
}

/** Program and the material it is meant for, so that it can be looked at at once. */
export interface WrittenProgram {
  readonly text: string;
  readonly stock: Stock;
}

/** What can be written for an operation. */
export function writtenFor({ document }: Pick<ProgramOperation, 'document'>): readonly Written[] {
  if (document.kind !== 'milling') return ['holes'];
  const slot = document.feature.kind === 'slot' || document.path.strategy === 'trochoidal';
  const inside = document.feature.kind === 'pocket' || document.feature.kind === 'slot';
  return [
    ...(document.feature.kind === 'pocket' ? (['round-pocket'] as const) : []),
    ...(slot ? (['trochoidal-slot'] as const) : []),
    ...(inside ? (['ramp', 'helix'] as const) : []),
    'speed-ladder',
  ];
}

/** Steps of a speed ladder round the released speed. */
const LADDER = [0.85, 0.9, 0.95, 1, 1.05, 1.1];
export const ladderSpeeds = ({
  document,
  context,
}: Pick<ProgramOperation, 'document' | 'context'>): readonly number[] =>
  LADDER.map((s) => Math.round(Math.min(s * document.cut.speedRpm, context.machine.max_rpm)));

/** Room left of the material round what is cut, mm. */
const ROOM = 10;

const around = (places: readonly Place[], reach: number, low: number, holes: Stock['holes']): Stock =>
  block(
    [Math.min(...places.map((p) => p.x)) - reach, Math.min(...places.map((p) => p.y)) - reach, low],
    [Math.max(...places.map((p) => p.x)) + reach, Math.max(...places.map((p) => p.y)) + reach, 0],
    holes,
  );

/**
 * Writes a program with the numbers of an operation. Zero is on the part's top. Throws an InputError where there is nothing to write at,
 * or the operation is of another kind.
 */
export function writeProgram(operation: ProgramOperation, settings: WriteSettings): WrittenProgram {
  const { document, context } = operation;
  const { what, dialect, places } = settings;
  if (places.length === 0)
    throw new InputError([{ field: 'places', value: 0, allowed: 'one place or more, X and Y in mm' }]);
  if (!writtenFor(operation).includes(what))
    throw new InputError([{ field: 'what', value: what, allowed: writtenFor(operation).join(', ') }]);
  const frame: ProgramFrame = {
    ...USUAL_FRAME,
    number: settings.number,
    title: settings.title,
    tool: operation.tool ?? 1,
    workOffset: operation.workOffset || 'G54',
    speedRpm: document.cut.speedRpm,
    coolant: document.coolant !== 'dry',
  };
  const { topMm: top, startMm: start, clearMm: clear } = frame;
  const cutter = context.cutter;
  const toolMm = outerDiameter(cutter);
  const teeth = cutter.properties.ZEFP ?? cutter.properties.NOF ?? 1;
  const speed = document.cut.speedRpm;

  if (document.kind === 'milling') {
    const feed = speed * teeth * document.cut.feedPerToothMm;
    const { feature, cut } = document;
    const at = places[0]!;
    const steep = entrySteepness(context.alloy);
    const own = cutter.properties.RMPX ?? 90;
    const entry = { helix: Math.min(own, steep.helixDeg), ramp: Math.min(own, steep.rampDeg) };
    const low = -feature.depthMm - 5;
    const helixMm = Math.min(feature.widthMm, 1.8 * toolMm);
    switch (what) {
      case 'round-pocket':
        return {
          text: framed(frame, dialect, (w) =>
            writeRoundPocket(
              w,
              {
                diameterMm: feature.widthMm - 2 * feature.allowanceMm,
                depthMm: feature.depthMm,
                toolMm,
                axialMm: cut.axialDepthMm,
                radialMm: cut.radialEngagementMm,
                feedMmMin: feed,
                rampDeg: entry.helix,
                rampFeedShare: steep.feedShare,
                helixMm,
              },
              at,
              top,
              start,
              clear,
            ),
          ),
          stock: around([at], feature.widthMm / 2 + ROOM, low, []),
        };
      case 'trochoidal-slot':
        return {
          text: framed(frame, dialect, (w) =>
            writeTrochoid(
              w,
              {
                lengthMm: feature.lengthMm,
                widthMm: feature.widthMm,
                depthMm: feature.depthMm,
                toolMm,
                axialMm: cut.axialDepthMm,
                radialMm: Math.min(cut.radialEngagementMm, 0.15 * toolMm),
                feedMmMin: feed,
              },
              at,
              top,
              start,
              clear,
            ),
          ),
          stock: block(
            [at.x, at.y - feature.widthMm / 2 - ROOM, low],
            [at.x + feature.lengthMm + ROOM, at.y + feature.widthMm / 2 + ROOM, 0],
          ),
        };
      case 'ramp': {
        const lengthMm = Math.max(toolMm, feature.lengthMm - toolMm);
        return {
          text: framed(frame, dialect, (w) =>
            writeRamp(
              w,
              { lengthMm, depthMm: cut.axialDepthMm, rampDeg: entry.ramp, feedMmMin: feed * steep.feedShare },
              at,
              top,
              start,
              clear,
            ),
          ),
          stock: around([at, { x: at.x + lengthMm, y: at.y }], toolMm / 2 + ROOM, low, []),
        };
      }
      case 'helix': {
        const radius = (helixMm - toolMm) / 2;
        return {
          text: framed(frame, dialect, (w) =>
            writeHelix(
              w,
              {
                holeMm: helixMm,
                toolMm,
                depthMm: cut.axialDepthMm,
                rampDeg: entry.helix,
                feedMmMin: (feed * steep.feedShare * radius) / (radius + toolMm / 2),
              },
              at,
              top,
              start,
              clear,
            ),
          ),
          stock: around([at], helixMm / 2 + ROOM, low, []),
        };
      }
      default: {
        const speeds = settings.speeds.length > 0 ? settings.speeds : ladderSpeeds(operation);
        const lengthMm = 60;
        const deep = -cut.axialDepthMm - 5;
        return {
          text: framed(frame, dialect, (w) =>
            writeSpeedLadder(
              w,
              {
                speeds,
                feedPerToothMm: cut.feedPerToothMm,
                teeth,
                toolMm,
                axialMm: cut.axialDepthMm,
                radialMm: cut.radialEngagementMm,
                lengthMm,
              },
              at,
              top,
              start,
              clear,
            ),
          ),
          stock: block(
            [at.x, at.y, deep],
            [at.x + lengthMm, at.y + speeds.length * cut.radialEngagementMm + ROOM, 0],
          ),
        };
      }
    }
  }

  const { hole } = document;
  const already = (diameterMm: number, floor: number | null): Stock['holes'] =>
    diameterMm > 0 ? places.map((p) => ({ ...p, diameterMm, floor })) : [];
  const floor = hole.startDepthMm === null ? null : -hole.startDepthMm;
  const low = -hole.depthMm - 5;
  const reach = hole.diameterMm / 2 + ROOM;
  switch (document.kind) {
    case 'hole-milling':
      return {
        text: framed(frame, dialect, (w) =>
          writeBore(
            w,
            {
              holeMm: hole.diameterMm,
              startMm: hole.startMm,
              depthMm: hole.depthMm,
              through: hole.through,
              toolMm,
              deadCentreMm: deadCentre(cutter),
              pitchMm: document.cut.pitchMm,
              stepovers: document.cut.stepovers,
              springPasses: document.cut.springPasses,
              pastFloorMm: document.cut.pastFloorMm,
              edgeFeedMmMin: speed * teeth * document.cut.feedPerToothMm,
            },
            places,
            top,
            start,
            clear,
          ),
        ),
        stock: around(places, reach, hole.through ? -hole.depthMm : low, already(hole.startMm, floor)),
      };
    case 'thread-milling': {
      const own = cutter.properties.APMX ?? document.thread.pitchMm;
      return {
        text: framed(frame, dialect, (w) =>
          writeThread(
            w,
            {
              thread: document.thread,
              holeMm: hole.startMm,
              depthMm: hole.depthMm,
              toolMm: cutter.properties.DC ?? toolMm,
              toothLengthMm: Math.min(own, hole.depthMm + document.thread.pitchMm),
              passes: document.cut.passes,
              springPasses: document.cut.springPasses,
              edgeFeedMmMin: speed * teeth * document.cut.feedPerToothMm,
            },
            places,
            top,
            start,
            clear,
          ),
        ),
        stock: around(
          places,
          document.thread.majorMm / 2 + ROOM,
          low - 10,
          already(hole.startMm, floor ?? (hole.through ? null : -hole.depthMm - 2)),
        ),
      };
    }
    case 'chamfering':
      return {
        text: framed(frame, dialect, (w) =>
          writeChamfer(
            w,
            {
              holeMm: hole.diameterMm,
              widthMm: document.cut.widthMm,
              tipMm: cutter.properties.DC ?? 0,
              mostMm: toolMm,
              leadDeg: cutter.properties.KAPR ?? 45,
              edgeFeedMmMin: speed * teeth * document.cut.feedPerToothMm,
            },
            places,
            top,
            start,
            clear,
          ),
        ),
        stock: around(places, reach, low, already(hole.diameterMm, floor)),
      };
    default: {
      const tapped = document.kind === 'tapping';
      return {
        text: framed(frame, dialect, (w) =>
          writeDrilling(
            w,
            {
              depthMm: hole.depthMm,
              feedMmMin: feedPerTurn(document) * speed,
              pecks: operation.evaluation.pecks,
              feedOut: document.kind === 'reaming' || document.kind === 'boring',
              pitchMm: tapped ? document.thread.pitchMm : null,
            },
            places,
            dialect,
            top,
            start,
          ),
        ),
        stock: around(places, reach, low, already(hole.startMm, floor)),
      };
    }
  }
}
