import { bench, describe } from 'vitest';
import type * as Core from '../src/index.ts';
import { contextOf, CRIB, DOWEL_HOLE, SEAL_POCKET } from '../fixtures/crib.ts';
import { grooved, threaded } from '../fixtures/lathe-cuts.ts';
import { FINISHED_STEM } from '../fixtures/turned.ts';
import { kienzle } from '../src/physics/cutting/kienzle.ts';
import type { EdgeForce } from '../src/physics/cutting/force-law.ts';
import { millingForces } from '../src/physics/cutting/milling-forces.ts';
import { immersion } from '../src/physics/cutting/engagement.ts';

// Measured on a bundle, as it ships: the test runner's own module wrapping would cost half the speed.
const bundle = new URL('../dist/bench/index.js', import.meta.url).href;
const { evaluate, remediesFor } = (await import(/* @vite-ignore */ bundle)) as typeof Core;

/** The just-in-time compiler needs some two thousand evaluations before it has settled. */
const SETTLED = { warmupTime: 1500, time: 2000 };

const pocket = contextOf(SEAL_POCKET);
const hole = contextOf(DOWEL_HOLE);
const [stem, groove, thread] = [FINISHED_STEM(), grooved(), threaded('M24')];

describe('evaluation with all limits', () => {
  bench('milling operation', () => void evaluate(SEAL_POCKET, pocket), SETTLED);
  bench('drilled hole', () => void evaluate(DOWEL_HOLE, hole), SETTLED);
  bench('finishing cut on a lathe', () => void evaluate(stem.op, stem.context), SETTLED);
  bench('groove', () => void evaluate(groove.op, groove.context), SETTLED);
  bench('turned thread', () => void evaluate(thread.op, thread.context), SETTLED);
});

describe('remedies of one operation', () => {
  bench(
    'lean off the wall, other holders included',
    () => void remediesFor(SEAL_POCKET, pocket, 'wall-error', CRIB.holders),
    SETTLED,
  );
});

/** Two ways to the same forces: tables of the arc's integral, and slices summed one by one. */
describe('forces of one turn, five flutes, 12 mm deep, 60 positions', () => {
  const arc = immersion(1, 12, 'climb');
  const law = kienzle({ kc11: 2700, mc: 0.25, radialRatio: 0.6, axialRatio: 0.3 });
  const pitch = Array<number>(5).fill((2 * Math.PI) / 5);
  const helix = (38 * Math.PI) / 180;
  const step = [0.002, -0.001, 0.001, -0.001, -0.001];
  const edge = {
    bands: [{ fromMm: 0, toMm: 12, radiusMm: 6, kapr: Math.PI / 2, arc }],
    pitch,
    helix,
    feedPerToothMm: 0.06,
    runoutStepMm: step,
  };
  bench('integral tables, as shipped', () => void millingForces(edge, law, 60, 8), SETTLED);
  bench('0.1 mm slices', () => {
    const f: EdgeForce = { tangential: 0, radial: 0, axial: 0 };
    let peak = 0;
    for (let k = 0; k < 60; k++) {
      let [fx, fy] = [0, 0];
      for (let j = 0; j < 5; j++) {
        for (let z = 0.05; z < 12; z += 0.1) {
          let phi = (2 * Math.PI * k) / 60 - j * pitch[0]! - (z * Math.tan(helix)) / 6;
          phi -= 2 * Math.PI * Math.floor(phi / (2 * Math.PI));
          const h = 0.06 * Math.sin(phi) + step[j]!;
          if (phi < arc.entry || phi > arc.exit || h <= 0) continue;
          law.at(h, f);
          fx -= (f.tangential * Math.cos(phi) + f.radial * Math.sin(phi)) * 0.1;
          fy += (f.tangential * Math.sin(phi) - f.radial * Math.cos(phi)) * 0.1;
        }
      }
      peak = Math.max(peak, Math.hypot(fx, fy));
    }
    if (peak < 0) throw new Error('unreachable');
  });
});
