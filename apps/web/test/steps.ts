import { contextOf } from '../src/judging/context.ts';
import { offerOf } from '../src/judging/offer.ts';
import {
  type HoleDemand,
  type HoleOperation,
  type OperationContext,
  PLAIN_DEMAND,
  planHole,
  type Shop,
  type StepKey,
} from '@burl/core';
import { CRIB } from './crib.ts';

/** The shipped crib as a shop for one alloy. */
export const shopOf = (alloyId: string): Shop => ({
  alloy: CRIB.alloys.find((a) => a.id === alloyId)!.document,
  machine: CRIB.machines.find((m) => m.id === 'vmc40-22kw-direct')!.document,
  offer: offerOf(CRIB),
  quantity: 20,
});

/** Blind threads of the super duplex manifold. */
export const M6: HoleDemand = {
  ...PLAIN_DEMAND,
  name: 'Threads',
  thread: 'M6',
  depthMm: 12,
  pattern: { kind: 'circle', count: 12, diameterMm: 96 },
  partValue: 2400,
};
const DEEP: HoleDemand = { ...PLAIN_DEMAND, diameterMm: 8, depthMm: 80 };
const DOWEL: HoleDemand = {
  ...PLAIN_DEMAND,
  diameterMm: 10,
  depthMm: 22,
  grade: 7,
  raUm: 0.8,
  chamferMm: 0.5,
};
const SEAT: HoleDemand = { ...PLAIN_DEMAND, diameterMm: 30, depthMm: 30, grade: 7, raUm: 1.6, through: true };

const WAYS = {
  drilling: ['s32750', DEEP, 'peck', 'drill'],
  reaming: ['r31537-annealed', DOWEL, 'drill-ream', 'ream'],
  chamfering: ['r31537-annealed', DOWEL, 'drill-ream', 'chamfer'],
  'hole-milling': ['4340-28hrc', SEAT, 'mill-bore', 'mill'],
  boring: ['4340-28hrc', SEAT, 'mill-bore', 'bore'],
  tapping: ['s32750', M6, 'tap', 'tap'],
  'thread-milling': ['s32750', M6, 'thread-mill', 'thread-mill'],
} as const satisfies Record<HoleOperation['kind'], readonly [string, HoleDemand, string, StepKey]>;

type Kind = keyof typeof WAYS;
export const KINDS = Object.keys(WAYS) as Kind[];

/** A planned step of a kind, with its context. */
export function stepOf<K extends Kind>(
  kind: K,
): { op: Extract<HoleOperation, { kind: K }>; context: OperationContext } {
  const [alloy, demand, way, key] = WAYS[kind];
  const taken = planHole(shopOf(alloy), demand).alternatives.find((a) => a.id === way)!;
  const { op } = taken.steps.find((s) => s.key === key)!;
  return {
    op: op as Extract<HoleOperation, { kind: K }>,
    context: contextOf(CRIB, op, { quantity: 20, heatLot: '' })!,
  };
}
