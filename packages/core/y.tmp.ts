import { contextOf, CRIB } from './fixtures/crib.ts';
import { readFileSync } from 'node:fs';
import { operationOf } from './practice/operation-of.ts';
import { millingState } from './src/evaluation/milling-state.ts';
import { structureAtDepth } from './src/dynamics/along-tool.ts';
import { countingModes } from './src/dynamics/tip-structure.ts';
import { periodMap, FINE } from './src/dynamics/periodic/period-map.ts';
import { dominantMultiplier } from './src/dynamics/periodic/dominant.ts';
import { freeModes } from './src/dynamics/periodic/free-motion.ts';
const set = JSON.parse(readFileSync('./practice/everyday.json','utf8'));
for (const id of process.argv.slice(2)) {
  const c = set.cuts.find((c: any) => c.id === id);
  const cutter = CRIB.cutters.find((k) => k.id === c.cutter)!;
  const op: any = operationOf(c, cutter.properties.DC!);
  const s = millingState(op, contextOf(op, 1)).stability;
  const felt = countingModes(structureAtDepth(s.structure, op.cut.axialDepthMm, op.tooling.stickOutMm));
  const modes = freeModes(felt);
  for (let k = 0; k < 3; k++) {
  const t0 = performance.now();
  const map = periodMap(s.cut, modes, op.cut.speedRpm, 3, FINE);
  const t1 = performance.now();
  const a = new Float64Array(map.size).map((_, i) => Math.sin(i)); const b = new Float64Array(map.size);
  for (let i = 0; i < 10; i++) map.apply(a, b);
  const t2 = performance.now();
  let n = 0; const m2 = { ...map, apply: (x: any, y: any) => { n++; map.apply(x, y); } };
  const mu = dominantMultiplier(m2);
  const t3 = performance.now();
  console.log(id, 'size', map.size, 'modes', modes.count, 'build', (t1-t0).toFixed(1), 'apply', ((t2-t1)/10).toFixed(2), 'arnoldi', (t3-t2).toFixed(1), 'applies', n, mu.size);
  }
}
