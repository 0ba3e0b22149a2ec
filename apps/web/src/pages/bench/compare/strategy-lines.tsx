import { type Aspect, formatMeasure, type StrategyLayout, type System, type Unit } from '@burl/core';
import type { ReactNode } from 'react';
import { StateWord } from '../../../ui/state-mark.tsx';
import { about } from './about.ts';
import { Course } from './course.tsx';
import { stoppedBy } from './stopped-by.ts';

/** A line of the comparison: what it is called, what it shows of a column, and what may be best in it. */
export interface Line {
  readonly name: string;
  readonly of: (r: StrategyLayout) => ReactNode;
  readonly aspect?: Aspect;
}

/** The lines of the comparison, in the order one decides by. */
export function strategyLines(known: readonly StrategyLayout[], system: System): readonly Line[] {
  const show = (v: number, unit: Unit): string => formatMeasure(v, unit, system);
  return [
    {
      name: 'All limits',
      of: (r) => (
        <>
          <StateWord state={r.state} />
          {r.state !== 'clear' && <span className="block text-[12.5px] text-soft">{r.governing.name}</span>}
        </>
      ),
    },
    {
      name: 'Cycle time per feature',
      of: (r) => <b className="text-[17px]">{show(r.minutes.total, 'min')}</b>,
      aspect: 'minutes',
    },
    {
      name: 'Cutting, non-cutting',
      of: (r) => `${show(r.minutes.contact, 'min')}, ${show(r.minutes.link + r.minutes.air, 'min')}`,
    },
    {
      name: 'Cost per feature',
      of: (r) => `${show(r.cost, 'money')}, edges ${show(r.edgeCost, 'money')}`,
      aspect: 'cost',
    },
    {
      name: 'Features per edge',
      of: ({ featuresPerEdge: n }) =>
        n ? `${about(n.value)} (${about(n.low)} to ${about(n.high)})` : 'not known',
      aspect: 'edge',
    },
    { name: 'Peak radial force', of: (r) => show(r.peakForceN, 'N'), aspect: 'force' },
    { name: 'Power', of: (r) => show(r.powerKw, 'kW') },
    { name: 'MRR', of: (r) => show(r.removalCm3Min, 'cm3/min') },
    {
      name: 'Axial depth, radial depth',
      of: ({ operation: { cut }, levels }) =>
        `${show(cut.axialDepthMm, 'mm')}, ${show(cut.radialEngagementMm, 'mm')}; ${levels} ${levels === 1 ? 'level' : 'levels'}`,
    },
    {
      name: 'Speed, feed',
      of: (r) => `${show(r.speedMMin, 'm/min')}, ${show(r.operation.cut.feedPerToothMm, 'mm/tooth')}`,
    },
    {
      name: 'Engagement angle, temperature',
      of: (r) => `${r.arcDeg.toFixed(0)}°, ${show(r.temperatureC, 'degC')}`,
    },
    {
      name: 'Rest material',
      of: (r) => `${show(r.leavesInCornerMm, 'mm')} in corners, ${show(r.leavesStepMm, 'mm')} on steps`,
      aspect: 'rest',
    },
    { name: 'Entry', of: (r) => `${r.entry}, ${show(r.minutes.entry, 'min')}` },
    { name: 'Limited by', of: (r) => stoppedBy(r) ?? 'its own range' },
    { name: 'Force through the path', of: (r) => <Course row={r} all={known} /> },
  ];
}
