import type { StoredResponse } from '@burl/contract';
import {
  type ToolAssembly,
  frequencyGrid,
  genericStructure,
  receptanceOf,
  seededNormal,
  seededUniform,
  type TipMode,
  softModes,
} from '@burl/core';
import type { Transaction } from '../store/client.ts';
import { combinations, testCuts, tipRecords } from '../store/schema/chatter.ts';
import { wholeCrib } from '../store/crib-store.ts';

const SPINDLE = { machineId: 'axis5-24k', machineSerial: 'A5-0117' } as const;

/** Combinations tapped here, and by what the tap test found them stiffer and better damped than the class values. */
const TAPPED = [
  {
    holderId: 'hydraulic-12-90',
    cutterId: 'em-bull-12-z5-re0.5-var',
    stickOutMm: 48,
    stiffer: 0.6,
    damped: 0.7,
  },
  {
    holderId: 'milling-chuck-20-90',
    cutterId: 'em-bull-16-z5-re2-ti',
    stickOutMm: 45.2,
    stiffer: 2.1,
    damped: 2.8,
  },
  {
    holderId: 'shrink-12-80',
    cutterId: 'em-bull-12-z5-re0.5-var',
    stickOutMm: 38,
    stiffer: 1.2,
    damped: 1.9,
  },
  { holderId: 'shrink-12-80', cutterId: 'em-bull-12-z7-re1-fin', stickOutMm: 40, stiffer: 1.2, damped: 1.9 },
] as const;
/** Modes that matter less than this against the softest one are lost in the noise of a tap test. */
const HEARD_SHARE = 0.06;
/** Noise of a tap test, as a share of the largest response. */
const NOISE = 0.006;

const CUTS = [
  { heard: 'stable', rpm: 2120, axialDepthMm: 4, hz: null, note: 'light walls, clean' },
  { heard: 'marginal', rpm: 2120, axialDepthMm: 9, hz: 1395, note: 'a hum in the corners' },
  { heard: 'chatter', rpm: 2600, axialDepthMm: 12, hz: 1402, note: 'sang at once, stopped' },
] as const;

/** Combinations with tap tests, and a page of the notebook for the first. */
export async function demoChatter(tx: Transaction, person: string): Promise<void> {
  const crib = await wholeCrib(tx);
  const entry = <T extends { readonly id: string }>(list: readonly T[], id: string): T =>
    list.find((e) => e.id === id)!;
  const uniform = seededUniform(4);
  const normal = seededNormal(uniform);
  for (const [i, { stiffer, damped, ...key }] of TAPPED.entries()) {
    const [made] = await tx
      .insert(combinations)
      .values({ ...SPINDLE, ...key, note: '', madeBy: person })
      .returning({ id: combinations.id });
    const cutter = entry(crib.cutters, key.cutterId).document;
    const parts: ToolAssembly = {
      machine: entry(crib.machines, SPINDLE.machineId).document,
      holder: entry(crib.holders, key.holderId).document,
      cutter,
      substrate: crib.materials.substrates[cutter.extended.substrate]!,
    };
    const guess = softModes(genericStructure(parts, key.stickOutMm), HEARD_SHARE);
    for (const axis of ['x', 'y'] as const) {
      const modes = guess[axis].map((m): TipMode => ({
        ...m,
        hz: Math.round(m.hz * 10 * (0.97 + 0.02 * uniform())) / 10,
        damping: m.damping * damped,
        stiffness: m.stiffness * stiffer,
      }));
      await tx.insert(tipRecords).values({
        combinationId: made!.id,
        axis,
        source: 'measured',
        modes,
        receptance: noisyResponse(modes, normal),
        coherence: null,
        misfit: 0.03,
        origin: 'tap test, demo data',
        madeBy: person,
      });
    }
    if (i > 0) continue;
    for (const cut of CUTS) {
      await tx.insert(testCuts).values({
        ...cut,
        combinationId: made!.id,
        alloyId: 'ti-6al-4v-annealed',
        overridePercent: 100,
        radialEngagementMm: 3,
        feedPerToothMm: 0.06,
        direction: 'climb',
        madeBy: person,
      });
    }
  }
}

/** The response of modes as a tap test shows it: with noise in both parts. */
function noisyResponse(modes: readonly TipMode[], normal: () => number): StoredResponse {
  const { hz, re, im } = receptanceOf(modes, frequencyGrid(60, 6000, 5));
  const most = Math.max(...re.map(Math.abs), ...im.map(Math.abs));
  const noisy = (v: number): number => Number((v + NOISE * most * normal()).toPrecision(6));
  return { hz: [...hz], re: [...re].map(noisy), im: [...im].map(noisy) };
}
