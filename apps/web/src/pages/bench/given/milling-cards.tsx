import {
  isSurface,
  formatMeasure,
  type MillingFeature,
  type MillingOperation,
  strategyName,
  heldOf,
  perHourOf,
  capital,
} from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { Card, type CardProps } from './card.tsx';
import { InLatheCard } from './in-lathe-card.tsx';
import { FINISHED_NAMES } from './finishing-fields.tsx';
import { UNDERCUT_NAMES } from './undercut-fields.tsx';
import { FeatureForm, HoldingForm } from './given-forms.tsx';
import { CostForm, PathForm } from './path-form.tsx';

/** What the card calls it. */
function featureName({ kind, undercut, finishing }: MillingFeature): string {
  if (undercut) return UNDERCUT_NAMES[undercut.form];
  return finishing ? `finish ${FINISHED_NAMES[finishing.face]}` : kind;
}

/** Feature, path, holding and cost of a milling cut. */
export function MillingCards(props: CardProps<MillingOperation>) {
  const { op, context, readOnly, onChange } = props;
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { feature, path, economics } = op;
  const held = heldOf(op, context);
  const perHour =
    economics.machinePerHour ?? (context.rates ? perHourOf(context.rates, context.machine.id) : null);
  const form = { op, readOnly, onChange };
  return (
    <>
      <Card
        title="Feature"
        label={`${capital(featureName(feature))} ${mm(feature.lengthMm)} × ${mm(feature.widthMm)} × ${mm(feature.depthMm)}`}
        lines={[
          isSurface(op)
            ? `slope ${formatMeasure(feature.slopeDeg, 'deg', system)}, tilt ${formatMeasure(feature.finishing?.surface?.tiltDeg ?? 0, 'deg', system)}`
            : feature.cornerRadiusMm === null
              ? 'no inside corners'
              : `corners ${mm(feature.cornerRadiusMm)}`,
          feature.allowanceMm > 0
            ? `${mm(feature.allowanceMm)} left on the wall`
            : `finishes within ${mm(feature.wallToleranceMm)}`,
        ]}
      >
        {() => <FeatureForm {...form} context={context} />}
      </Card>
      <InLatheCard {...props} />
      <Card
        title="Path"
        label={strategyName[path.strategy]}
        lines={[
          `entry: ${path.entry.method}`,
          path.cornerPathRadiusMm === null
            ? 'corners of the strategy'
            : `corners on ${mm(path.cornerPathRadiusMm)}`,
        ]}
      >
        {() => <PathForm {...form} />}
      </Card>
      <Card
        title="Held by"
        label={capital(held.kind)}
        lines={[
          held.capacityN === null
            ? 'holding force not entered'
            : `${formatMeasure(held.capacityN, 'N', system)} holding force${held.bySetup ? ', by the setup' : ''}`,
        ]}
      >
        {() => <HoldingForm {...form} />}
      </Card>
      <Card
        title="Cost"
        label={
          perHour === null
            ? 'default rates'
            : `${formatMeasure(perHour, 'money', system)} per hour${economics.machinePerHour === null ? ', the shop’s' : ''}`
        }
        lines={[]}
      >
        {() => <CostForm {...form} />}
      </Card>
    </>
  );
}
