import type { HoleOperation } from '../../operations/hole-operation.ts';
import { deadCentre } from '../../physics/path/entry-plan.ts';
import type { Stock } from '../engage/stock.ts';
import { feedPerTurn } from '../find/cut-model.ts';
import { writeBore } from './bore.ts';
import { writeChamfer } from './chamfer.ts';
import { writeDrilling } from './drill.ts';
import { framed } from './frame.ts';
import { writeThread } from './thread.ts';
import { around, ROOM, type WriteCase } from './write-case.ts';
import type { WrittenProgram } from './write-settings.ts';
import type { Writer } from './writer.ts';

type Hole<K extends HoleOperation['kind'] = HoleOperation['kind']> = WriteCase<
  Extract<HoleOperation, { readonly kind: K }>
>;

/** Material under a hole that does not go through, and under a thread for its run-out, mm. */
const BELOW = 5;
const RUN_OUT = 2;

/** Holes that are there before, at every place. */
const already = (c: Hole, diameterMm: number, floor: number | null): Stock['holes'] =>
  diameterMm > 0 ? c.settings.places.map((p) => ({ ...p, diameterMm, floor })) : [];
const floorOf = ({ document: { hole } }: Hole): number | null =>
  hole.startDepthMm === null ? null : -hole.startDepthMm;

const program = (c: Hole, body: (w: Writer) => void): string => framed(c.frame, c.settings.dialect, body);

function bored(c: Hole<'hole-milling'>): WrittenProgram {
  const { hole, cut } = c.document;
  const { topMm, startMm, clearMm } = c.frame;
  const plan = {
    holeMm: hole.diameterMm,
    startMm: hole.startMm,
    depthMm: hole.depthMm,
    through: hole.through,
    toolMm: c.toolMm,
    deadCentreMm: deadCentre(c.operation.context.cutter),
    pitchMm: cut.pitchMm,
    stepovers: cut.stepovers,
    springPasses: cut.springPasses,
    pastFloorMm: cut.pastFloorMm,
    edgeFeedMmMin: c.feedMmMin,
  };
  const low = hole.through ? -hole.depthMm : -hole.depthMm - BELOW;
  return {
    text: program(c, (w) => writeBore(w, plan, c.settings.places, topMm, startMm, clearMm)),
    stock: around(c.settings.places, hole.diameterMm / 2 + ROOM, low, already(c, hole.startMm, floorOf(c))),
  };
}

function threaded(c: Hole<'thread-milling'>): WrittenProgram {
  const { hole, thread, cut } = c.document;
  const { topMm, startMm, clearMm } = c.frame;
  const p = c.operation.context.cutter.properties;
  const plan = {
    thread,
    holeMm: hole.startMm,
    depthMm: hole.depthMm,
    toolMm: p.DC ?? c.toolMm,
    toothLengthMm: Math.min(p.APMX ?? thread.pitchMm, hole.depthMm + thread.pitchMm),
    passes: cut.passes,
    springPasses: cut.springPasses,
    edgeFeedMmMin: c.feedMmMin,
  };
  const floor = floorOf(c) ?? (hole.through ? null : -hole.depthMm - RUN_OUT);
  return {
    text: program(c, (w) => writeThread(w, plan, c.settings.places, topMm, startMm, clearMm)),
    stock: around(
      c.settings.places,
      thread.majorMm / 2 + ROOM,
      -hole.depthMm - 3 * BELOW,
      already(c, hole.startMm, floor),
    ),
  };
}

function chamfered(c: Hole<'chamfering'>): WrittenProgram {
  const { hole, cut } = c.document;
  const { topMm, startMm, clearMm } = c.frame;
  const p = c.operation.context.cutter.properties;
  const plan = {
    holeMm: hole.diameterMm,
    widthMm: cut.widthMm,
    tipMm: p.DC ?? 0,
    mostMm: c.toolMm,
    leadDeg: p.KAPR ?? 45,
    edgeFeedMmMin: c.feedMmMin,
  };
  return {
    text: program(c, (w) => writeChamfer(w, plan, c.settings.places, topMm, startMm, clearMm)),
    stock: around(
      c.settings.places,
      hole.diameterMm / 2 + ROOM,
      -hole.depthMm - BELOW,
      already(c, hole.diameterMm, floorOf(c)),
    ),
  };
}

function drilled(c: Hole<'drilling' | 'reaming' | 'boring' | 'tapping'>): WrittenProgram {
  const { document } = c;
  const { hole } = document;
  const { topMm, startMm } = c.frame;
  const plan = {
    depthMm: hole.depthMm,
    feedMmMin: feedPerTurn(document) * document.cut.speedRpm,
    pecks: c.operation.evaluation.pecks,
    feedOut: document.kind === 'reaming' || document.kind === 'boring',
    pitchMm: document.kind === 'tapping' ? document.thread.pitchMm : null,
  };
  return {
    text: program(c, (w) => writeDrilling(w, plan, c.settings.places, c.settings.dialect, topMm, startMm)),
    stock: around(
      c.settings.places,
      hole.diameterMm / 2 + ROOM,
      -hole.depthMm - BELOW,
      already(c, hole.startMm, floorOf(c)),
    ),
  };
}

/** Program of a step of a hole, at every place. */
export function writeHoles(c: WriteCase<HoleOperation>): WrittenProgram {
  const { document } = c;
  if (document.kind === 'hole-milling') return bored({ ...c, document });
  if (document.kind === 'thread-milling') return threaded({ ...c, document });
  if (document.kind === 'chamfering') return chamfered({ ...c, document });
  return drilled({ ...c, document });
}
