import { type ComponentProps, type ReactNode, useState } from 'react';
import { messageOf } from '../api/client.ts';
import { Button } from './button.tsx';
import { FormError } from './form-error.tsx';
import { SheetDialog } from './sheet-dialog.tsx';

/**
 * A dialog with a form that is kept as a whole: it closes when what was done succeeded, and stays with what the server said when not.
 * `aside` gets the same treatment for another deed of the same form.
 */
export function FormDialog({
  save,
  does,
  aside,
  onClose,
  children,
  ...dialog
}: Pick<ComponentProps<typeof SheetDialog>, 'title' | 'description' | 'size'> & {
  save: () => Promise<unknown>;
  /** Word of the button that keeps it. */
  does: string;
  aside?: (run: (work: () => Promise<unknown>) => void) => ReactNode;
  onClose: () => void;
  children: ReactNode;
}) {
  const [failed, setFailed] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  async function run(work: () => Promise<unknown>): Promise<void> {
    setFailed(null);
    setBusy(true);
    try {
      await work();
      onClose();
    } catch (error) {
      setFailed(messageOf(error));
      setBusy(false);
    }
  }
  return (
    <SheetDialog open onClose={onClose} {...dialog}>
      <form
        noValidate
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          void run(save);
        }}
      >
        {children}
        <FormError message={failed} />
        <div className="flex justify-end gap-2">
          {aside?.((work) => void run(work))}
          <span className="flex-1" />
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" look="main" disabled={busy}>
            {busy ? 'Working' : does}
          </Button>
        </div>
      </form>
    </SheetDialog>
  );
}
