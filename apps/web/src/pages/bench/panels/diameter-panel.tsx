import {
  formatMeasure,
  groovingState,
  type GroovingOperation,
  spindleAt,
  surfaceSpeedAt,
  toShown,
  turningState,
  type TurningOperation,
  UNITS,
} from '@burl/core';
import { useMemo } from 'react';
import { type Curve, Plot } from '../../../charts/plot.tsx';
import { useSystem } from '../../../frame/preferences.tsx';
import type { PanelProps } from './panel-props.ts';

const SAMPLES = 120;

/** Spindle and surface speed from the largest diameter to the smallest: where the cap bites, the surface speed falls. */
export default function DiameterPanel({ op, context }: PanelProps<TurningOperation | GroovingOperation>) {
  const system = useSystem();
  const state = useMemo(
    () => (op.kind === 'turning' ? turningState(op, context) : groovingState(op, context)),
    [op, context],
  );
  const { set, capAtMm } = state;
  const large = state.diameterInCutMm;
  const mm = (v: number): number => toShown(v, 'mm', system);
  const curves: Curve[] = useMemo(() => {
    const at = Array.from({ length: SAMPLES }, (_, i) => (large * (i + 1)) / SAMPLES);
    return [
      {
        label: 'spindle speed',
        points: at.map((d) => ({ x: toShown(d, 'mm', system), y: spindleAt(set, d) })),
        colour: 'accent',
      },
      {
        label: `surface speed, ${UNITS['m/min'][system].label}`,
        points: at.map((d) => ({
          x: toShown(d, 'mm', system),
          y: toShown(surfaceSpeedAt(set, d), 'm/min', system),
        })),
        colour: 'tight',
        dash: [6, 4],
        right: true,
      },
    ];
  }, [set, large, system]);
  const smallest = state.smallestMm;
  const said =
    capAtMm === null
      ? `In this cut the spindle runs ${formatMeasure(state.speedRpm, 'rpm', system)} to ${formatMeasure(state.fastestRpm, 'rpm', system)}; the cap of ${formatMeasure(set.capRpm, 'rpm', system)} ${state.fastestRpm < set.capRpm - 0.5 ? 'is not reached' : 'holds throughout'}.`
      : `From ${formatMeasure(capAtMm, 'mm', system)} down the cap of ${formatMeasure(set.capRpm, 'rpm', system)} holds; at ${formatMeasure(smallest, 'mm', system)} the surface speed is ${formatMeasure(surfaceSpeedAt(set, smallest), 'm/min', system)}.`;
  return (
    <section aria-label="Speed against diameter" className="flex h-full min-h-0 flex-col gap-1">
      <div className="relative min-h-36 flex-1">
        <Plot
          text={`Speed against diameter. ${said}`}
          curves={curves}
          x={`diameter, ${UNITS.mm[system].label}`}
          y="rpm"
          right={UNITS['m/min'][system].label}
          xRange={[0, mm(large)]}
        />
      </div>
      <p className="shrink-0 text-[13px]">{said}</p>
    </section>
  );
}
