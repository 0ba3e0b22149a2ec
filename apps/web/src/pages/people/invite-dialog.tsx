import { type Invitation, type InvitationInput, invitationSchema, ROLES } from '@burl/contract';
import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { call, messageOf } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import { ROLE_WORDS } from '../../ui/role-words.ts';
import { TextField } from '../../ui/text-field.tsx';

/** Somebody new: name, address, role. */
export function InviteDialog({
  onClose,
  onInvited,
}: {
  onClose: () => void;
  onInvited: (invitation: Invitation) => void;
}) {
  const [failed, setFailed] = useState<string | null>(null);
  const form = useForm<InvitationInput>({
    resolver: yupResolver(invitationSchema),
    defaultValues: { name: '', email: '', role: 'engineer' },
  });
  const { errors, isSubmitting } = form.formState;

  async function invite(fields: InvitationInput): Promise<void> {
    setFailed(null);
    try {
      onInvited(await call('POST', '/api/people', {}, fields));
    } catch (error) {
      setFailed(messageOf(error));
    }
  }

  return (
    <SheetDialog open onClose={onClose} title="Invite a person">
      <form noValidate onSubmit={(e) => void form.handleSubmit(invite)(e)} className="space-y-3">
        <TextField
          label="Name"
          error={errors.name && 'As it stands on sheets and in the trail'}
          field={form.register('name')}
          autoComplete="off"
        />
        <TextField
          label="Address"
          error={errors.email && 'An email address; it is what they sign in with'}
          field={form.register('email')}
          type="email"
          autoComplete="off"
        />
        <Field label="Role">
          {(p) => (
            <select {...p} {...form.register('role')} className={FIELD_LOOK}>
              {ROLES.map((r) => (
                <option key={r} value={r}>
                  {r}: {ROLE_WORDS[r]}
                </option>
              ))}
            </select>
          )}
        </Field>
        <FormError message={failed} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" look="main" disabled={isSubmitting}>
            Make link
          </Button>
        </div>
      </form>
    </SheetDialog>
  );
}
