import { type Machine, powerAt, torqueAt, toShown, UNITS } from '@burl/core';
import { useMemo } from 'react';
import { type Curve, Plot } from '../../../charts/plot.tsx';
import { useSystem } from '../../../frame/preferences.tsx';

const SAMPLES = 120;

/** Power and torque of a spindle over its speed, as they are typed. */
export function MachineCurve({ machine }: { machine: Machine }) {
  const system = useSystem();
  const { max_rpm: most, power_torque } = machine;
  const curves = useMemo((): readonly Curve[] => {
    const points = power_torque?.s1 ?? [];
    if (!(most > 0) || points.length < 2 || points.some((p) => !(p.rpm > 0) || !(p.kw > 0))) return [];
    const rpm = Array.from({ length: SAMPLES }, (_, i) => (most * (i + 1)) / SAMPLES);
    const line = (rating: 's1' | 's6_40', label: string, dash?: readonly number[]): Curve => ({
      label: `${label}, ${UNITS.kW[system].label}`,
      points: rpm.map((x) => ({ x, y: toShown(powerAt(power_torque[rating], x), 'kW', system) })),
      colour: 'accent',
      ...(dash ? { dash } : {}),
    });
    return [
      line('s1', 'power, continuous'),
      ...(power_torque.s6_40?.length >= 2 ? [line('s6_40', 'power, 4 of 10 min', [4, 4])] : []),
      {
        label: `torque, continuous, ${UNITS.Nm[system].label}`,
        points: rpm.map((x) => ({ x, y: toShown(torqueAt(power_torque.s1, x), 'Nm', system) })),
        colour: 'tight',
        dash: [6, 4],
        right: true,
      },
    ];
  }, [most, power_torque, system]);
  if (curves.length === 0)
    return <p className="text-[13px] text-soft">Highest speed and two points of the curve draw it.</p>;
  return (
    <div className="h-56">
      <Plot
        text="Power and torque of the spindle over its speed"
        curves={curves}
        x="speed, rpm"
        y={UNITS.kW[system].label}
        right={UNITS.Nm[system].label}
        xRange={[0, most]}
        yMost={0}
      />
    </div>
  );
}
