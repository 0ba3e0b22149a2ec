import type { CribEntry, CribKind } from '@burl/contract';
import { type FormEvent, useState } from 'react';
import { mutate } from 'swr';
import { call, messageOf } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';

/** A built-in entry stays; the shop changes its copy. */
export function CopyDialog({
  entry,
  kind,
  onClose,
  onMade,
}: {
  entry: CribEntry;
  kind: CribKind;
  onClose: () => void;
  onMade: (id: string) => void;
}) {
  const [id, setId] = useState(`shop-${entry.id}`);
  const [name, setName] = useState(`${entry.document.name} (shop)`);
  const [failed, setFailed] = useState<string | null>(null);
  async function copy(event: FormEvent): Promise<void> {
    event.preventDefault();
    try {
      await call('POST', '/api/crib/:kind', { kind }, { copyOf: entry.id, id, name });
      await mutate('/api/crib');
      onMade(id);
    } catch (error) {
      setFailed(messageOf(error));
    }
  }
  return (
    <SheetDialog open onClose={onClose} title={`Copy ${entry.document.name}`}>
      <form onSubmit={(e) => void copy(e)} className="space-y-3">
        <Field label="Name">
          {(p) => (
            <input {...p} value={name} onChange={(e) => setName(e.target.value)} className={FIELD_LOOK} />
          )}
        </Field>
        <Field label="Id" hint="small letters, digits, dots and hyphens" error={failed ?? undefined}>
          {(p) => <input {...p} value={id} onChange={(e) => setId(e.target.value)} className={FIELD_LOOK} />}
        </Field>
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" look="main">
            Copy
          </Button>
        </div>
      </form>
    </SheetDialog>
  );
}
