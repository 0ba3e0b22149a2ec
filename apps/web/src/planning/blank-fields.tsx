import { type JobPlan, SIDES, type Unit } from '@burl/core';
import { Num } from '../ui/form-parts.tsx';

const PART = [
  ['lengthMm', 'Length'],
  ['widthMm', 'Width'],
  ['heightMm', 'Height'],
] as const;

const SIDE_WORD = {
  top: 'Top',
  bottom: 'Bottom',
  left: 'Left',
  right: 'Right',
  front: 'Front',
  back: 'Back',
} as const;

/** Size of the part and what stands on each side of it in the blank. */
export function BlankFields({
  plan,
  readOnly,
  onChange,
}: {
  plan: JobPlan;
  readOnly: boolean;
  onChange: (change: Partial<JobPlan>) => void;
}) {
  const part = plan.part ?? { lengthMm: 0, widthMm: 0, heightMm: 0 };
  return (
    <>
      <fieldset>
        <legend className="mb-1 text-[13px] font-semibold">Finished part</legend>
        <div className="grid grid-cols-3 gap-2">
          {PART.map(([key, label]) => (
            <Num
              key={key}
              label={`Part ${label.toLowerCase()}`}
              value={part[key] || null}
              unit="mm"
              empty
              readOnly={readOnly}
              onTake={(v) => onChange({ part: { ...part, [key]: v ?? 0 } })}
            />
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="mb-1 text-[13px] font-semibold">Stock on each side of the blank</legend>
        <div className="grid grid-cols-3 gap-2">
          {SIDES.map((side) => (
            <Num
              key={side}
              label={SIDE_WORD[side]}
              value={plan.stock[side]}
              unit="mm"
              readOnly={readOnly}
              onTake={(v) => onChange({ stock: { ...plan.stock, [side]: v ?? 0 } })}
            />
          ))}
        </div>
      </fieldset>
    </>
  );
}

/** Blanks beyond the quantity. */
export function Spares({ plan, onChange }: { plan: JobPlan; onChange: (change: Partial<JobPlan>) => void }) {
  return (
    <Num
      label="Spare blanks"
      value={plan.spares}
      unit="pieces"
      readOnly={false}
      onTake={(v) => onChange({ spares: Math.max(0, Math.round(v ?? 0)) })}
    />
  );
}

/** Tolerance and finish that govern, and what a blank costs; three fields wherever they stand. */
export function BlankAsked({
  plan,
  onChange,
}: {
  plan: JobPlan;
  onChange: (change: Partial<JobPlan>) => void;
}) {
  const number = (key: 'toleranceMm' | 'raUm' | 'blankPrice', label: string, unit: Unit) => (
    <Num
      label={label}
      value={plan[key]}
      unit={unit}
      empty
      readOnly={false}
      onTake={(v) => onChange({ [key]: v })}
    />
  );
  return (
    <>
      {number('toleranceMm', 'Tolerance', 'mm-fine')}
      {number('raUm', 'Ra', 'um')}
      {number('blankPrice', 'Blank price', 'money')}
    </>
  );
}

/** A plan as it can be kept: a part of which a size is missing is not known. */
export const tidyPlan = (plan: JobPlan): JobPlan =>
  plan.part && plan.part.lengthMm > 0 && plan.part.widthMm > 0 && plan.part.heightMm > 0
    ? plan
    : { ...plan, part: null };
