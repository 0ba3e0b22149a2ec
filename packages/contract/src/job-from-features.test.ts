import {
  EMPTY_JOB_PLAN,
  type OfferedFeature,
  operationsFor,
  PLAIN_PART_FEATURE,
  usualHolding,
} from '@burl/core';
import { describe, expect, it } from 'vitest';
import { PLATE_SHOP } from '../../core/fixtures/wear-plates.ts';
import { SHIPPED } from '../../core/fixtures/crib.ts';
import { checkJobFile } from './job-file.ts';
import { jobFromFeatures, type MadeFeature } from './job-from-features.ts';
import type { Crib } from './crib.ts';

const alloy = SHIPPED.alloys.find((a) => a.id === 's32750')!;
const machine = SHIPPED.machines.find((m) => m.id === 'vmc40-22kw-direct')!;
const shop = { ...PLATE_SHOP, alloy, machine, hardness: null, workholding: 'vice' as const };
const entries = <T extends { readonly id: string }>(list: readonly T[]) =>
  list.map((document) => ({
    id: document.id,
    origin: 'built-in',
    copiedFrom: null,
    version: 1,
    retired: false,
    document,
  }));
const CRIB = {
  alloys: entries(SHIPPED.alloys),
  machines: entries(SHIPPED.machines),
  cutters: entries(SHIPPED.cutters),
  holders: entries(SHIPPED.holders),
  materials: { substrates: SHIPPED.substrates, coatings: SHIPPED.coatings },
} as unknown as Crib;

const offered = (change: Partial<typeof PLAIN_PART_FEATURE>): OfferedFeature =>
  operationsFor({ ...PLAIN_PART_FEATURE, ...change }, shop);
const FEATURES: readonly MadeFeature[] = [
  { side: 'bottom', offered: offered({ kind: 'hole', thread: 'M8', depthMm: 16, count: 4 }) },
  { side: 'top', offered: offered({ kind: 'slot', widthMm: 12, depthMm: 6, cornerRadiusMm: null }) },
  { side: 'top', offered: offered({ kind: 'face', depthMm: 1, cornerRadiusMm: null }) },
];
const JOB = {
  number: 'TM-1',
  part: 'Plate',
  customer: '',
  alloyId: alloy.id,
  machineId: machine.id,
  quantity: 4,
  heatLot: '',
  due: null,
  notes: '',
  plan: EMPTY_JOB_PLAN,
};

describe('a job from its features', () => {
  const file = jobFromFeatures(JOB, FEATURES, { holding: usualHolding('vice') }, CRIB);

  it('has a setup for each side, the top first, and its face before all else', () => {
    expect(file.setups.map((s) => s.plan.up)).toEqual(['top', 'bottom']);
    expect(file.setups[0]!.operations.map((o) => o.name)).toEqual(['Mill face', 'Mill slot']);
    expect(file.setups.every((s) => s.plan.holding?.kind === 'vice')).toBe(true);
  });

  it('keeps the steps of a hole with their group', () => {
    expect(file.holes).toHaveLength(1);
    for (const o of file.setups[1]!.operations) {
      expect(o.hole).toBe(0);
      expect(o.step).not.toBeNull();
    }
  });

  it('carries just the entries it names, and is read like any file', () => {
    const read = checkJobFile(JSON.parse(JSON.stringify(file)));
    expect(read).toEqual(file);
    const named = new Set(
      file.setups.flatMap((s) =>
        s.operations.flatMap((o) => o.variants.map((v) => v.document.tooling.cutterId)),
      ),
    );
    expect(new Set(file.crib.cutters.map((c) => c.id))).toEqual(named);
    expect(file.crib.alloys.map((a) => a.id)).toEqual([alloy.id]);
    expect(Object.keys(file.crib.substrates).length).toBeGreaterThan(0);
  });

  it('carries the machine a setup runs on, also where no operation names it yet', () => {
    const other = jobFromFeatures(JOB, [], { machineId: 'bench-2kw' }, CRIB);
    expect(other.setups).toHaveLength(1);
    expect(other.crib.machines.map((m) => m.id).sort()).toEqual(['bench-2kw', machine.id].sort());
  });
});
