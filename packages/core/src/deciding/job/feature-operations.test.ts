import { describe, expect, it } from 'vitest';
import { PLATE_SHOP, wearPlates } from '../../../fixtures/wear-plates.ts';
import { contextOf, DOWEL_HOLE, SEAL_POCKET, SHIPPED } from '../../../fixtures/crib.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { operationsFor } from './feature-operations.ts';
import { PLAIN_PART_FEATURE } from './job-plan.ts';

const plates = wearPlates();

describe('features offer their operations', () => {
  it('nine 2 mm slots at 60 HRC: one cutter of their width, in shallow levels, nothing over, nothing left on the wall', () => {
    const [slots] = plates.setups[0]!.operations;
    const { cut, feature, featuresPerPart } = slots!.document as MillingOperation;
    expect(slots!.context.cutter.properties.DC).toBe(2);
    expect(slots!.context.cutter.suits_iso_groups).toContain('H');
    expect(cut.axialDepthMm / 2).toBeLessThan(0.25);
    expect(feature.allowanceMm).toBe(0);
    expect(featuresPerPart).toBe(9);
    expect(slots!.evaluation.state).not.toBe('over');
  });

  it('a pocket that asks for a size is roughed and finished, with a finisher that goes into its corners', () => {
    const shop = {
      ...PLATE_SHOP,
      alloy: contextOf(SEAL_POCKET).alloy,
      machine: contextOf(SEAL_POCKET).machine,
      hardness: null,
    };
    const pocket = { ...PLAIN_PART_FEATURE, name: 'seal', toleranceMm: 0.03, raUm: 0.8 };
    const { operations, lacks } = operationsFor(pocket, shop);
    expect(lacks).toEqual([]);
    expect(operations.map((o) => o.name)).toEqual(['Rough seal', 'Finish seal']);
    const [rough, finish] = operations.map((o) => o.document as MillingOperation);
    expect(rough!.feature.allowanceMm).toBeGreaterThan(0.1);
    expect(finish!.feature).toMatchObject({ kind: 'side', allowanceMm: 0, wallToleranceMm: 0.03, raUm: 0.8 });
    const d = SHIPPED.cutters.find((c) => c.id === finish!.tooling.cutterId)!.properties.DC!;
    expect(d).toBeLessThanOrEqual(16);
    // Its first cut is a finishing one: the whole stock, no feed that only a thinned chip would bear.
    expect(finish!.feature.finishing).toMatchObject({ face: 'wall' });
    expect(finish!.cut.radialEngagementMm).toBeCloseTo(finish!.feature.widthMm, 9);
    expect(finish!.cut.feedPerToothMm / d).toBeLessThan(0.013);
    expect(operationsFor({ ...pocket, toleranceMm: null, raUm: null }, shop).operations).toHaveLength(1);
  });

  it('threaded holes bring their drill and tap, with a demand to plan them by', () => {
    const shop = {
      ...PLATE_SHOP,
      alloy: contextOf(DOWEL_HOLE).alloy,
      machine: contextOf(DOWEL_HOLE).machine,
      hardness: null,
    };
    const { operations, demand } = operationsFor(
      { ...PLAIN_PART_FEATURE, kind: 'hole', name: 'M8', thread: 'M8', depthMm: 16, count: 4 },
      shop,
    );
    expect(demand).toMatchObject({ thread: 'M8', pattern: { kind: 'scattered', count: 4 } });
    expect(operations.map((o) => o.step)).toContain('drill');
    expect(operations.length).toBeGreaterThanOrEqual(2);
    for (const o of operations) expect(o.document.featuresPerPart).toBe(4);
  });

  it('says what the crib lacks', () => {
    const { operations, lacks } = operationsFor(
      { ...PLAIN_PART_FEATURE, kind: 'slot', widthMm: 0.05, lengthMm: 5, depthMm: 1, name: 'hair' },
      PLATE_SHOP,
    );
    expect(operations).toEqual([]);
    expect(lacks).toEqual(['Mill hair: no tool of the crib']);
  });
});
