import type { IsoGroup } from '../../crib/alloy.ts';
import { measure, say, type Sentence } from '../../units/sentence.ts';
import type { StrategyLayout } from './lay-out.ts';

export type Aspect = 'minutes' | 'cost' | 'edge' | 'force' | 'rest';

/** Which row wins on what, and why the others do not. */
export interface Verdict {
  readonly wins: Readonly<Record<Aspect, number | null>>;
  readonly because: readonly Sentence[];
  /** Where good people differ here, and what decides. */
  readonly schools: readonly Sentence[];
}

/** Rows that break a limit do not win. */
const sound = (row: StrategyLayout): boolean => row.state !== 'over';

/** Within a hundredth two rows are alike, and neither is the best. */
const ALIKE = 0.01;

function least(rows: readonly StrategyLayout[], of: (r: StrategyLayout) => number): number | null {
  const places = rows
    .map((r, i) => ({ i, value: sound(r) ? of(r) : Infinity }))
    .filter(({ value }) => Number.isFinite(value))
    .sort((a, b) => a.value - b.value);
  const [first, second] = places;
  if (!first || (second && second.value - first.value <= ALIKE * Math.abs(first.value) + 1e-9)) return null;
  return first.i;
}

export const strategyName: Readonly<Record<StrategyLayout['strategy'], string>> = {
  levels: 'Z-level, wide radial depth',
  'constant-engagement': 'Constant engagement (HEM)',
  trochoidal: 'Trochoidal',
  plunge: 'Plunging',
  'high-feed': 'High-feed milling',
  'slot-then-widen': 'Full slot, then widen',
};

/** Short enough for a sentence. */
const tool = (r: StrategyLayout): string => `${r.diameterMm} mm, ${r.flutes} flutes`;
const label = (r: StrategyLayout): string => `${strategyName[r.strategy]} (${tool(r)})`;
const small = (r: StrategyLayout): string => label(r).charAt(0).toLowerCase() + label(r).slice(1);

/** Why one row is faster than another: the two factors of metal per minute, and the time not cutting. */
function whyFaster(fast: StrategyLayout, slow: StrategyLayout): Sentence {
  const share = (r: StrategyLayout): number => (r.minutes.link + r.minutes.air) / r.minutes.total;
  if (fast.removalCm3Min > 1.15 * slow.removalCm3Min && fast.arcDeg < 0.8 * slow.arcDeg)
    return say(
      `${label(fast)} takes {0} against {1} of ${small(slow)}: its arc of {2} heats the edge so briefly that it may run {3} instead of {4}.`,
      measure(fast.removalCm3Min, 'cm3/min'),
      measure(slow.removalCm3Min, 'cm3/min'),
      measure(fast.arcDeg, 'deg'),
      measure(fast.speedMMin, 'm/min'),
      measure(slow.speedMMin, 'm/min'),
    );
  if (share(slow) > share(fast) + 0.1)
    return say(
      `${label(slow)} spends {0} of its {1} moving without cutting; ${small(fast)} spends {2}.`,
      measure(slow.minutes.link + slow.minutes.air, 'min'),
      measure(slow.minutes.total, 'min'),
      measure(fast.minutes.link + fast.minutes.air, 'min'),
    );
  return say(
    slow.stoppedBy.length > 0
      ? `${label(fast)} takes {0}, ${small(slow)} {1}: ${slow.stoppedBy.slice(0, 2).join(' and ')} limits the slower one.`
      : `${label(fast)} takes {0}, ${small(slow)} {1}.`,
    measure(fast.removalCm3Min, 'cm3/min'),
    measure(slow.removalCm3Min, 'cm3/min'),
  );
}

function schoolsOf(rows: readonly StrategyLayout[], group: IsoGroup): Sentence[] {
  const list: Sentence[] = [];
  const find = (s: StrategyLayout['strategy']): StrategyLayout | undefined =>
    rows.find((r) => r.strategy === s && sound(r)) ?? rows.find((r) => r.strategy === s);
  const [wide, light, shallow, plunge] = [
    find('levels'),
    find('constant-engagement') ?? find('trochoidal'),
    find('high-feed'),
    find('plunge'),
  ];
  if (wide && light)
    list.push(
      say(
        'Wide Z-levels need {0} of spindle power and a {1} engagement angle; the light path at depth needs {2} and {3}, but also cutting length, a path that keeps its engagement and {4} of linking. Spindle power, edge length and the control decide.',
        measure(wide.powerKw, 'kW'),
        measure(wide.arcDeg, 'deg'),
        measure(light.powerKw, 'kW'),
        measure(light.arcDeg, 'deg'),
        measure(light.minutes.link, 'min'),
      ),
    );
  if (group === 'H' && light && (shallow ?? wide)) {
    const low = (shallow ?? wide)!;
    list.push(
      say(
        'In hardened steel one school steps lightly at depth: {0} of edge share the wear and the arc is {1}. The other keeps depth and feed low: force {2} instead of {3}, for long or weak tools and steps of 3D forms. Stick-out under 3.5 diameters and walls speak for the first, over 5 diameters for the second.',
        measure(light.operation.cut.axialDepthMm, 'mm'),
        measure(light.arcDeg, 'deg'),
        measure(low.sideForceN, 'N'),
        measure(light.sideForceN, 'N'),
      ),
    );
  }
  if (shallow && light && group !== 'H')
    list.push(
      say(
        'High-feed milling directs force along the axis: {0} radial against {1}. It wins on shallow floors and long stick-outs and leaves walls and corners to another tool.',
        measure(shallow.sideForceN, 'N'),
        measure(light.sideForceN, 'N'),
      ),
    );
  if (plunge)
    list.push(
      say(
        'Plunge roughing deflects the tool least for its MRR, {0} at {1}; it leaves {2} scallops and pays beyond 5×D stick-out.',
        measure(plunge.sideForceN, 'N'),
        measure(plunge.removalCm3Min, 'cm3/min'),
        measure(plunge.leavesStepMm, 'mm'),
      ),
    );
  return list;
}

/** Winners by aspect, the reasons in words, and the schools. Rows over a limit never win; null where none is sound. */
export function verdictOf(rows: readonly StrategyLayout[], group: IsoGroup): Verdict {
  const wins = {
    minutes: least(rows, (r) => r.minutes.total),
    cost: least(rows, (r) => r.cost),
    edge: least(rows, (r) => (r.featuresPerEdge ? -r.featuresPerEdge.value : Infinity)),
    force: least(rows, (r) => r.peakForceN),
    rest: least(rows, (r) => r.leavesInCornerMm + r.leavesStepMm),
  };
  const because: Sentence[] = [];
  if (wins.minutes !== null) {
    const fast = rows[wins.minutes]!;
    rows.forEach((r, i) => {
      if (i !== wins.minutes && sound(r) && r.minutes.total > 1.03 * fast.minutes.total)
        because.push(whyFaster(fast, r));
    });
  }
  rows.forEach((r) => {
    if (!sound(r))
      because.push(
        say(
          `${label(r)} cannot win: ${r.governing.name} is over. ${r.governing.why.text}`,
          ...r.governing.why.measures,
        ),
      );
  });
  if (wins.edge !== null && wins.edge !== wins.minutes) {
    const lasting = rows[wins.edge]!;
    because.push(
      say(
        `${label(lasting)} has the longest tool life: {0} of contact at {1}.`,
        measure(lasting.minutes.contact, 'min'),
        measure(lasting.temperatureC, 'degC'),
      ),
    );
  }
  if (wins.cost !== null && wins.cost !== wins.minutes) {
    const cheap = rows[wins.cost]!;
    because.push(
      say(
        `${label(cheap)} has the lowest cost, {0} of it edges: slower, but easier on edges.`,
        measure(cheap.edgeCost, 'money'),
      ),
    );
  }
  return { wins, because, schools: schoolsOf(rows, group) };
}
