import { isIndexable, isMillingCutter, outerDiameter } from '../crib/cutter.ts';
import { kindOf } from './registry.ts';
import type { OperationContext } from '../operations/context.ts';
import { InputError, type InputProblem } from '../units/input-error.ts';
import type { HoleOperation } from '../operations/hole-operation.ts';
import type { MillingOperation, Operation } from '../operations/operation.ts';
import { diameterInCut } from '../physics/cutting/edge-profile.ts';

/** Collects what is wrong; names are the fields' paths in the operation. */
class Inspection {
  readonly problems: InputProblem[] = [];

  within(field: string, value: number, low: number, high: number, unit: string): void {
    // A range that itself follows from an impossible number is that number's problem.
    if (Number.isNaN(low) || Number.isNaN(high)) return;
    if (!(value >= low && value <= high)) {
      const allowed = Number.isFinite(high)
        ? `${round(low)} to ${round(high)} ${unit}`
        : `${round(low)} ${unit} or more`;
      this.problems.push({ field, value, allowed: allowed.trim() });
    }
  }

  above(field: string, value: number, unit: string): void {
    if (!(value > 0 && Number.isFinite(value)))
      this.problems.push({ field, value, allowed: `above 0 ${unit}`.trim() });
  }

  measured(field: string, value: number | null, low: number, high: number, unit: string): void {
    if (value !== null) this.within(field, value, low, high, unit);
  }

  say(field: string, value: unknown, allowed: string): void {
    this.problems.push({ field, value, allowed });
  }
}

const round = (value: number): number => Number(value.toPrecision(6));

function checkCommon(op: Operation, { alloy, cutter, machine }: OperationContext, see: Inspection): void {
  const { low, high, scale } = alloy.hardness;
  const point = scale === 'HB' ? 9 : 1;
  see.measured('measured.hardness', op.measured.hardness, low - 3 * point, high + 3 * point, scale);
  see.measured('measured.runoutUm', op.measured.runoutUm, 0.1, 200, 'µm');
  see.measured('measured.lifeSpeed30MMin', op.measured.lifeSpeed30MMin, 0.5, 3000, 'm/min');
  see.measured('measured.kc11NMm2', op.measured.kc11NMm2, 10, 10000, 'N/mm²');
  see.within('flankWearMm', op.flankWearMm, 0, 1, 'mm');
  see.within('featuresPerEdge', op.featuresPerEdge, 1, 100000, '');
  see.within('featuresPerPart', op.featuresPerPart, 1, 100000, '');
  if (op.edgesOnShelf !== null) see.within('edgesOnShelf', op.edgesOnShelf, 0, 100000, '');
  see.measured('economics.machinePerHour', op.economics.machinePerHour, 0.01, 1e6, 'per hour');
  see.measured('economics.edgePrice', op.economics.edgePrice, 0, 1e6, '');
  see.measured('economics.edgeChangeMin', op.economics.edgeChangeMin, 0, 600, 'min');
  see.within('cut.speedRpm', op.cut.speedRpm, 1, 500_000, 'rpm');
  const shank = cutter.properties.LPR ?? cutter.properties.APMX ?? 1;
  const overall = cutter.properties.OAL ?? Infinity;
  const most = isIndexable(cutter) ? 400 : overall - 5;
  see.within(
    'tooling.stickOutMm',
    op.tooling.stickOutMm,
    Math.min(shank, 0.5 * (cutter.properties.DC ?? 10)),
    most,
    'mm',
  );
  for (const [name, curve] of Object.entries(machine.power_torque)) {
    if (curve.length < 2) see.say(`machine.power_torque.${name}`, curve.length, 'two points or more');
  }
  // A boring bar has a nose, not teeth on a diameter.
  if (op.kind === 'boring') return;
  const teeth = cutter.properties.ZEFP ?? cutter.properties.NOF;
  if (!teeth || teeth < 1) see.say('cutter.properties.ZEFP', teeth, '1 or more');
  if (!(cutter.properties.DC && cutter.properties.DC > 0))
    see.say('cutter.properties.DC', cutter.properties.DC, 'above 0 mm');
}

/** Sizes of the feature's rest, the holding and the path. */
function checkPath({ feature, workholding, path }: MillingOperation, see: Inspection): void {
  if (feature.island) {
    see.within('feature.island.lengthMm', feature.island.lengthMm, 0.1, feature.lengthMm - 0.1, 'mm');
    see.within('feature.island.widthMm', feature.island.widthMm, 0.1, feature.widthMm - 0.1, 'mm');
    if (feature.kind !== 'pocket')
      see.say('feature.island', feature.kind, 'none: only a pocket has an island');
  }
  if (feature.kind === 'boss') see.measured('feature.stockMm', feature.stockMm ?? 0, 0.01, 500, 'mm');
  see.within('feature.slopeDeg', feature.slopeDeg, 0, 90, '°');
  see.measured('feature.raUm', feature.raUm, 0.01, 50, 'µm');
  see.measured('feature.scallopMm', feature.scallopMm, 0.0001, 5, 'mm');
  see.measured('workholding.liftCapacityN', workholding.liftCapacityN, 1, 1e7, 'N');
  see.measured('workholding.releaseC', workholding.releaseC, 25, 1000, '°C');
  see.measured('path.entry.rampAngleDeg', path.entry.rampAngleDeg, 0.05, 90, '°');
  see.measured('path.entry.helixDiameterMm', path.entry.helixDiameterMm, 0.1, 2000, 'mm');
  see.within('path.entry.startHeightMm', path.entry.startHeightMm, 0, 100, 'mm');
  see.within('path.entry.taperDeg', path.entry.taperDeg, 0, 10, '°');
  see.measured('path.cornerPathRadiusMm', path.cornerPathRadiusMm, 0, 2000, 'mm');
  see.measured('path.leadInRadiusMm', path.leadInRadiusMm, 0, 2000, 'mm');
  see.within('path.toleranceMm', path.toleranceMm, 0.0001, 1, 'mm');
  see.within('path.springPasses', path.springPasses, 0, 5, '');
}

function checkMilling(op: MillingOperation, context: OperationContext, see: Inspection): void {
  const { cutter } = context;
  if (!isMillingCutter(cutter)) {
    see.say('tooling.cutterId', cutter.name, 'a milling cutter');
    return;
  }
  const { feature, cut } = op;
  see.above('feature.lengthMm', feature.lengthMm, 'mm');
  see.above('feature.widthMm', feature.widthMm, 'mm');
  see.above('feature.depthMm', feature.depthMm, 'mm');
  if (feature.cornerRadiusMm !== null) see.above('feature.cornerRadiusMm', feature.cornerRadiusMm, 'mm');
  see.within('feature.allowanceMm', feature.allowanceMm, 0, 10, 'mm');
  see.above('feature.wallToleranceMm', feature.wallToleranceMm, 'mm');
  if (op.workholding.capacityN !== null) see.above('workholding.capacityN', op.workholding.capacityN, 'N');
  checkPath(op, see);
  see.above('cut.feedPerToothMm', cut.feedPerToothMm, 'mm');
  see.within('cut.feedPerToothMm', cut.feedPerToothMm, 0, 5, 'mm');
  see.above('cut.axialDepthMm', cut.axialDepthMm, 'mm');
  const edge = Math.min(cutter.properties.APMX ?? Infinity, op.tooling.stickOutMm);
  see.within('cut.axialDepthMm', cut.axialDepthMm, 0, edge, 'mm');
  see.above('cut.radialEngagementMm', cut.radialEngagementMm, 'mm');
  const widest =
    cut.axialDepthMm > 0 ? diameterInCut(cutter, Math.min(cut.axialDepthMm, edge)) : outerDiameter(cutter);
  see.within(
    'cut.radialEngagementMm',
    cut.radialEngagementMm,
    0,
    Math.max(widest, outerDiameter(cutter)),
    'mm',
  );
  if (op.forceLaw === 'orthogonal' && !context.alloy.id.startsWith('ti-6al-4v')) {
    see.say('forceLaw', 'orthogonal', 'kienzle or linear-edge: orthogonal data are known for Ti-6Al-4V only');
  }
  const inside = feature.kind === 'pocket' || feature.kind === 'slot';
  if (inside && feature.widthMm < outerDiameter(cutter) - 1e-6) {
    see.say(
      'feature.widthMm',
      feature.widthMm,
      `${outerDiameter(cutter)} mm or more: the cutter has to fit in`,
    );
  }
}

/** Is this the kind of tool the operation needs? */
export const toolFits = (op: Operation, cutter: Pick<OperationContext['cutter'], 'type'>): boolean =>
  kindOf(op).tool.fits(cutter, op);

function checkHole(op: HoleOperation, { cutter }: OperationContext, see: Inspection): void {
  const { hole } = op;
  const { tool } = kindOf(op);
  if (!tool.fits(cutter, op)) {
    see.say('tooling.cutterId', cutter.name, tool.named);
    return;
  }
  see.above('hole.diameterMm', hole.diameterMm, 'mm');
  see.above('hole.depthMm', hole.depthMm, 'mm');
  see.within('hole.depthMm', hole.depthMm, 0, 60 * Math.max(hole.diameterMm, 0.1), 'mm');
  see.within('hole.entryAngleDeg', hole.entryAngleDeg, 0, 60, '°');
  see.within('hole.exitAngleDeg', hole.exitAngleDeg, 0, 80, '°');
  see.within('hole.crossHoles', hole.crossHoles, 0, 50, '');
  see.within('hole.startMm', hole.startMm, 0, Infinity, 'mm');
  see.measured('hole.startDepthMm', hole.startDepthMm, 0, 5000, 'mm');
  see.measured('hole.toleranceMm', hole.toleranceMm, 0.001, 5, 'mm');
  see.measured('hole.straightnessMm', hole.straightnessMm, 0.001, 10, 'mm');
  see.measured('hole.raUm', hole.raUm, 0.01, 50, 'µm');
  see.measured('hole.partValue', hole.partValue, 0, 1e8, '');
  see.within('hole.betweenMm', hole.betweenMm, 0, 5000, 'mm');
  if ('feedPerRevMm' in op.cut) {
    see.above('cut.feedPerRevMm', op.cut.feedPerRevMm, 'mm');
    see.within('cut.feedPerRevMm', op.cut.feedPerRevMm, 0, 3, 'mm');
  }
  if ('feedPerToothMm' in op.cut) {
    see.above('cut.feedPerToothMm', op.cut.feedPerToothMm, 'mm');
    see.within('cut.feedPerToothMm', op.cut.feedPerToothMm, 0, 1, 'mm');
  }
  checkStep(op, cutter, see);
}

/** What only one kind of step has. */
function checkStep(op: HoleOperation, cutter: OperationContext['cutter'], see: Inspection): void {
  const { hole } = op;
  const own = cutter.properties.DC ?? 0;
  switch (op.kind) {
    case 'drilling': {
      const { peck } = op.cut;
      const drill = op.role === 'spot' ? Math.min(own, hole.diameterMm) : own;
      see.within('hole.startMm', hole.startMm, 0, 0.98 * drill, 'mm');
      see.within('cut.breakthroughFeed', op.cut.breakthroughFeed, 0.1, 1, 'of the feed');
      if (op.role === 'spot') see.within('hole.diameterMm', hole.diameterMm, 0.1, own, 'mm');
      if (typeof peck === 'number') see.within('cut.peck', peck, 0.1, Math.max(0.1, hole.depthMm), 'mm');
      if (typeof peck === 'object') {
        const rising = peck.toMm.every((d, i) => d > (peck.toMm[i - 1] ?? 0) && d < hole.depthMm + 1e-9);
        if (!rising || peck.toMm.length > 200)
          see.say(
            'cut.peck.toMm',
            peck.toMm.join(', '),
            `rising depths below ${hole.depthMm} mm, 200 at most`,
          );
      }
      break;
    }
    case 'reaming':
      see.within('hole.startMm', hole.startMm, 0.5 * own, own - 0.005, 'mm');
      see.within('cut.outFeed', op.cut.outFeed, 0.5, 20, 'times the feed in');
      break;
    case 'boring': {
      const least = Number(cutter.properties['DMIN'] ?? 0);
      see.within(
        'hole.startMm',
        hole.startMm,
        Math.max(least, 0.5 * hole.diameterMm),
        hole.diameterMm - 0.02,
        'mm',
      );
      see.within('cut.passes', op.cut.passes, 1, 10, '');
      see.within('cut.springPasses', op.cut.springPasses, 0, 3, '');
      break;
    }
    case 'hole-milling': {
      const tool = outerDiameter(cutter);
      see.within('hole.diameterMm', hole.diameterMm, 1.02 * tool, 40 * tool, 'mm');
      see.within('hole.startMm', hole.startMm, 0, hole.diameterMm - 0.01, 'mm');
      see.above('cut.pitchMm', op.cut.pitchMm, 'mm');
      see.within(
        'cut.pitchMm',
        op.cut.pitchMm,
        0,
        Math.min(cutter.properties.APMX ?? 1, op.tooling.stickOutMm),
        'mm',
      );
      see.within('cut.stepovers', op.cut.stepovers, 1, 40, '');
      see.within('cut.springPasses', op.cut.springPasses, 0, 3, '');
      see.within('cut.pastFloorMm', op.cut.pastFloorMm, 0, 20, 'mm');
      break;
    }
    case 'chamfering':
      see.within(
        'cut.widthMm',
        op.cut.widthMm,
        0.02,
        0.9 * Math.max(0.1, (outerDiameter(cutter) - own) / 2),
        'mm',
      );
      break;
    case 'tapping':
    case 'thread-milling': {
      const { thread } = op;
      see.above('thread.majorMm', thread.majorMm, 'mm');
      see.within('thread.pitchMm', thread.pitchMm, 0.1, 0.4 * Math.max(0.3, thread.majorMm), 'mm');
      see.within('thread.flankDeg', thread.flankDeg, 20, 120, '°');
      see.within('thread.taper', thread.taper, 0, 0.25, '');
      const depth = 1.4 * thread.pitchMm;
      see.within(
        'hole.startMm',
        hole.startMm,
        thread.majorMm - depth,
        thread.majorMm - 0.1 * thread.pitchMm,
        'mm',
      );
      const pitch = cutter.properties['TP'];
      if (typeof pitch === 'number' && Math.abs(pitch - thread.pitchMm) > 0.002)
        see.say('tooling.cutterId', cutter.name, `a tool of pitch ${round(thread.pitchMm)} mm`);
      if (op.kind === 'tapping' && Math.abs(own - thread.majorMm) > 0.02)
        see.say('tooling.cutterId', cutter.name, `a tap of ${thread.designation}`);
      if (op.kind === 'thread-milling') {
        see.within('cutter.properties.DC', own, 0.1, thread.majorMm - 2 * 0.05, 'mm');
        see.within('cut.passes', op.cut.passes, 1, 8, '');
        see.within('cut.springPasses', op.cut.springPasses, 0, 3, '');
      }
      break;
    }
  }
}

/** Everything impossible in an operation, one entry a field; empty when it can be evaluated. */
export function problemsOf(op: Operation, context: OperationContext): InputProblem[] {
  const see = new Inspection();
  checkCommon(op, context, see);
  if (op.kind === 'milling') checkMilling(op, context, see);
  else checkHole(op, context, see);
  return see.problems.filter((p, i, all) => all.findIndex((q) => q.field === p.field) === i);
}

/** Throws an InputError that names every field, value and range when the operation is impossible. */
export function requirePossible(op: Operation, context: OperationContext): void {
  const problems = problemsOf(op, context);
  if (problems.length > 0) throw new InputError(problems);
}
