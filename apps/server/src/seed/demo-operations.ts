import {
  BLANK_CUT,
  type DrillingOperation,
  type MillingOperation,
  type Operation,
  type OperationContext,
  PLAIN_FEATURE,
  PLAIN_HOLE,
  startingStickOut,
  usualPath,
  withStartingCut,
} from '@burl/core';
import { blankOperation, type Crib, type EdgeSize, type MilledSize, ONE_PART } from '@burl/contract';
import { type Change, demoBase, type Place } from './demo-base.ts';
import { demoTurning } from './demo-turning.ts';
import { contextInCrib } from '../store/crib-store.ts';

/** Makes demo operations: worked out by the core like a person's, then changed where the scenario wants it. */
export function demoOperations(crib: Crib) {
  const contextOf = (op: Operation): OperationContext => contextInCrib(crib, op, ONE_PART);
  const cutter = (id: string) => crib.cutters.find((c) => c.id === id)!.document;

  function mill(
    place: Place,
    cutterId: string,
    holderId: string,
    feature: MillingOperation['feature'],
    change: Change<MillingOperation> = {},
    measured: Partial<Operation['measured']> = {},
  ): MillingOperation {
    const common = demoBase(place, cutterId, holderId, measured);
    const draft: MillingOperation = {
      ...common,
      kind: 'milling',
      tooling: {
        ...common.tooling,
        stickOutMm: startingStickOut({ cutter: cutter(cutterId) }, feature.depthMm),
        ...change.tooling,
      },
      feature,
      workholding: {
        kind: 'vice',
        capacityN: 12000,
        liftCapacityN: null,
        releaseC: null,
        ...change.workholding,
      },
      forceLaw: 'kienzle',
      path: { ...usualPath(feature.kind), ...change.path },
      cut: BLANK_CUT,
    };
    const started = withStartingCut(draft, contextOf(draft)) as MillingOperation;
    const {
      cut,
      tooling: _,
      workholding: __,
      feature: ___,
      measured: ____,
      path: _____,
      workedOutFor,
      ...rest
    } = change;
    return {
      ...started,
      ...rest,
      cut: { ...started.cut, ...cut },
      workedOutFor: { ...started.workedOutFor, ...workedOutFor },
    } as MillingOperation;
  }

  function drill(
    place: Place,
    cutterId: string,
    holderId: string,
    hole: DrillingOperation['hole'],
    change: Change<DrillingOperation> = {},
    measured: Partial<Operation['measured']> = {},
  ): DrillingOperation {
    const common = demoBase(place, cutterId, holderId, measured);
    const draft: DrillingOperation = {
      ...common,
      kind: 'drilling',
      tooling: {
        ...common.tooling,
        stickOutMm: startingStickOut({ cutter: cutter(cutterId) }, hole.depthMm + 2),
      },
      role: 'drill',
      followedByDeg: null,
      hole,
      cut: { speedRpm: 500, feedPerRevMm: 0.05, peck: 'plan', breakthroughFeed: 1 },
      ...({ coolant: change.coolant ?? place.coolant } as const),
    };
    const started = withStartingCut(draft, contextOf(draft)) as DrillingOperation;
    const { cut, tooling: _, hole: __, measured: ___, workedOutFor: ____, ...rest } = change;
    return { ...started, ...rest, cut: { ...started.cut, ...cut } } as DrillingOperation;
  }

  const box = (
    kind: MillingOperation['feature']['kind'],
    lengthMm: number,
    widthMm: number,
    depthMm: number,
    more: Partial<MillingOperation['feature']> = {},
  ): MillingOperation['feature'] => ({
    ...PLAIN_FEATURE,
    kind,
    lengthMm,
    widthMm,
    depthMm,
    cornerRadiusMm: null,
    allowanceMm: 0.4,
    wallToleranceMm: 0.03,
    ...more,
  });
  const hole = (
    diameterMm: number,
    depthMm: number,
    more: Partial<DrillingOperation['hole']> = {},
  ): DrillingOperation['hole'] => ({
    ...PLAIN_HOLE,
    diameterMm,
    depthMm,
    ...more,
  });

  /** What is made as a person makes it in the list of operations: the size, and Burl's first numbers. */
  function size(place: Place, cutterId: string, of: MilledSize | EdgeSize): Operation {
    const made = blankOperation(crib, { ...place, quantity: 1, heatLot: '' }, cutterId, of);
    if (!made) throw new RangeError(`invalid cutter; no holder of the demo takes ${cutterId}`);
    return made;
  }

  return { mill, drill, size, ...demoTurning(contextOf), box, hole };
}
