import type { Invitation } from '@burl/contract';
import { format } from 'date-fns';
import { Copy } from 'lucide-react';
import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';

/** The one-time link, shown once: whoever has it sets the password. */
export function LinkDialog({ invitation, onClose }: { invitation: Invitation; onClose: () => void }) {
  const { person, link, expiresAt } = invitation;
  const address = `${location.origin}${link}`;
  const copy = (): void =>
    void navigator.clipboard.writeText(address).then(
      () => toast.success('The link is copied.'),
      () => toast.error('This browser does not let pages copy. Select the link and copy it.'),
    );
  return (
    <SheetDialog
      open
      onClose={onClose}
      title={`Link for ${person.name}`}
      description="It sets the password, once. Burl does not keep it: hand it over now, in person or by a way only they read."
    >
      <Field label="One-time link" hint={`Works until ${format(new Date(expiresAt), 'd MMM yyyy, HH:mm')}.`}>
        {(p) => (
          <input
            {...p}
            readOnly
            value={address}
            onFocus={(e) => e.target.select()}
            className={`${FIELD_LOOK} font-mono text-[13px]`}
          />
        )}
      </Field>
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={copy}>
          <Copy size={15} aria-hidden="true" /> Copy
        </Button>
        <Button look="main" onClick={onClose}>
          Done
        </Button>
      </div>
    </SheetDialog>
  );
}
