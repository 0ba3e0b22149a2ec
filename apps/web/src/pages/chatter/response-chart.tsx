import { receptanceAt, type System, type TipMode, toShown, UNITS } from '@burl/core';
import type { StoredResponse } from '@burl/contract';
import { useMemo } from 'react';
import { useSystem } from '../../frame/preferences.tsx';
import { type Curve, Plot } from '../../charts/plot.tsx';

export const PARTS = ['magnitude', 'phase', 'real', 'imaginary'] as const;
export type Part = (typeof PARTS)[number];

const DEG = 180 / Math.PI;
const MOST_POINTS = 900;

/** Shown compliance of one metre per newton: micrometres per newton, or thousandths of an inch per pound. */
const compliance = (system: System): number => (1e6 * toShown(1, 'um', system)) / toShown(1, 'N', system);

const read = (part: Part, re: number, im: number, system: System): number =>
  part === 'magnitude'
    ? Math.hypot(re, im) * compliance(system)
    : part === 'phase'
      ? Math.atan2(im, re) * DEG
      : (part === 'real' ? re : im) * compliance(system);

/** A measured response and what its modes make of it. */
export function ResponseChart({
  axis,
  part,
  receptance,
  modes,
  toHz,
}: {
  axis: 'x' | 'y';
  part: Part;
  receptance: StoredResponse | null;
  modes: readonly TipMode[];
  toHz: number;
}) {
  const system = useSystem();
  const curves = useMemo(() => {
    const list: Curve[] = [];
    if (receptance) {
      const last = receptance.hz.findIndex((f) => f > toHz);
      const count = last < 0 ? receptance.hz.length : last;
      const every = Math.max(1, Math.ceil(count / MOST_POINTS));
      const points: { x: number; y: number }[] = [];
      for (let i = 0; i < count; i += every) {
        points.push({ x: receptance.hz[i]!, y: read(part, receptance.re[i]!, receptance.im[i]!, system) });
      }
      list.push({ label: 'measured', points, colour: 'series-2', width: 1.5 });
    }
    const points = Array.from({ length: 500 }, (_, i) => {
      const hz = 50 + ((toHz - 50) * i) / 499;
      const g = receptanceAt(modes, hz);
      return { x: hz, y: read(part, g.re, g.im, system) };
    });
    list.push({
      label: receptance ? 'modes fitted' : 'modes',
      points,
      colour: 'series-1',
      dash: receptance ? [6, 4] : [],
    });
    return list;
  }, [receptance, modes, part, toHz, system]);
  const softest = modes.reduce<TipMode | null>(
    (a, m) => (!a || m.stiffness * m.damping < a.stiffness * a.damping ? m : a),
    null,
  );
  return (
    <Plot
      text={`Tool-tip FRF along ${axis}, ${part}. ${modes.length} modes${softest ? `; the softest at ${softest.hz.toFixed(0)} Hz` : ''}.`}
      curves={curves}
      x="frequency, Hz"
      y={part === 'phase' ? 'phase, degrees' : `${part}, ${UNITS.um[system].label}/${UNITS.N[system].label}`}
      log={part === 'magnitude'}
      xRange={[0, toHz]}
    />
  );
}
