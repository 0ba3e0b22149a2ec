import type { InputHTMLAttributes } from 'react';
import type { UseFormRegisterReturn } from 'react-hook-form';
import { Field, FIELD_LOOK } from './field.tsx';

/** A field of a form that is typed into, with what is wrong about it below. */
export function TextField({
  label,
  error,
  hint,
  field,
  ...input
}: {
  label: string;
  error?: string | undefined;
  hint?: string;
  /** What the form registers it as. */
  field: UseFormRegisterReturn;
} & Pick<InputHTMLAttributes<HTMLInputElement>, 'type' | 'autoComplete' | 'min'>) {
  return (
    <Field label={label} error={error} {...(hint === undefined ? {} : { hint })}>
      {(p) => <input {...p} {...field} {...input} className={FIELD_LOOK} />}
    </Field>
  );
}
