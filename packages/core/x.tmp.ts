import { contextOf, CRIB } from './fixtures/crib.ts';
import { readFileSync } from 'node:fs';
import { operationOf } from './practice/operation-of.ts';
import { millingState } from './src/evaluation/milling-state.ts';
import { periodicVerdict } from './src/evaluation/periodic-verdict.ts';
import { structureAtDepth } from './src/dynamics/along-tool.ts';
import { borderInDoubt, averagedBorder, responseGrid, longestDelay } from './src/dynamics/averaged-border.ts';
const set = JSON.parse(readFileSync('./practice/everyday.json','utf8'));
for (const id of process.argv.slice(2).flatMap((x: string) => [x, x, x])) {
  const c = set.cuts.find((c: any) => c.id === id);
  const cutter = CRIB.cutters.find((k) => k.id === c.cutter)!;
  const op: any = operationOf(c, cutter.properties.DC!);
  const ctx = contextOf(op, 1);
  const s = millingState(op, ctx).stability;
  const felt = structureAtDepth(s.structure, op.cut.axialDepthMm, op.tooling.stickOutMm);
  const t0 = performance.now();
  const v = periodicVerdict(op, ctx);
  const t1 = performance.now();
  const g = responseGrid(felt, longestDelay(s.cut, op.cut.speedRpm));
  const all = averagedBorder(s.cut, g, op.cut.speedRpm);
  const eq = averagedBorder({ ...s.cut, pitch: s.cut.pitch.map(() => 2*Math.PI/s.cut.pitch.length) }, g, op.cut.speedRpm);
  const nodamp = averagedBorder({ ...s.cut, dampingNPerM: 0 }, g, op.cut.speedRpm);
  console.log(id, 'rpm', op.cut.speedRpm.toFixed(0), 'Ktc', s.cut.tangential.toFixed(0), 'Krc', s.cut.radial.toFixed(0), 'Kd', s.cut.dampingNPerM!.toExponential(2));
  console.log('  all-delay', all.depthMm.toFixed(2), all.hz.toFixed(0), 'equal', eq.depthMm.toFixed(2), eq.hz.toFixed(0), 'undamped', nodamp.depthMm.toFixed(2), nodamp.hz.toFixed(0), 'periodic ratio', Math.exp(v.overAveraged).toFixed(2), 'depth', v.depthMm?.toFixed(2), v.hz?.toFixed(0), (t1-t0).toFixed(0)+'ms');
  for (const a of ['x','y'] as const) console.log('  ', a, s.structure[a].map((m, i) => `${m.hz.toFixed(0)}Hz k${(m.stiffness/1e6).toFixed(1)} z${(100*m.damping).toFixed(1)}% (felt k${(felt[a][i].stiffness/1e6).toFixed(0)})`).join('; '));
}
