import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

const SIZES = { usual: 'max-w-lg', wide: 'max-w-3xl', widest: 'max-w-6xl' } as const;

/** A dialog in the middle of the page; Escape and the cross close it, focus goes back where it was. */
export function SheetDialog({
  open,
  onClose,
  title,
  description,
  size = 'usual',
  children,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  description?: string;
  size?: keyof typeof SIZES;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          {...(description ? {} : { 'aria-describedby': undefined })}
          className={`fixed top-1/2 left-1/2 z-50 max-h-[88vh] w-[92vw] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-xl border border-line bg-card p-5 text-ink shadow-2xl ${SIZES[size]}`}
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <Dialog.Title className="text-lg font-semibold">{title}</Dialog.Title>
            <Dialog.Close aria-label="Close" className="rounded p-1 hover:bg-accent-soft">
              <X size={18} aria-hidden="true" />
            </Dialog.Close>
          </div>
          {description && <Dialog.Description className="mb-3 text-soft">{description}</Dialog.Description>}
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
