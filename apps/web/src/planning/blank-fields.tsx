import { type JobPlan, SIDES } from '@burl/core';
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

/** A plan as it can be kept: a part of which a size is missing is not known. */
export const tidyPlan = (plan: JobPlan): JobPlan =>
  plan.part && plan.part.lengthMm > 0 && plan.part.widthMm > 0 && plan.part.heightMm > 0
    ? plan
    : { ...plan, part: null };
