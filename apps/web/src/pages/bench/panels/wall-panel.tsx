import { formatMeasure, type MillingOperation, type OperationContext } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { HeavyState } from '../../../workers/heavy-state.tsx';

const W = 250;
const H = 190;

/** The wall this cut leaves along its height, exaggerated, and what finishing it takes. */
export default function WallPanel({ op, context }: { op: MillingOperation; context: OperationContext }) {
  const system = useSystem();
  const heavy = useHeavy('detail', question('wall', op, context), (api) => api.wall(op, context), 60);
  if (!heavy.data) return <HeavyState what="the wall" heavy={heavy} />;
  const { wall, finish } = heavy.data;
  const { profile, springs, allowedMm } = wall;
  const fine = (v: number): string => formatMeasure(v, 'mm-deflection', system);
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const top = profile.heightMm.at(-1) ?? 1;
  const reach = Math.max(...profile.errorMm.map(Math.abs), allowedMm, 1e-4);
  const x = (e: number): number => 120 + (90 * e) / reach;
  const y = (h: number): number => H - 26 - ((H - 50) * h) / top;
  const path = profile.errorMm.map((e, i) => `${i ? 'L' : 'M'}${x(e)} ${y(profile.heightMm[i]!)}`).join(' ');
  const text = `Wall error ${fine(profile.smallestMm)} to ${fine(profile.largestMm)} along its height; ${fine(allowedMm)} may be.`;
  return (
    <div
      className={`grid h-full min-h-0 grid-cols-[260px_minmax(0,1fr)] gap-3 ${heavy.stale ? 'opacity-60' : ''}`}
    >
      <svg viewBox={`0 0 ${W} ${H}`} role="img" aria-label={text} className="h-full max-h-64 w-full">
        <rect x={x(0) - 46} y={18} width={46} height={H - 44} fill="var(--stock)" opacity="0.5" />
        <line x1={x(0)} x2={x(0)} y1={14} y2={H - 20} stroke="var(--ink)" strokeDasharray="4 3" />
        <line
          x1={x(allowedMm)}
          x2={x(allowedMm)}
          y1={14}
          y2={H - 20}
          stroke="var(--tight)"
          strokeDasharray="2 3"
        />
        <line
          x1={x(-allowedMm)}
          x2={x(-allowedMm)}
          y1={14}
          y2={H - 20}
          stroke="var(--tight)"
          strokeDasharray="2 3"
        />
        <path d={path} fill="none" stroke="var(--accent)" strokeWidth="2.5" />
        <text x={x(0)} y={11} fontSize="12" textAnchor="middle" fill="var(--ink)">
          as drawn
        </text>
        <text x={x(allowedMm) - 3} y={H - 8} fontSize="12" textAnchor="middle" fill="var(--tight)">
          ±{fine(allowedMm)}
        </text>
        <text x={4} y={y(top) + 4} fontSize="12" fill="var(--soft)">
          {mm(top)} up
        </text>
        <text x={4} y={y(0)} fontSize="12" fill="var(--soft)">
          tip
        </text>
      </svg>
      <div className="min-h-0 overflow-y-auto text-[13px]" tabIndex={0} role="region" aria-label="Finishing">
        <p className="mb-1 font-semibold">{text}</p>
        <p className="mb-1.5 text-soft">
          Each height is made as a tooth passes the wall there; the force of that moment bends the tool.
        </p>
        <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-3 gap-y-1">
          <dt className="text-soft">Direction</dt>
          <dd>
            <b>{finish.direction}</b>: {finish.directionBecause}. Not with: {finish.exceptions.join('; ')}.
          </dd>
          <dt className="text-soft">Stock to leave</dt>
          <dd>
            {mm(finish.leastMm)} to {mm(finish.mostMm)}; {mm(finish.chosenMm)} is taken, {finish.passes}{' '}
            {finish.passes === 1 ? 'finishing pass' : 'finishing passes'}.
          </dd>
          <dt className="text-soft">Rest</dt>
          <dd>
            {mm(finish.restInCornerMm)} in the corners, {mm(finish.restOnStepsMm)} on steps
            {finish.cornerCutterMm !== null && `; a cutter up to ${mm(finish.cornerCutterMm)} finishes them`}.
          </dd>
          <dt className="text-soft">Spring pass</dt>
          <dd>
            <b>{finish.spring.worth ? 'worth it' : 'not worth it'}</b>: {finish.spring.because}.
            {springs.length > 1 && ` Repeated: ${springs.map((s) => fine(s.leftMm)).join(', ')} left.`}
          </dd>
        </dl>
      </div>
    </div>
  );
}
