import { measure, say, type Sentence } from '../../units/sentence.ts';
import { EDGE_CUTTER_TYPES } from '../../physics/edges/edge-contact.ts';
import type { OperationContext } from '../context.ts';
import { feedMovable, passes } from '../holes/hole-movables.ts';
import type { Inspection } from '../inspection.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { type Movable, movable, numberAt } from '../movable.ts';
import { edgeFeed, lifeAndTime, loads, quantity, speedAndFeed } from '../numbers.ts';
import { operationKind } from '../operation-kind.ts';
import { ROUND } from '../parameter.ts';
import { setSpeedAndFeed } from '../set-speed-and-feed.ts';
import type { EdgeMillingOperation } from './edge-milling-operation.ts';
import { edgeMillingState, type EdgeMillingState, speedDiameterOfEdge } from './edge-milling-state.ts';
import {
  edgeBurrLimit,
  edgeChipLimit,
  edgeFeedLimit,
  edgePassLimit,
  edgeStateLimit,
  edgeStressLimit,
  lineWidthLimit,
} from './limits/edge-cut.ts';
import {
  edgeCornerLimit,
  edgeOpeningLimit,
  edgeReachLimit,
  edgeRoomLimit,
  edgeTipLimit,
  edgeToolLimit,
  edgeWidthLimit,
} from './limits/edge-geometry.ts';
import { MOST_PASSES, startingEdgeMilling } from './starting-edge-milling.ts';

function checks(op: EdgeMillingOperation, { cutter }: OperationContext, see: Inspection): void {
  const { edge } = op;
  see.within('edge.sizeMm', edge.sizeMm, 0.01, 25, 'mm');
  see.within('edge.lengthMm', edge.lengthMm, 0.1, 1e5, 'mm');
  see.within('edge.angleDeg', edge.angleDeg, 5, 85, 'deg');
  see.measured('edge.depthMm', edge.depthMm, 0.01, 1000, 'mm');
  see.measured('edge.openingMm', edge.openingMm, 0.2, 2000, 'mm');
  see.measured('edge.insideRadiusMm', edge.insideRadiusMm, 0.01, 5000, 'mm');
  see.within('edge.wanderMm', edge.wanderMm, 0, 2, 'mm');
  see.measured('edge.leastMm', edge.leastMm, 0, 10, 'mm');
  see.measured('edge.mostMm', edge.mostMm, edge.leastMm ?? 0, 20, 'mm');
  if (edge.face === 'far' && edge.depthMm === null)
    see.say('edge.depthMm', edge.depthMm, 'a number: how far the far edge lies behind the near face');
  if (edge.form === 'round' && cutter.type === 'corner_rounding_mill' && !cutter.properties['PRFRAD'])
    see.say('cutter.properties.PRFRAD', cutter.properties['PRFRAD'], 'above 0 mm');
}

function movables(op: EdgeMillingOperation, { cutter }: OperationContext): Movable[] {
  const cone = op.edge.form === 'chamfer' && !/lollipop|ball/.test(cutter.type);
  const most = Math.max(0.1, 0.45 * Math.max(cutter.properties.DCX ?? 0, cutter.properties.DC ?? 0));
  return [
    ...feedMovable(op),
    passes('Passes', MOST_PASSES),
    movable(
      { key: 'offTip', name: 'Clear of the tip', unit: 'mm', at: numberAt('cut.offTipMm') },
      {
        least: 0,
        most: 20,
        low: cone ? 0.1 : op.cut.offTipMm,
        high: cone ? Math.max(op.cut.offTipMm, most) : op.cut.offTipMm,
        step: 0.1,
      },
    ),
  ];
}

/** What the setter types: where tip and axis go, and how it comes in and leaves. */
function notes({ edge, cut }: EdgeMillingOperation): readonly Sentence[] {
  const state =
    edge.leastMm !== null && edge.mostMm !== null
      ? [say('Edge state −{0} to −{1} (ISO 13715).', measure(edge.leastMm, 'mm'), measure(edge.mostMm, 'mm'))]
      : [];
  const back =
    edge.face === 'far'
      ? [
          say(
            `Go through ${edge.openingMm === null ? 'beside the part' : 'at the middle of the opening'} with the spindle turning slowly, then out on an arc to the wall; back to the middle before coming up.`,
          ),
        ]
      : [];
  const big = cut.passes > 1 ? [say(`${cut.passes} passes, each deeper along the chamfer’s normal.`)] : [];
  return [...state, ...back, ...big];
}

const numbers = (s: EdgeMillingState) => [
  ...speedAndFeed(s),
  ...edgeFeed(s, s.teeth, s.speedRpm * s.teeth * s.op.cut.feedPerToothMm, null),
  quantity('tipZ', 'Z', 'tip against the near face', s.place.tipZMm, 'mm', 'Z = −(t + w/tan α)', 'geometry'),
  quantity(
    'offWall',
    'e',
    'axis off the finished wall',
    s.place.axisOffWallMm,
    'mm',
    'e = r tip + t·tan α',
    'geometry',
  ),
  quantity('hex', 'hex', 'thickest chip', s.chipMm, 'mm-fine', 'hex = fz·sin φ·cos α', 'geometry'),
  quantity('arc', 'φ', 'engagement angle', (s.arc * 180) / Math.PI, 'deg', 'φ = acos(1 − 2·a/D)', 'geometry'),
  quantity(
    'lean',
    'δ',
    'deflection',
    s.deflectionMm,
    'mm-fine',
    'δ = F·(tool + clamp + spindle)',
    'Euler–Bernoulli',
  ),
  quantity(
    'burr',
    'hb',
    'burr left at the borders',
    s.burr.heightMm,
    'mm-fine',
    'k₂·k·(hex/2 + rβ + VB/4)',
    'Gillespie & Blotter 1976; judgement',
  ),
  ...loads(s),
  ...lifeAndTime(s),
];

/** Edges broken, rounded or engraved along their contour. */
export const edgeMillingKind = operationKind<EdgeMillingOperation, EdgeMillingState>({
  kind: 'edge-milling',
  tool: {
    named: 'a cutter for edges: chamfer, back chamfer, lollipop, corner rounding, ball or engraving',
    fits: ({ type }) => (EDGE_CUTTER_TYPES as readonly string[]).includes(type),
  },
  verb: ({ edge }) =>
    edge.form === 'engraving' ? 'Engrave' : edge.form === 'round' ? 'Round the edge' : 'Break the edge',
  notes,
  parameters: ROUND,
  shown: {
    set: ['n', 'vf', 'tipZ', 'offWall'],
    watch: ['vc', 'fz', 'hex', 'burr', 't'],
    follows: ['tipZ', 'offWall', 'hex', 'lean', 'burr', 'P', 'T', 't'],
  },
  movables,
  checks,
  speedDiameter: speedDiameterOfEdge,
  set: setSpeedAndFeed,
  start: startingEdgeMilling,
  state: edgeMillingState,
  numbers,
  rests: (s) => [s.deflectionMm, s.stressMPa],
  cautions: ({ edge }) =>
    edge.form === 'engraving'
      ? []
      : [
          'Burrs that break loose are foreign objects: blow out and look into every bore, groove and thread before the part is closed, and count brushes and picks back out.',
        ],
  ladder: [
    ...OF_ALL.machine,
    ...OF_ALL.cutter,
    edgeFeedLimit,
    edgeChipLimit,
    edgePassLimit,
    edgeTipLimit,
    edgeStressLimit,
    edgeStateLimit,
    lineWidthLimit,
    edgeBurrLimit,
    ...OF_ALL.life,
    edgeToolLimit,
    edgeWidthLimit,
    edgeRoomLimit,
    edgeCornerLimit,
    edgeOpeningLimit,
    edgeReachLimit,
    ...OF_ALL.process,
  ],
});
