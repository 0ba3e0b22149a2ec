import type { Machine } from '@burl/core';
import { UNITS } from '@burl/core';
import { Plus, Trash2 } from 'lucide-react';
import { useSystem } from '../../../frame/preferences.tsx';
import { Button } from '../../../ui/button.tsx';
import { FIELD_LOOK } from '../../../ui/field.tsx';
import { NumberInput } from '../../../ui/number-input.tsx';

type Point = Machine['power_torque']['s1'][number];
const KW_RPM_PER_NM = 9549.3;
const torque = (kw: number, rpm: number): number => Number(((KW_RPM_PER_NM * kw) / rpm).toPrecision(4));

/** One rating of a spindle, point by point; torque follows from power and speed. */
export function CurveTable({
  title,
  points,
  onSet,
}: {
  title: string;
  points: readonly Point[];
  onSet: (points: readonly Point[]) => void;
}) {
  const system = useSystem();
  const change = (i: number, next: Partial<Point>): void =>
    onSet(
      points
        .map((p, j) => {
          if (j !== i) return p;
          const { rpm, kw } = { ...p, ...next };
          return { rpm, kw, nm: torque(kw, rpm) };
        })
        .sort((a, b) => a.rpm - b.rpm),
    );
  const add = (): void => {
    const last = points.at(-1) ?? { rpm: 500, kw: 1 };
    const rpm = Math.round(last.rpm * 1.5);
    onSet([...points, { rpm, kw: last.kw, nm: torque(last.kw, rpm) }]);
  };
  return (
    <fieldset>
      <legend className="mb-0.5 text-[13px] font-semibold">{title}</legend>
      <table className="w-full text-left text-[13px]">
        <thead>
          <tr>
            <th className="font-normal text-soft">rpm</th>
            <th className="font-normal text-soft">power, {UNITS.kW[system].label}</th>
            <th className="font-normal text-soft">torque, {UNITS.Nm[system].label}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {points.map((p, i) => (
            <tr key={i}>
              {(['rpm', 'kw', 'nm'] as const).map((key) => (
                <td key={key} className="pr-1">
                  <NumberInput
                    value={p[key]}
                    unit={key === 'rpm' ? 'rpm' : key === 'kw' ? 'kW' : 'Nm'}
                    aria-label={`${title}, point ${i + 1}, ${{ rpm: 'speed', kw: 'power', nm: 'torque' }[key]}`}
                    className={FIELD_LOOK}
                    onTake={(v) =>
                      v !== null &&
                      change(
                        i,
                        key === 'nm'
                          ? { kw: Number(((v * p.rpm) / KW_RPM_PER_NM).toPrecision(4)) }
                          : { [key]: v },
                      )
                    }
                  />
                </td>
              ))}
              <td>
                <Button
                  look="quiet"
                  aria-label={`Remove point ${i + 1} of ${title}`}
                  onClick={() => onSet(points.filter((_, j) => j !== i))}
                >
                  <Trash2 size={14} aria-hidden="true" />
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button look="quiet" onClick={add}>
        <Plus size={14} aria-hidden="true" /> Add point
      </Button>
    </fieldset>
  );
}
