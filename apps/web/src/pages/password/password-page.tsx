import { yupResolver } from '@hookform/resolvers/yup';
import { useEffect, useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import * as yup from 'yup';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { FormError } from '../../ui/form-error.tsx';
import {
  type NewPassword,
  NewPasswordFields,
  newPasswordFields,
  passwordMessage,
} from '../../ui/new-password.tsx';

const schema = yup.object(newPasswordFields).required();

/** Where a one-time link leads: the password is set, then one signs in with it. */
export default function PasswordPage() {
  const [token] = useState(() => location.hash.slice(1));
  // Taken out of the address, so that it stays in no history. Only once the page stands: React may throw a first drawing
  // away and draw anew, and the token of an address already emptied would be lost.
  useEffect(() => history.replaceState(history.state, '', location.pathname), []);
  const [failed, setFailed] = useState<string | null>(null);
  const [email, setEmail] = useState<string | null>(null);
  const form = useForm<NewPassword>({
    resolver: yupResolver(schema),
    defaultValues: { password: '', again: '' },
  });

  async function set({ password }: NewPassword): Promise<void> {
    setFailed(null);
    try {
      const { person } = await call('POST', '/api/password-links', {}, { token, password });
      setEmail(person.email);
    } catch (error) {
      setFailed(passwordMessage(error));
    }
  }

  return (
    <main className="grid min-h-full place-items-center p-6">
      <div className="w-full max-w-md">
        <div className="mb-5 flex items-center gap-3">
          <img src="/mark.svg" alt="" width={44} height={44} />
          <h1 className="text-2xl">Set a password</h1>
        </div>
        <div className="space-y-3 rounded-xl border border-line bg-card p-5">
          {email !== null ? (
            <p role="status">
              The password of <span className="font-semibold">{email}</span> is set.{' '}
              <Link to="/" className="font-semibold text-accent underline">
                Sign in
              </Link>
            </p>
          ) : token === '' ? (
            <p>
              This address is not whole: the part behind # is missing. Open the link as it was given, or ask
              an administrator for another.
            </p>
          ) : (
            <form noValidate onSubmit={(e) => void form.handleSubmit(set)(e)} className="space-y-3">
              <NewPasswordFields register={form.register} errors={form.formState.errors} />
              <FormError message={failed} />
              <Button type="submit" look="main" className="w-full" disabled={form.formState.isSubmitting}>
                Set password
              </Button>
            </form>
          )}
        </div>
      </div>
    </main>
  );
}
