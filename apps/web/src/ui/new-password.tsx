import { LEAST_PASSWORD, newPassword } from '@burl/contract';
import type { FieldErrors, UseFormRegister } from 'react-hook-form';
import * as yup from 'yup';
import { ApiError, messageOf } from '../api/client.ts';
import { TextField } from './text-field.tsx';

export interface NewPassword {
  password: string;
  again: string;
}

/** A password and the same once more; the rules are those of the server. */
export const newPasswordFields = {
  password: newPassword().label('password'),
  again: yup
    .string()
    .required('Type it once more')
    .oneOf([yup.ref('password')], 'The two differ'),
};

/** Why a password was not taken, without showing it again. */
export function passwordMessage(error: unknown): string {
  const problem = error instanceof ApiError && error.problems.find((p) => p.field === 'password');
  return problem ? `Choose another: ${problem.allowed}.` : messageOf(error);
}

/** Two fields of a form that sets a password. */
export function NewPasswordFields({
  register,
  errors,
}: {
  register: UseFormRegister<NewPassword>;
  errors: FieldErrors<NewPassword>;
}) {
  return (
    <>
      <TextField
        label="New password"
        error={errors.password?.message}
        hint={`${LEAST_PASSWORD} characters or more; four unrelated words do well.`}
        field={register('password')}
        type="password"
        autoComplete="new-password"
      />
      <TextField
        label="The same once more"
        error={errors.again?.message}
        field={register('again')}
        type="password"
        autoComplete="new-password"
      />
    </>
  );
}
