import { signInSchema, type SignIn as Fields } from '@burl/contract';
import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { mutate } from 'swr';
import { call, messageOf } from '../../api/client.ts';
import type { SessionInfo } from '@burl/contract';
import { Button } from '../../ui/button.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { ROLE_WORDS } from '../../ui/role-words.ts';
import { TextField } from '../../ui/text-field.tsx';

const DEMO_PASSWORD = 'burl-demo-2026';

export function SignIn({ demo }: { demo: SessionInfo['demo'] }) {
  const [failed, setFailed] = useState<string | null>(null);
  const form = useForm<Fields>({
    resolver: yupResolver(signInSchema),
    defaultValues: { email: '', password: '' },
  });
  const { errors, isSubmitting } = form.formState;

  async function signIn(fields: Fields): Promise<void> {
    setFailed(null);
    try {
      await call('POST', '/api/session', {}, fields);
      await mutate(() => true, undefined, { revalidate: true });
    } catch (error) {
      setFailed(messageOf(error));
    }
  }

  return (
    <main className="grid min-h-full place-items-center p-6">
      <div className="w-full max-w-md">
        <div className="mb-5 flex items-center gap-3">
          <img src="/mark.svg" alt="" width={44} height={44} />
          <div>
            <h1 className="text-2xl">Burl</h1>
            <p className="text-soft">Speeds, feeds and limits for difficult alloys, with the reasons.</p>
          </div>
        </div>
        <form
          noValidate
          onSubmit={(e) => void form.handleSubmit(signIn)(e)}
          className="space-y-3 rounded-xl border border-line bg-card p-5"
        >
          <TextField
            label="Address"
            error={errors.email?.message}
            field={form.register('email')}
            type="email"
            autoComplete="username"
          />
          <TextField
            label="Password"
            error={errors.password?.message}
            field={form.register('password')}
            type="password"
            autoComplete="current-password"
          />
          <FormError message={failed} />
          <Button type="submit" look="main" className="w-full" disabled={isSubmitting}>
            Sign in
          </Button>
          <p className="text-[12.5px] text-soft">Password lost? An administrator makes you a link.</p>
        </form>
        {demo.length > 0 && (
          <section aria-label="Demo accounts" className="mt-4 rounded-xl border border-line bg-card p-4">
            <h2 className="mb-2">Demo accounts</h2>
            <ul className="space-y-2">
              {demo.map((d) => (
                <li key={d.email} className="flex items-center justify-between gap-3">
                  <span>
                    <span className="font-semibold">{d.name}</span>{' '}
                    <span className="text-soft">{ROLE_WORDS[d.role]}</span>
                  </span>
                  <Button onClick={() => void signIn({ email: d.email, password: DEMO_PASSWORD })}>
                    As {d.role}
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </main>
  );
}
