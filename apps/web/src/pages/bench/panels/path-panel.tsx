import { formatMeasure, type MillingOperation, type OperationContext, type PathDetail } from '@burl/core';
import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';
import { useSystem } from '../../../frame/preferences.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { Button } from '../../../ui/button.tsx';
import { HeavyState } from '../../../workers/heavy-state.tsx';

const W = 290;
const H = 190;

/** Ways in with their minutes and reasons, the corner over the radius of its path, feeds on arcs. */
export default function PathPanel({
  op,
  context,
  readOnly,
  onChange,
}: {
  op: MillingOperation;
  context: OperationContext;
  readOnly: boolean;
  onChange: (next: MillingOperation) => void;
}) {
  const system = useSystem();
  const heavy = useHeavy('detail', question('path', op, context), (api) => api.path(op, context), 60);
  if (!heavy.data) return <HeavyState what="the path" heavy={heavy} />;
  const detail = heavy.data;
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const feed = (v: number): string => formatMeasure(v, 'mm/min', system);
  const take = (method: MillingOperation['path']['entry']['method']) =>
    onChange({
      ...op,
      path: { ...op.path, entry: { ...op.path.entry, method, rampAngleDeg: null, helixDiameterMm: null } },
    });
  return (
    <div
      className={`grid h-full min-h-0 grid-cols-[minmax(0,1fr)_300px] gap-3 text-[13px] ${heavy.stale ? 'opacity-60' : ''}`}
    >
      <div className="min-h-0 overflow-y-auto" tabIndex={0} role="region" aria-label="Ways in">
        <table className="w-full border-collapse">
          <caption className="text-left font-semibold">Entry methods, best first</caption>
          <thead className="sr-only">
            <tr>
              <th>Entry</th>
              <th>Geometry</th>
              <th>Minutes</th>
              <th>Use</th>
            </tr>
          </thead>
          <tbody>
            {detail.entries.map(({ plan, minutes, reason }, i) => (
              <tr
                key={plan.method}
                className={`border-t border-line align-top ${plan.impossible ? 'text-soft' : ''}`}
              >
                <th scope="row" className="py-1 pr-2 text-left font-semibold whitespace-nowrap">
                  {plan.method}
                  {i === 0 && !plan.impossible && (
                    <span className="block text-[12px] font-normal text-clear">recommended</span>
                  )}
                </th>
                <td className="py-1 pr-2">
                  {reason}
                  {plan.helixDiameterMm !== null && !plan.impossible && (
                    <span className="block text-soft">
                      hole {mm(plan.helixDiameterMm)}, {plan.rampAngleDeg.toFixed(1)}° of{' '}
                      {plan.steepestDeg.toFixed(1)}°,{' '}
                      {plan.coreMm > 0 ? `leaves a post of ${mm(plan.coreMm)}` : 'no core'}
                    </span>
                  )}
                  {plan.method === 'ramp' && !plan.impossible && (
                    <span className="block text-soft">
                      {plan.rampAngleDeg.toFixed(1)}° of {plan.steepestDeg.toFixed(1)}°
                    </span>
                  )}
                </td>
                <td className="py-1 pr-2 text-right whitespace-nowrap">
                  {plan.impossible ? '–' : formatMeasure(minutes, 'min', system)}
                </td>
                <td className="py-1 text-right">
                  {plan.method === op.path.entry.method ? (
                    <span className="font-semibold">taken</span>
                  ) : (
                    !plan.impossible && (
                      <Button
                        disabled={readOnly}
                        aria-label={`Enter by ${plan.method}`}
                        onClick={() => take(plan.method)}
                      >
                        Use
                      </Button>
                    )
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-1.5 text-soft">
          {detail.entryLoad
            ? `While entering: ${formatMeasure(detail.entryLoad.sideForceN, 'N', system)} across, ${formatMeasure(detail.entryLoad.torqueNm, 'Nm', system)}, ${formatMeasure(detail.entryLoad.powerKw, 'kW', system)}. `
            : ''}
          Lead in and out on {mm(detail.leadInMm)}.
        </p>
      </div>
      <CornerCurve detail={detail} op={op} mm={mm} feed={feed} />
    </div>
  );
}

function CornerCurve({
  detail,
  op,
  mm,
  feed,
}: {
  detail: PathDetail;
  op: MillingOperation;
  mm: (v: number) => string;
  feed: (v: number) => string;
}) {
  if (detail.corner.length === 0)
    return <p className="text-soft">No inside corner is cut with part of the cutter: nothing spikes.</p>;
  const radii = detail.corner.map((p) => p.pathRadiusMm);
  const x = scaleLog([radii[0]!, radii.at(-1)!], [34, W - 8]);
  const y = scaleLinear([0, 180], [H - 34, 20]);
  const curve = line<(typeof detail.corner)[number]>(
    (p) => x(p.pathRadiusMm),
    (p) => y(p.arcDeg),
  );
  const smallest = detail.smallestPathMm;
  const first = detail.corner[0]!;
  const text = `On a straight pass the arc is ${detail.straightArcDeg.toFixed(0)}°; turned sharply in the corner it becomes ${first.arcDeg.toFixed(0)}° with ${first.forceTimes.toFixed(1)} times the force.`;
  return (
    <div className="min-h-0 overflow-y-auto" tabIndex={0} role="region" aria-label="Corner">
      <p className="font-semibold">{text}</p>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        role="img"
        aria-label="Arc of contact over the path radius"
        className="w-full"
      >
        {[0, 60, 120, 180].map((a) => (
          <g key={a}>
            <line x1={34} x2={W - 8} y1={y(a)} y2={y(a)} stroke="var(--line)" />
            <text x={30} y={y(a) + 4} fontSize="12" textAnchor="end" fill="var(--ink)">
              {a}°
            </text>
          </g>
        ))}
        <line
          x1={34}
          x2={W - 8}
          y1={y(detail.straightArcDeg)}
          y2={y(detail.straightArcDeg)}
          stroke="var(--clear)"
          strokeDasharray="5 3"
        />
        <path d={curve(detail.corner) ?? ''} fill="none" stroke="var(--accent)" strokeWidth="2.5" />
        {smallest !== null && smallest < radii.at(-1)! && (
          <g>
            <line
              x1={x(smallest)}
              x2={x(smallest)}
              y1={20}
              y2={H - 34}
              stroke="var(--tight)"
              strokeDasharray="2 3"
            />
            <text x={x(smallest)} y={14} fontSize="12" textAnchor="middle" fill="var(--tight)">
              {mm(smallest)} keeps it steady
            </text>
          </g>
        )}
        {[0.3, 1, 3, 10, 30, 100]
          .filter((t) => t >= radii[0]! && t <= radii.at(-1)!)
          .map((t) => (
            <text key={t} x={x(t)} y={H - 20} fontSize="12" textAnchor="middle" fill="var(--ink)">
              {t}
            </text>
          ))}
        <text x={W / 2} y={H - 4} fontSize="12" textAnchor="middle" fill="var(--soft)">
          radius of the path in the corner, mm
        </text>
      </svg>
      <p className="text-soft">
        {op.feature.cornerRadiusMm !== null &&
          detail.largestCutterMm !== null &&
          `Largest cutter that follows the ${mm(op.feature.cornerRadiusMm)} corner without a spike at this share of its width: ${mm(detail.largestCutterMm)}. `}
        {detail.insideFeedMmMin !== null &&
          `Feed of the centre inside the corner: ${feed(detail.insideFeedMmMin)}. `}
        {detail.outsideFeedMmMin !== null &&
          `Around the same radius outside: ${feed(detail.outsideFeedMmMin)}.`}
      </p>
    </div>
  );
}
