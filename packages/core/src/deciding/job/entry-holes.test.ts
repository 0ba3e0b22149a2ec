import { describe, expect, it } from 'vitest';
import { contextOf, DOWEL_HOLE, SEAL_POCKET } from '../../../fixtures/crib.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import type { Operation } from '../../operations/operation.ts';
import { missingEntryHoles } from './entry-holes.ts';
import { EMPTY_SETUP_PLAN } from './job-plan.ts';

const through: Operation = {
  ...SEAL_POCKET,
  path: { ...SEAL_POCKET.path, entry: { ...SEAL_POCKET.path.entry, method: 'predrilled' } },
};
const hole = (diameterMm: number, depthMm: number): Operation => ({
  ...DOWEL_HOLE,
  tooling: { ...DOWEL_HOLE.tooling, cutterId: `drill-${String(diameterMm)}-3xd` },
  hole: { ...DOWEL_HOLE.hole, diameterMm, depthMm },
});
const missing = (...operations: readonly Operation[]) =>
  missingEntryHoles({
    setups: [
      {
        id: 's',
        name: 'Setup 1',
        plan: EMPTY_SETUP_PLAN,
        operations: operations.map((document, i) => {
          const context = contextOf(document);
          return {
            id: String(i),
            name: `op ${String(i)}`,
            holeId: null,
            document,
            context,
            evaluation: evaluate(document, context),
          };
        }),
      },
    ],
  });

describe('holes a cutter goes down in', () => {
  it('are missing where nothing before drills one wide and deep enough', () => {
    // A 12 mm cutter in a pocket 24 mm deep.
    expect(missing(through)).toEqual([
      { setupId: 's', operationId: '0', name: 'op 0', diameterMm: 12.6, depthMm: 23.7, count: 1 },
    ]);
    expect(missing(hole(12.6, 24), through)).toEqual([]);
    expect(missing(hole(12, 24), through)).toHaveLength(1);
    expect(missing(hole(12.6, 12), through)).toHaveLength(1);
    expect(missing(through, hole(12.6, 24))).toHaveLength(1);
  });

  it('are not asked of a cutter that comes down otherwise', () => {
    expect(missing(SEAL_POCKET)).toEqual([]);
  });
});
