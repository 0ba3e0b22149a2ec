import { type ReactNode, useId } from 'react';

export const FIELD_LOOK =
  'w-full min-h-9 rounded-md border border-field bg-raised px-2 py-1 text-ink aria-[invalid=true]:border-over disabled:bg-paper disabled:text-soft [&[readonly]]:bg-paper [&[readonly]]:text-soft';

/** A labelled field with its error below, tied together for assistive technology. */
export function Field({
  label,
  error,
  hint,
  unit,
  children,
}: {
  label: string;
  /** Said behind the label; a degree or a plain number needs none. */
  unit?: string;
  error?: string | undefined;
  hint?: string;
  children: (props: {
    id: string;
    'aria-invalid': boolean;
    'aria-describedby': string | undefined;
  }) => ReactNode;
}) {
  const id = useId();
  const note = error ?? hint;
  return (
    <div>
      <label
        htmlFor={id}
        data-unit={unit ? `, ${unit}` : undefined}
        className="mb-0.5 block text-[13px] font-semibold after:font-normal after:text-soft after:content-[attr(data-unit)]"
      >
        {label}
      </label>
      {children({ id, 'aria-invalid': Boolean(error), 'aria-describedby': note ? `${id}-note` : undefined })}
      {note && (
        <p
          id={`${id}-note`}
          className={`mt-0.5 text-[12.5px] ${error ? 'text-over' : 'text-soft'}`}
          role={error ? 'alert' : undefined}
        >
          {note}
        </p>
      )}
    </div>
  );
}
