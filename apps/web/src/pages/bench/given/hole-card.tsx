import { formatMeasure, hasThread, type HoleOperation } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { Card, type CardProps } from './card.tsx';
import { InLatheCard } from './in-lathe-card.tsx';
import { FeatureForm } from './given-forms.tsx';

/** The hole a step is part of. */
export function HoleCard(props: CardProps<HoleOperation>) {
  const { op, context, readOnly, onChange } = props;
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { hole } = op;
  const before = hole.startMm > 0 ? `, ${mm(hole.startMm)} pre-hole` : hole.piloted ? ', piloted' : '';
  return (
    <>
      <Card
        title="Hole"
        label={`${hasThread(op) ? op.thread.designation : `⌀ ${mm(hole.diameterMm)}`} × ${mm(hole.depthMm)}`}
        lines={[`${hole.through ? 'through' : 'blind'}${before}`, `${op.featuresPerPart} per part`]}
      >
        {() => <FeatureForm op={op} readOnly={readOnly} onChange={onChange} context={context} />}
      </Card>
      <InLatheCard {...props} />
    </>
  );
}
