import { readFileSync } from 'node:fs';
import { bench, describe } from 'vitest';
import { contextOf, SHIPPED } from '../fixtures/crib.ts';
import { operationOf, type PracticeSet } from '../practice/operation-of.ts';
import { problemsOf } from '../src/evaluation/check-operation.ts';
import { borderAsked } from '../src/evaluation/periodic-verdict.ts';
import { kindOf } from '../src/evaluation/registry.ts';
import type * as Core from '../src/index.ts';
import { LEVELS } from '../src/physics/dynamics/periodic/resolution.ts';

// Measured on a bundle, as it ships: the test runner's own module wrapping would cost half the speed.
const bundle = new URL('../dist/bench/index.js', import.meta.url).href;
const { limitDepth } = (await import(/* @vite-ignore */ bundle)) as typeof Core;

const FEW = { warmupIterations: 2, iterations: 5, time: 500 };
/** Levels that follow every mode, whether it may chatter or not. */
const WHOLE = LEVELS.map(({ reach: _, ...level }) => level);

/** Borders of the milling cuts of the floor, as the bench asks for them at rest. */
const asked = ['everyday', 'own-knowledge'].flatMap((name) => {
  const file = new URL(`../practice/${name}.json`, import.meta.url);
  const { cuts } = JSON.parse(readFileSync(file, 'utf8')) as PracticeSet;
  return cuts.flatMap((cut) => {
    const op = operationOf(cut, SHIPPED.cutters.find((c) => c.id === cut.cutter)!.properties.DC!);
    const context = contextOf(op, 1);
    const milled = kindOf(op).turning(op);
    if (!milled || problemsOf(op, context).length > 0) return [];
    return [{ id: cut.id, ...borderAsked(milled, context) }];
  });
});

type Asked = (typeof asked)[0];
const border = ({ stability, felt, rpm, wish }: Asked, levels?: typeof WHOLE): void =>
  void limitDepth(stability.cut, felt, rpm, levels ? { ...wish, levels } : wish);

describe(`borders at rest of all ${asked.length} milling cuts of the floor (wanted: under 30 ms each)`, () => {
  bench('followed up to what may chatter', () => asked.forEach((a) => border(a)), FEW);
  bench('every mode followed', () => asked.forEach((a) => border(a, WHOLE)), FEW);
});

describe('border at rest of the slowest of them, a round-insert face mill in 718 at 200 rpm', () => {
  const slowest = asked.find(({ id }) => id === '718-round-face')!;
  bench('followed up to what may chatter', () => border(slowest), FEW);
  bench('every mode followed', () => border(slowest, WHOLE), FEW);
});
