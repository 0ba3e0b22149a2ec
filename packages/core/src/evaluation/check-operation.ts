import { isDrill, isIndexable, isMillingCutter, outerDiameter } from '../domain/cutter.ts';
import type { OperationContext } from '../domain/context.ts';
import { InputError, type InputProblem } from '../domain/input-error.ts';
import type { DrillingOperation, MillingOperation, Operation } from '../domain/operation.ts';
import { diameterInCut } from '../milling/edge-profile.ts';

/** Collects what is wrong; names are the fields' paths in the operation. */
class Inspection {
  readonly problems: InputProblem[] = [];

  within(field: string, value: number, low: number, high: number, unit: string): void {
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
  see.measured('economics.machinePerHour', op.economics.machinePerHour, 0.01, 1e6, 'an hour');
  see.measured('economics.edgePrice', op.economics.edgePrice, 0, 1e6, '');
  see.measured('economics.edgeChangeMin', op.economics.edgeChangeMin, 0, 600, 'min');
  see.above('cut.speedRpm', op.cut.speedRpm, 'rpm');
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

function checkDrilling(op: DrillingOperation, { cutter }: OperationContext, see: Inspection): void {
  if (!isDrill(cutter)) {
    see.say('tooling.cutterId', cutter.name, 'a drill');
    return;
  }
  see.above('hole.diameterMm', op.hole.diameterMm, 'mm');
  see.above('hole.depthMm', op.hole.depthMm, 'mm');
  see.within('hole.depthMm', op.hole.depthMm, 0, 60 * Math.max(op.hole.diameterMm, 0.1), 'mm');
  see.within('hole.entryAngleDeg', op.hole.entryAngleDeg, 0, 60, '°');
  see.above('cut.feedPerRevMm', op.cut.feedPerRevMm, 'mm');
  see.within('cut.feedPerRevMm', op.cut.feedPerRevMm, 0, 2, 'mm');
  if (typeof op.cut.peck === 'number')
    see.within('cut.peck', op.cut.peck, 0.1, Math.max(0.1, op.hole.depthMm), 'mm');
}

/** Everything impossible in an operation, one entry a field; empty when it can be evaluated. */
export function problemsOf(op: Operation, context: OperationContext): InputProblem[] {
  const see = new Inspection();
  checkCommon(op, context, see);
  if (op.kind === 'milling') checkMilling(op, context, see);
  else checkDrilling(op, context, see);
  return see.problems.filter((p, i, all) => all.findIndex((q) => q.field === p.field) === i);
}

/** Throws an InputError that names every field, value and range when the operation is impossible. */
export function requirePossible(op: Operation, context: OperationContext): void {
  const problems = problemsOf(op, context);
  if (problems.length > 0) throw new InputError(problems);
}
