import {
  counted,
  edgePlan,
  type EdgePlan,
  type Exposure,
  exposureOf,
  failEarlier,
  formatMeasure,
  isHole,
  type Operation,
  type OperationContext,
  oneIn,
  type Evaluation,
} from '@burl/core';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { useSystem } from '../../../frame/preferences.tsx';
import { type Curve, Plot } from '../../../charts/plot.tsx';
import { Button } from '../../../ui/button.tsx';
import type { PanelProps } from './panel-props.ts';

/** What the life of the edge rests on: measured here, or the library. */
function RestsOn({ evaluation }: { evaluation: Evaluation }) {
  const { job = '', op: operation = '' } = useParams();
  const source = evaluation.sources.find((s) => s.id === 'life-speed');
  if (!source) return null;
  return (
    <p className="text-[13px] text-soft">
      {source.kind === 'measured' ? 'Measured here' : 'Not measured here'}: {source.label}.
      {source.kind !== 'measured' && ' Two edges run to their end already help.'}{' '}
      <Link to={`/jobs/${job}/floor?log=${operation}`} className="font-semibold text-accent underline">
        Log an edge
      </Link>
    </p>
  );
}

const curvesOf = (plan: EdgePlan): Curve[] => {
  const most = Math.max(...plan.points.map((p) => p.costPerFeature).filter(Number.isFinite));
  const cap = 4 * Math.min(...plan.points.map((p) => p.costPerFeature));
  return [
    {
      label: 'still good',
      points: plan.alive.map((a, k) => ({ x: k, y: 100 * a })),
      colour: 'series-1',
      fillTo: 'origin',
    },
    {
      label: 'cost per feature',
      points: plan.points
        .filter((p) => p.costPerFeature <= Math.min(most, cap))
        .map((p) => ({ x: p.features, y: p.costPerFeature })),
      colour: 'series-2',
      dash: [6, 3],
      right: true,
    },
    {
      label: 'stated change point',
      points: [{ x: plan.stated.features, y: 100 * (1 - plan.stated.failsEarlier) }],
      colour: 'accent',
      mark: 'circle',
      size: 7,
      inside: 'raised',
    },
  ];
};

function Choices({
  plan,
  op,
  readOnly,
  onChange,
}: {
  plan: EdgePlan;
  op: Operation;
  readOnly: boolean;
  onChange: (next: Operation) => void;
}) {
  const system = useSystem();
  const one = isHole(op) ? 'hole' : 'feature';
  const money = (v: number): string => formatMeasure(v, 'money', system);
  const { assumed } = plan.unattended.costs;
  const choice = (name: string, p: EdgePlan['attended']) => (
    <span className="flex items-center gap-2">
      <Button
        disabled={readOnly || p.features === op.featuresPerEdge}
        onClick={() => onChange({ ...op, featuresPerEdge: p.features })}
      >
        {name}: change after {p.features}
      </Button>
      <span className="text-[13px] text-soft">
        {failEarlier(p.failsEarlier)}, {money(p.costPerFeature)} per {one}
      </span>
    </span>
  );
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1">
      {choice('Attended', plan.attended)}
      {choice('Unattended', plan.unattended)}
      {assumed.length > 0 && (
        <span className="w-full text-[13px] text-soft">Usual figures taken for: {assumed.join(', ')}.</span>
      )}
    </div>
  );
}

function ExposureLine({ exposure, op }: { exposure: Exposure; op: Operation }) {
  const system = useSystem();
  const money = (v: number): string => formatMeasure(v, 'money', system);
  const worst = exposure.hazards.slice(0, 3);
  const [best] = exposure.changes;
  const one = isHole(op) ? 'hole' : 'feature';
  return (
    <p className="text-[13px]">
      Longest stretch without a look: {counted(exposure.features, one)},{' '}
      {formatMeasure(exposure.minutes, 'min', system)}. In it{' '}
      {worst.map((h) => `${h.name} ${oneIn(h.chance)} (${h.because})`).join(', ')}; expected loss alone{' '}
      {money(exposure.expectedLoss)}.{best && ` ${best.what}: ${money(best.expectedLoss)}.`}
    </p>
  );
}

function useExposure(op: Operation, context: OperationContext, evaluation: Evaluation): Exposure | null {
  return useMemo(() => {
    try {
      return exposureOf(op, context, evaluation);
    } catch {
      // A slower cut that pins forbid leaves nothing to compare.
      return null;
    }
  }, [op, context, evaluation]);
}

/** When to change the edge: how long it lasts in features, what each change point costs, what a stretch alone risks. */
export default function EdgePanel({
  op,
  context,
  evaluation,
  readOnly,
  onChange,
}: Pick<PanelProps, 'op' | 'context' | 'evaluation' | 'readOnly' | 'onChange'>) {
  const plan = useMemo(() => edgePlan(op, context, evaluation), [op, context, evaluation]);
  const exposure = useExposure(op, context, evaluation);
  const curves = useMemo(() => (plan ? curvesOf(plan) : []), [plan]);
  const one = isHole(op) ? 'hole' : 'feature';
  if (!plan)
    return <p className="text-soft">Wear does not end an edge here, or no life is known: nothing to plan.</p>;
  const { stated } = plan;
  const text = `Changed after ${counted(stated.features, one)}, ${failEarlier(stated.failsEarlier)}.`;
  return (
    <div className="flex h-full min-h-0 flex-col gap-1.5">
      <p className="text-[13px]">
        {text} The batch takes about {Math.ceil(plan.edgesForBatch)} edges
        {plan.shelf === null
          ? ''
          : plan.shelfEndsOnPart === null
            ? `; ${plan.shelf} in stock are enough`
            : `; ${plan.shelf} in stock run out on part ${plan.shelfEndsOnPart}`}
        . Eight hours of it alone take {plan.toolsPerShift}{' '}
        {plan.toolsPerShift === 1 ? 'tool' : 'sister tools'} in the magazine.
      </p>
      <Choices plan={plan} op={op} readOnly={readOnly} onChange={onChange} />
      {exposure && <ExposureLine exposure={exposure} op={op} />}
      <RestsOn evaluation={evaluation} />
      <div className="relative min-h-36 flex-1">
        <Plot
          text={text}
          curves={curves}
          x={`${one}s on one edge`}
          y="still good, %"
          yRange={[0, 100]}
          right="cost per feature"
        />
      </div>
    </div>
  );
}
