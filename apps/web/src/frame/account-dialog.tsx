import type { Person } from '@burl/contract';
import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { type UseFormRegister, useForm } from 'react-hook-form';
import { toast } from 'sonner';
import * as yup from 'yup';
import { call } from '../api/client.ts';
import { Button } from '../ui/button.tsx';
import { FormError } from '../ui/form-error.tsx';
import {
  type NewPassword,
  NewPasswordFields,
  newPasswordFields,
  passwordMessage,
} from '../ui/new-password.tsx';
import { SheetDialog } from '../ui/sheet-dialog.tsx';
import { TextField } from '../ui/text-field.tsx';

interface Fields extends NewPassword {
  current: string;
}
const schema = yup
  .object({ current: yup.string().required('The password you sign in with now'), ...newPasswordFields })
  .required();

/** Who one is here, and another password. */
export function AccountDialog({ person, onClose }: { person: Person; onClose: () => void }) {
  const [failed, setFailed] = useState<string | null>(null);
  const form = useForm<Fields>({
    resolver: yupResolver(schema),
    defaultValues: { current: '', password: '', again: '' },
  });
  const { errors, isSubmitting } = form.formState;

  async function change({ current, password }: Fields): Promise<void> {
    setFailed(null);
    try {
      await call('PUT', '/api/session/password', {}, { current, password });
      toast.success('The password is changed. You are signed out everywhere else.');
      onClose();
    } catch (error) {
      setFailed(passwordMessage(error));
    }
  }

  return (
    <SheetDialog open onClose={onClose} title="Your account">
      <p className="mb-4">
        <span className="font-semibold">{person.name}</span>, {person.role}
        <span className="block text-soft">{person.email}</span>
      </p>
      <form noValidate onSubmit={(e) => void form.handleSubmit(change)(e)} className="space-y-3">
        <h2>Change password</h2>
        <TextField
          label="Present password"
          error={errors.current?.message}
          field={form.register('current')}
          type="password"
          autoComplete="current-password"
        />
        <NewPasswordFields
          register={form.register as unknown as UseFormRegister<NewPassword>}
          errors={errors}
        />
        <FormError message={failed} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" look="main" disabled={isSubmitting}>
            Change password
          </Button>
        </div>
      </form>
    </SheetDialog>
  );
}
