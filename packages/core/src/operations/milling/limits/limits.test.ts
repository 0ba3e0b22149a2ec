import { type FaceSetup, PLAIN_FACE } from '../face-setup.ts';
import { describe, expect, it } from 'vitest';
import { contextOf, DOWEL_HOLE, SEAL_POCKET } from '../../../../fixtures/crib.ts';
import type { LimitState } from '../../../judging/result.ts';
import { type InLathe, PLAIN_IN_LATHE } from '../../lathe/in-lathe.ts';
import {
  type Finishing,
  PLAIN_FINISHING,
  PLAIN_SURFACE,
  type SurfaceSetup,
} from '../../../physics/path/finishing.ts';
import { PLAIN_UNDERCUT, type Undercut } from '../../../physics/path/undercut.ts';
import { type MillingOperation, usualPath } from '../milling-operation.ts';
import type { Operation } from '../../operation.ts';
import { evaluate, limitOf } from '../../../evaluation/evaluate.ts';
import { speak } from '../../../units/sentence.ts';
import { KINDS } from '../../../evaluation/registry.ts';
import { MILLING_LADDER } from '../milling-kind.ts';
import { stateOfShare } from '../../../judging/limit.ts';

type MillingChange = (op: MillingOperation) => MillingOperation;

const cut =
  (change: Partial<MillingOperation['cut']>): MillingChange =>
  (op) => ({ ...op, cut: { ...op.cut, ...change } });
const feature =
  (change: Partial<MillingOperation['feature']>): MillingChange =>
  (op) => ({ ...op, feature: { ...op.feature, ...change } });
const tooling =
  (change: Partial<Operation['tooling']>): MillingChange =>
  (op) => ({ ...op, tooling: { ...op.tooling, ...change } });
const path =
  (change: Partial<MillingOperation['path']>): MillingChange =>
  (op) => ({ ...op, path: { ...op.path, ...change } });
const entry =
  (change: Partial<MillingOperation['path']['entry']>): MillingChange =>
  (op) =>
    path({ entry: { ...op.path.entry, ...change } })(op);
const held =
  (change: Partial<MillingOperation['workholding']>): MillingChange =>
  (op) => ({ ...op, workholding: { ...op.workholding, ...change } });
const chucked =
  (inLathe: Partial<InLathe>): MillingChange =>
  (op) => ({
    ...op,
    machineId: 'lathe-driven-18kw',
    tooling: { ...op.tooling, holderId: 'driven-collet-32' },
    inLathe: { ...PLAIN_IN_LATHE, ...inLathe },
  });
const ball =
  (axialDepthMm: number, radialEngagementMm: number): MillingChange =>
  (op) => ({
    ...op,
    tooling: { cutterId: 'ball-10-z4-var', holderId: 'shrink-12-80', stickOutMm: 32 },
    cut: { ...op.cut, axialDepthMm, radialEngagementMm },
  });
const wiper =
  (feedPerToothMm: number): MillingChange =>
  (op) => ({
    ...op,
    alloyId: '4340-28hrc',
    tooling: { cutterId: 'face45-80-z7-wiper', holderId: 'shell-arbor-22-50', stickOutMm: 50 },
    feature: { ...op.feature, kind: 'face', allowanceMm: 0, cornerRadiusMm: null },
    cut: { ...op.cut, feedPerToothMm, axialDepthMm: 1, radialEngagementMm: 50, speedRpm: 600 },
  });
const facedBy =
  (face: Partial<FaceSetup>): MillingChange =>
  (op) => ({ ...wiper(0.1)(op), face: { ...PLAIN_FACE, ...face } });
const plungedBy = (op: MillingOperation, cutterId: string): MillingOperation => ({
  ...path({ strategy: 'levels', entry: { ...op.path.entry, method: 'plunge' } })(op),
  tooling: { ...op.tooling, cutterId },
});
const trochoid =
  (widthMm: number): MillingChange =>
  (op) =>
    path({ strategy: 'trochoidal' })(feature({ kind: 'slot', widthMm, cornerRadiusMm: null })(op));
const spike =
  (cornerRadiusMm: number): MillingChange =>
  (op) =>
    path({ strategy: 'levels' })(feature({ cornerRadiusMm })(op));
const side =
  (leadInRadiusMm: number | null): MillingChange =>
  (op) =>
    path({ leadInRadiusMm, entry: { ...op.path.entry, method: 'outside' } })(
      feature({ kind: 'side', widthMm: 4 })(op),
    );
const finish =
  (springPasses: number): MillingChange =>
  (op) =>
    path({ springPasses })(
      cut({ axialDepthMm: 6, radialEngagementMm: 0.4, feedPerToothMm: 0.12 })(
        feature({ allowanceMm: 0, wallToleranceMm: 0.06 })(op),
      ),
    );
const chatter =
  (axialDepthMm: number): MillingChange =>
  (op) =>
    cut({ axialDepthMm, radialEngagementMm: 12, speedRpm: 1200 })(
      feature({ kind: 'slot', widthMm: 12, cornerRadiusMm: null })(op),
    );
/** A groove by a head on a neck: 1.9 mm into a wall, 2.4 mm wide, unless stated. */
const grooved =
  (
    undercut: Partial<Undercut> = {},
    size: Partial<MillingOperation['feature']> = {},
    cutterId = 'tslot-20x2.4-z6',
  ): MillingChange =>
  (op) => ({
    ...op,
    alloyId: '1045',
    tooling: { cutterId, holderId: 'collet-er32-70', stickOutMm: 30 },
    feature: {
      ...op.feature,
      kind: 'side',
      widthMm: 1.9,
      depthMm: 2.4,
      cornerRadiusMm: null,
      allowanceMm: 0,
      wallToleranceMm: 0.2,
      ...size,
      undercut: { ...PLAIN_UNDERCUT, ...undercut },
    },
    path: usualPath('side'),
    cut: { ...op.cut, speedRpm: 1800, feedPerToothMm: 0.03, axialDepthMm: 2.4, radialEngagementMm: 0.9 },
  });
const tSlot = (undercut: Partial<Undercut>): MillingChange =>
  grooved(
    { form: 't-slot', throatMm: 6, floorMm: 12, ...undercut },
    { widthMm: 3.25, depthMm: 6 },
    'tslot-12.5x6-z6',
  );
const ring =
  (widthMm: number, wallToleranceMm: number): MillingChange =>
  (op) => ({
    ...grooved(
      { form: 'face-ring', floorMm: 2, ringMm: 40 },
      { kind: 'slot', widthMm, depthMm: 2, wallToleranceMm },
      'em-flat-3-z3',
    )(op),
    cut: { ...op.cut, speedRpm: 8000, feedPerToothMm: 0.01, axialDepthMm: 0.5, radialEngagementMm: 3 },
  });
/** A wall 20 mm high with 0.3 mm on it, by the 12 mm finisher, unless stated. */
const finishes =
  (finishing: Partial<Finishing>, size: Partial<MillingOperation['feature']> = {}): MillingChange =>
  (op) => ({
    ...op,
    alloyId: '6061-t6',
    tooling: { cutterId: 'em-flat-12-z2', holderId: 'shrink-12-80', stickOutMm: 40 },
    feature: {
      ...op.feature,
      kind: 'side',
      lengthMm: 80,
      widthMm: 0.3,
      depthMm: 20,
      cornerRadiusMm: null,
      allowanceMm: 0,
      wallToleranceMm: 0.05,
      ...size,
      finishing: { ...PLAIN_FINISHING, floorMm: 20, ...finishing },
    },
    path: usualPath('side'),
    cut: {
      ...op.cut,
      speedRpm: 8000,
      feedPerToothMm: 0.06,
      axialDepthMm: 5,
      radialEngagementMm: size.widthMm ?? 0.3,
    },
  });
/** A slope of aged titanium at 30° with 0.2 mm on it, by a 10 mm ball; machine, cutter, holder and setup as stated. */
const surface =
  (
    setup: Partial<SurfaceSetup> = {},
    size: Partial<MillingOperation['feature']> = {},
    with_: { readonly tooling?: Partial<Operation['tooling']>; readonly machineId?: string } = {},
  ): MillingChange =>
  (op) => ({
    ...finishes(
      { face: 'surface', floorMm: 20, surface: { ...PLAIN_SURFACE, ...setup } },
      { widthMm: 30, depthMm: 0.2, slopeDeg: 30, scallopMm: 0.005, ...size },
    )(op),
    alloyId: 'ti-6al-4v-sta',
    machineId: with_.machineId ?? op.machineId,
    tooling: { cutterId: 'ball-10-z4-var', holderId: 'shrink-12-80', stickOutMm: 32, ...with_.tooling },
    cut: { ...op.cut, speedRpm: 4000, feedPerToothMm: 0.05, axialDepthMm: 0.2, radialEngagementMm: 0.44 },
  });
const stateOf = (op: Operation, id: string): LimitState => limitOf(evaluate(op, contextOf(op)), id).state;

/** A cut on each side of every border, as an engineer would meet it. */
const MILLING_CASES: readonly (readonly [string, LimitState, string, MillingChange])[] = [
  ['spindle-speed', 'clear', 'inside the machine’s speeds', cut({ speedRpm: 9000 })],
  ['spindle-speed', 'over', 'faster than the spindle turns', cut({ speedRpm: 10500 })],
  ['limit-depth', 'clear', 'a light cut in an ordinary holder, run every day', cut({})],
  ['limit-depth', 'unproven', 'a slot nobody has measured', chatter(6)],
  ['limit-depth', 'over', 'a slot two ×D deep', chatter(20)],
  [
    'tooth-passing',
    'clear',
    'a finishing pass far under every mode',
    (op) => cut({ speedRpm: 300 })(feature({ allowanceMm: 0 })(op)),
  ],
  ['spindle-power', 'clear', 'a light cut', cut({})],
  [
    'spindle-power',
    'over',
    'full width at depth',
    cut({ radialEngagementMm: 12, axialDepthMm: 20, speedRpm: 3000 }),
  ],
  ['spindle-torque', 'clear', 'a light cut', cut({})],
  [
    'spindle-torque',
    'over',
    'a large cutter slotting slowly',
    (op) => ({
      ...op,
      tooling: { cutterId: 'em-bull-20-z6-re3', holderId: 'milling-chuck-20-90', stickOutMm: 60 },
      cut: { ...op.cut, axialDepthMm: 40, radialEngagementMm: 20, feedPerToothMm: 0.2, speedRpm: 300 },
    }),
  ],
  ['axis-feed', 'over', 'more feed than the axis has', cut({ speedRpm: 9900, feedPerToothMm: 0.7 })],
  [
    'corner-acceleration',
    'over',
    'fast round a tiny path radius',
    (op) => cut({ speedRpm: 9000, feedPerToothMm: 0.2 })(feature({ cornerRadiusMm: 6.1 })(op)),
  ],
  ['block-rate', 'clear', 'lines at a modest feed', path({ blocks: 'lines' })],
  [
    'block-rate',
    'over',
    'lines of a tight path at full feed',
    (op) => path({ blocks: 'lines', toleranceMm: 0.0005 })(cut({ speedRpm: 9900, feedPerToothMm: 0.25 })(op)),
  ],
  [
    'rated-speed',
    'over',
    'above the rating of the arbor',
    (op) => ({
      ...op,
      machineId: 'axis5-24k',
      tooling: { cutterId: 'shoulder90-40-z4', holderId: 'turn-block-25', stickOutMm: 40 },
      cut: { ...op.cut, axialDepthMm: 2, speedRpm: 16000 },
    }),
  ],
  ['holder-fit', 'clear', 'shrink holder on BT40', cut({})],
  ['holder-fit', 'over', 'a shank too thick for the collet', tooling({ holderId: 'collet-er16-slim-100' })],
  ['holder-fit', 'over', 'a taper of another machine', tooling({ holderId: 'reduction-polygon-63-110' })],
  [
    'material-match',
    'over',
    'a polymer cutter in nickel',
    (op) => ({
      ...op,
      tooling: { cutterId: 'em-flat-6-z1-polymer', holderId: 'shrink-12-80', stickOutMm: 30 },
      cut: { ...op.cut, radialEngagementMm: 0.5 },
    }),
  ],
  ['usable-length', 'clear', 'inside the edge', cut({ axialDepthMm: 26 })],
  ['reach', 'over', 'a floor below the relieved length', feature({ depthMm: 37 })],
  [
    'reach',
    'over',
    'a floor the stick-out does not reach',
    (op) => feature({ depthMm: 36 })(tooling({ stickOutMm: 36.5 })(op)),
  ],
  ['corner-fit', 'clear', 'three quarters of the corner', feature({ cornerRadiusMm: 8 })],
  ['corner-fit', 'tight', 'a rougher larger than the corner', feature({ cornerRadiusMm: 5 })],
  ['corner-fit', 'over', 'a finisher larger than the corner', feature({ cornerRadiusMm: 5, allowanceMm: 0 })],
  ['chip-thin', 'clear', 'a proper chip', cut({ feedPerToothMm: 0.08 })],
  ['chip-thin', 'over', 'dust', cut({ feedPerToothMm: 0.01 })],
  ['chip-thick', 'clear', 'a proper chip', cut({ feedPerToothMm: 0.08 })],
  ['chip-thick', 'over', 'a chunk', cut({ feedPerToothMm: 0.25 })],
  ['chip-space', 'clear', 'narrow', cut({})],
  ['chip-space', 'over', 'a slot with five flutes', cut({ radialEngagementMm: 12, feedPerToothMm: 0.12 })],
  ['flutes-engagement', 'clear', 'a narrow cut at depth', cut({ axialDepthMm: 26 })],
  [
    'flutes-engagement',
    'over',
    'a slot deeper than five flutes clear',
    cut({ axialDepthMm: 9, radialEngagementMm: 12 }),
  ],
  ['bending-stress', 'clear', 'short and light', cut({ axialDepthMm: 6 })],
  [
    'bending-stress',
    'over',
    'full width at depth',
    cut({ axialDepthMm: 24, radialEngagementMm: 12, feedPerToothMm: 0.12 }),
  ],
  ['holder-grip', 'clear', 'shrink', cut({})],
  [
    'holder-grip',
    'over',
    'a collet under a heavy slot',
    (op) =>
      cut({ axialDepthMm: 24, radialEngagementMm: 12, feedPerToothMm: 0.12 })(
        tooling({ holderId: 'collet-er32-70' })(op),
      ),
  ],
  [
    'workholding',
    'over',
    'weak vacuum',
    (op) => ({ ...op, workholding: { kind: 'vacuum', capacityN: 500, liftCapacityN: null, releaseC: null } }),
  ],
  [
    'workholding',
    'unproven',
    'nothing declared',
    (op) => ({
      ...op,
      workholding: { kind: 'clamps', capacityN: null, liftCapacityN: null, releaseC: null },
    }),
  ],
  ['workholding-lift', 'clear', 'a good seal', held({ kind: 'vacuum', liftCapacityN: 9000 })],
  ['workholding-lift', 'over', 'a weak one', held({ kind: 'vacuum', liftCapacityN: 40 })],
  ['workholding-heat', 'clear', 'flood on glue', held({ kind: 'adhesive' })],
  [
    'workholding-heat',
    'over',
    'dry on glue, a deep pocket in a small block',
    (op) => ({ ...held({ kind: 'adhesive', releaseC: 40 })(op), coolant: 'dry' }),
  ],
  ['finish-allowance', 'clear', 'three tenths', feature({ allowanceMm: 0.3 })],
  ['finish-allowance', 'over', 'two hundredths under a hardened skin', feature({ allowanceMm: 0.02 })],
  [
    'scallop',
    'clear',
    'fine steps of a ball down a wall',
    (op) => ball(0.2, 0.3)(feature({ scallopMm: 0.01, slopeDeg: 90 })(op)),
  ],
  [
    'scallop',
    'over',
    'coarse steps of a ball down a wall',
    (op) => ball(2, 0.3)(feature({ scallopMm: 0.01, slopeDeg: 90 })(op)),
  ],
  ['roughness', 'clear', 'Ra 3.2 on a wall', feature({ kind: 'side', raUm: 3.2 })],
  [
    'roughness',
    'over',
    'Ra 0.2 on a floor, a sharp corner and a long feed',
    (op) => cut({ feedPerToothMm: 0.15 })(feature({ raUm: 0.2 })(op)),
  ],
  ['wiper', 'clear', 'inside the flat', wiper(0.5)],
  ['wiper', 'over', 'a feed wider than the flat', wiper(1)],
  ['wiper-height', 'clear', 'a wiper over its pockets', facedBy({ wipers: 1, axialRunoutUm: 10 })],
  ['wiper-height', 'over', 'a wiper under its pockets', facedBy({ wipers: 1, axialRunoutUm: 80 })],
  ['face-flatness', 'clear', 'a spindle that is trammed', facedBy({})],
  ['face-flatness', 'over', 'a spindle that leans', facedBy({ alongUmPerM: 5000, acrossUmPerM: 5000 })],
  ['face-width', 'clear', 'a pass narrower than its cutter', facedBy({})],
  ['plunge-entry', 'over', 'no edge across the middle', (op) => plungedBy(op, 'em-flat-20-z9-fin')],
  ['wall-error', 'clear', 'shallow', cut({ axialDepthMm: 1.5 })],
  ['wall-error', 'tight', 'two ×D deep', cut({ axialDepthMm: 24 })],
  ['wall-error', 'over', 'deep and wide', cut({ axialDepthMm: 24, radialEngagementMm: 4 })],
  ['wall-error', 'over', 'a finishing pass that leans', (op) => finish(0)(op)],
  ['wall-error', 'clear', 'the same with a spring pass that still cuts', (op) => finish(1)(op)],
  ['chucked-part', 'clear', 'a stout head by a driven tool', chucked({ diameterMm: 60, overhangMm: 40 })],
  ['chucked-part', 'over', 'a slender stem by a driven tool', chucked({ diameterMm: 20, overhangMm: 160 })],
  [
    'chucked-part',
    'clear',
    'a lighter stem with a centre',
    chucked({ diameterMm: 30, overhangMm: 160, support: 'tailstock' }),
  ],
  ['long-reach', 'clear', '3 diameters', tooling({ stickOutMm: 38 })],
  ['long-reach', 'tight', '5 diameters', tooling({ stickOutMm: 60 })],
  ['long-reach', 'over', 'more than 6 diameters', tooling({ stickOutMm: 74 })],
  ['cutting-speed', 'clear', 'slow', cut({ speedRpm: 800 })],
  ['cutting-speed', 'over', 'steel speed in nickel', cut({ speedRpm: 4000 })],
  ['edge-life', 'over', 'a hundred pockets an edge', (op) => ({ ...op, featuresPerEdge: 100 })],
  ['edges-on-shelf', 'over', 'none left', (op) => ({ ...op, edgesOnShelf: 0 })],
  ['edges-on-shelf', 'clear', 'a drawer full', (op) => ({ ...op, edgesOnShelf: 60 })],
  ['coolant-match', 'clear', 'flood', (op) => ({ ...op, coolant: 'flood' })],
  ['coolant-match', 'over', 'dry nickel', (op) => ({ ...op, coolant: 'dry' })],
  ['coolant-match', 'over', 'through a tool without channels', (op) => ({ ...op, coolant: 'through-tool' })],
  ['coolant-match', 'over', 'mist the machine does not have', (op) => ({ ...op, coolant: 'mist' })],
  [
    'coolant-match',
    'tight',
    'flood on hardened steel',
    (op) => ({ ...op, alloyId: 'd2-60hrc', coolant: 'flood' }),
  ],
  ['path-possible', 'clear', 'a helix in a wide pocket', cut({})],
  ['path-possible', 'over', 'from outside into a closed pocket', entry({ method: 'outside' })],
  ['path-possible', 'over', 'looping in a slot as wide as the cutter', trochoid(12)],
  ['ramp-angle', 'clear', 'worked out', entry({})],
  ['ramp-angle', 'over', 'three degrees in nickel', entry({ rampAngleDeg: 3 })],
  ['helix-fit', 'clear', 'worked out', entry({})],
  ['helix-fit', 'over', 'hardly wider than the cutter', entry({ helixDiameterMm: 13 })],
  ['helix-fit', 'over', 'wider than two cutters', entry({ helixDiameterMm: 27 })],
  [
    'post-left',
    'tight',
    'a stout post',
    (op) => entry({ helixDiameterMm: 29 })(cut({ axialDepthMm: 3 })(op)),
  ],
  [
    'post-left',
    'over',
    'a post that falls free',
    (op) => entry({ helixDiameterMm: 26 })(feature({ through: true })(op)),
  ],
  ['corner-spike', 'clear', 'constant engagement', cut({})],
  ['corner-spike', 'over', 'levels into a corner of the cutter’s size', spike(6.1)],
  ['corner-spike', 'tight', 'levels round a wide corner', spike(12)],
  ['lead-in', 'clear', 'an arc worked out', (op) => side(null)(op)],
  ['lead-in', 'tight', 'straight in', (op) => side(0)(op)],
  ['entry-height', 'clear', 'half a millimetre above', entry({ startHeightMm: 0.5 })],
  ['entry-height', 'over', 'ramping down from far above', entry({ startHeightMm: 60 })],
  ['entry-chips', 'clear', 'a wide helix', entry({ method: 'helix' })],
  [
    'entry-chips',
    'over',
    'a narrow helix down twice the diameter at once',
    (op) => cut({ axialDepthMm: 24 })(entry({ method: 'helix', helixDiameterMm: 14.5 })(op)),
  ],
  [
    'entry-chips',
    'clear',
    'the same with a taper of two degrees',
    (op) => cut({ axialDepthMm: 24 })(entry({ method: 'helix', helixDiameterMm: 15.5, taperDeg: 2 })(op)),
  ],
  [
    'path-possible',
    'over',
    'from the side into a slot that is closed',
    (op) =>
      entry({ method: 'outside' })(
        feature({ kind: 'slot', widthMm: 12, cornerRadiusMm: null, openEnds: 0 })(op),
      ),
  ],
  ['face-plate', 'clear', 'a plate on close supports', facedBy({ plateMm: 12, spanMm: 60 })],
  ['face-plate', 'over', 'a thin plate that hangs between two', facedBy({ plateMm: 2, spanMm: 150 })],
  ['face-exit', 'clear', 'a pass flush with the cutter where teeth leave', wiper(0.1)],
  ['face-exit', 'tight', 'an axis over the side teeth leave by', facedBy({ offsetMm: 21 })],
  ['undercut-neck', 'clear', 'a head that reaches beyond its neck', grooved()],
  ['undercut-neck', 'over', 'a groove deeper than the head stands out', grooved({}, { widthMm: 5.8 })],
  ['undercut-neck', 'over', 'a neck as thick as the slot above', tSlot({ throatMm: 5.1 })],
  ['undercut-head', 'clear', 'a head that comes in from the side', grooved()],
  ['undercut-head', 'over', 'a head in a bore it hardly goes into', grooved({ openingMm: 20.1 })],
  ['undercut-head', 'over', 'a head higher than the groove', grooved({}, { depthMm: 2 })],
  ['undercut-head', 'over', 'a head wider than the bottom of the slot', tSlot({ throatMm: 5.5 })],
  [
    'undercut-angle',
    'clear',
    'a dovetail of its cutter',
    grooved(
      { form: 'dovetail', throatMm: 20 },
      { slopeDeg: 60, widthMm: 2.8, depthMm: 5 },
      'dovetail-60-16-z4',
    ),
  ],
  [
    'undercut-angle',
    'over',
    'another angle',
    grooved(
      { form: 'dovetail', throatMm: 20 },
      { slopeDeg: 45, widthMm: 2.8, depthMm: 5 },
      'dovetail-60-16-z4',
    ),
  ],
  ['undercut-chips', 'clear', 'an open T-slot under flood', tSlot({})],
  ['undercut-chips', 'tight', 'both sides of a closed one at once', tSlot({ openingMm: 14 })],
  ['undercut-chips', 'over', 'a T-slot cut dry', (op) => ({ ...tSlot({})(op), coolant: 'dry' })],
  ['ring-width', 'clear', 'both walls of a ring apart', ring(3.4, 0.12)],
  ['ring-width', 'over', 'one pass as wide as a close groove', ring(3, 0.012)],
  ['ring-feed', 'clear', 'a ring in a bore', grooved({ ringMm: 44, inside: true, openingMm: 40 })],
  ['ring-feed', 'over', 'a head that does not turn round', grooved({ ringMm: 19, inside: true })],
  ['finish-stock', 'clear', 'three tenths on a wall', finishes({})],
  ['finish-stock', 'over', 'less than an edge is round', finishes({}, { widthMm: 0.008 })],
  [
    'corner-stock',
    'clear',
    'a cutter before that left little',
    finishes({ rougherMm: 16 }, { cornerRadiusMm: 8 }),
  ],
  ['corner-stock', 'over', 'a much larger cutter before', finishes({ rougherMm: 32 }, { cornerRadiusMm: 8 })],
  ['surface-contact', 'clear', 'a ball on a slope', surface()],
  [
    'surface-contact',
    'over',
    'a ball on a floor, upright: its middle stands still',
    surface({}, { slopeDeg: 2 }),
  ],
  ['surface-contact', 'clear', 'the same ball, tilted', surface({ tiltDeg: 15 }, { slopeDeg: 2 })],
  [
    'surface-contact',
    'over',
    'a flat mill, which leaves steps',
    surface({}, {}, { tooling: { cutterId: 'em-flat-12-z2', holderId: 'shrink-12-80' } }),
  ],
  ['surface-clear', 'clear', 'a gentle slope far from the holder', surface()],
  [
    'surface-clear',
    'over',
    'a steep slope as high as the tool is long',
    surface({}, { slopeDeg: 80, widthMm: 60 }),
  ],
  [
    'surface-clear',
    'clear',
    'the same, leaning off it',
    surface({ tiltDeg: -30 }, { slopeDeg: 80, widthMm: 60 }),
  ],
  [
    'surface-clear',
    'tight',
    'tilted over a short slope: the level above it comes near the holder',
    surface({ tiltDeg: 60 }, { slopeDeg: 30, widthMm: 18 }),
  ],
  ['surface-hollow', 'clear', 'a ball in a wide hollow', surface({ hollowMm: 12 })],
  ['surface-hollow', 'over', 'a ball in a hollow smaller than it', surface({ hollowMm: 4 })],
  [
    'surface-tilt',
    'tight',
    'tilted where no axis tilts',
    surface({ tiltDeg: 10 }, {}, { machineId: 'vmc40-22kw-direct' }),
  ],
  ['surface-tilt', 'clear', 'tilted by the head', surface({ tiltDeg: 10 }, {}, { machineId: 'axis5-24k' })],
  ['rib', 'clear', 'a thin rib, both sides in turn', finishes({ face: 'rib', ribMm: 2 })],
  [
    'rib',
    'over',
    'the same rib, one side and then the other',
    finishes({ face: 'rib', ribMm: 1, inTurn: false }),
  ],
  ['inherited-numbers', 'clear', 'its own', cut({})],
  [
    'inherited-numbers',
    'over',
    'of another cutter',
    (op) => ({ ...op, workedOutFor: { ...op.workedOutFor, cutterId: 'em-flat-6-z4' } }),
  ],
  [
    'inherited-numbers',
    'over',
    'of a softer lot',
    (op) => ({ ...op, measured: { ...op.measured, hardness: 46 } }),
  ],
  [
    'inherited-numbers',
    'clear',
    'of nearly the same lot',
    (op) => ({ ...op, measured: { ...op.measured, hardness: 43 } }),
  ],
];

describe('limits of a milling cut', () => {
  it.each(MILLING_CASES)('%s is %s: %s', (id, state, _what, change) => {
    expect(stateOf(change(SEAL_POCKET), id)).toBe(state);
  });

  it('every limit of the ladder has a case', () => {
    expect(MILLING_LADDER.map((l) => l.id).filter((id) => !MILLING_CASES.some(([c]) => c === id))).toEqual(
      [],
    );
  });
});

describe('explanations', () => {
  it('every limit says why in a sentence, with formula and source, in both systems', () => {
    for (const op of [SEAL_POCKET, DOWEL_HOLE]) {
      for (const l of evaluate(op, contextOf(op)).limits) {
        for (const system of ['metric', 'inch'] as const) {
          const said = speak(l.why, system);
          expect([l.id, /\{\d\}|NaN|undefined|–/.test(said), /[.]$/.test(said)]).toEqual([l.id, false, true]);
        }
        expect([l.id, l.formula.length > 4, l.source.length > 4]).toEqual([l.id, true, true]);
        expect([l.id, l.inputs.every((i) => Number.isFinite(i.value))]).toEqual([l.id, true]);
      }
    }
  });

  it('ids are unique in a ladder', () => {
    for (const ladder of Object.values(KINDS).map((k) => k.ladder)) {
      expect(new Set(ladder.map((l) => l.id)).size).toBe(ladder.length);
    }
  });
});

describe('state by band', () => {
  it.each([
    [{ low: 0.5, value: 0.7, high: 0.9 }, 'clear'],
    [{ low: 0.5, value: 0.9, high: 1.2 }, 'tight'],
    [{ low: 0.9, value: 1.1, high: 1.3 }, 'over'],
    [{ low: 1.2, value: 2, high: 40 }, 'over'],
    [{ low: 0.1, value: 0.4, high: 1.6 }, 'tight'],
    [{ low: 0.4, value: 1.6, high: 6.4 }, 'unproven'],
    [{ low: 0.01, value: 0.1, high: 0.99 }, 'clear'],
  ] as const)('%o is %s', (share, state) => {
    expect(stateOfShare(share)).toBe(state);
  });
});
