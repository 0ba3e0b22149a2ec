import {
  type Clash,
  type Crib,
  type CribDocuments,
  type CribEntry,
  type CribKind,
  fieldAt,
  fieldLabel,
  mergeEdits,
  withValueAt,
} from '@burl/contract';
import type { ToolMaterials } from '@burl/core';
import { type ReactNode, useMemo, useState } from 'react';
import { toast } from 'sonner';
import { ApiError, call, messageOf } from '../../api/client.ts';
import { useEntryHistory } from '../../api/hooks.ts';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import { EntryDrawing, EntryForm } from './form/entry-form.tsx';
import { problemsOf } from './form/problems.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { History } from './record/history.tsx';
import { Record } from './record/record.tsx';
import { valueText } from './record/value.tsx';
import { putEntry, readAgain } from './save-entry.ts';
import { ShelfCard } from './shelf-card.tsx';

type Document = CribDocuments[CribKind];

const ORIGINS = { 'built-in': 'Built-in', shop: 'Shop' } as const;

/** Both versions of each value two people changed; one is chosen. */
function Clashes({
  kind,
  materials,
  clashes,
  onChoose,
}: {
  kind: CribKind;
  materials: ToolMaterials;
  clashes: readonly Clash[];
  onChoose: (path: string, value: unknown) => void;
}) {
  const system = useSystem();
  const text = (path: string, v: unknown): string =>
    valueText(v, path, fieldAt(kind, path), { system, materials });
  return (
    <section role="alert" className="mb-3 rounded-md border border-tight bg-paper p-2">
      <p className="mb-1 font-semibold">Somebody saved other values meanwhile. Which are to stand?</p>
      <ul className="space-y-1">
        {clashes.map(({ path, mine, theirs }) => (
          <li key={path} className="flex flex-wrap items-center gap-2">
            <span className="font-semibold">{fieldLabel(kind, path)}</span>
            <Button onClick={() => onChoose(path, mine)}>Mine: {text(path, mine)}</Button>
            <Button onClick={() => onChoose(path, theirs)}>Theirs: {text(path, theirs)}</Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The form of an entry being changed. */
function Editing({
  entry,
  kind,
  crib,
  onDone,
}: {
  entry: CribEntry;
  kind: CribKind;
  crib: Crib;
  onDone: () => void;
}) {
  /** What the changes are against: what somebody else saved comes in by it. */
  const [base, setBase] = useState<CribEntry>(entry);
  const [document, setDocument] = useState<Document>(entry.document);
  const [clashes, setClashes] = useState<readonly Clash[]>([]);
  const [reason, setReason] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  const problems = useMemo(() => problemsOf(kind, document), [kind, document]);

  async function save(): Promise<void> {
    setFailed(null);
    try {
      await putEntry(kind, base, document, reason);
      await readAgain(kind, entry.id);
      toast.success('Saved. Operations that use it are recalculated.');
      onDone();
    } catch (error) {
      if (!(error instanceof ApiError) || error.status !== 409) return setFailed(messageOf(error));
      const current = error.current as CribEntry;
      const { merged, clashes: both } = mergeEdits(base.document, document, current.document);
      setBase(current);
      setDocument(merged);
      setClashes(both);
      setFailed(
        both.length > 0
          ? null
          : 'Somebody saved other values meanwhile; they are put together with yours below. Save again to keep both.',
      );
    }
  }
  const wrong = problems.size > 0;
  return (
    <>
      {clashes.length > 0 && (
        <Clashes
          kind={kind}
          materials={crib.materials}
          clashes={clashes}
          onChoose={(path, value) => {
            setDocument(withValueAt(document, path, value));
            setClashes(clashes.filter((c) => c.path !== path));
          }}
        />
      )}
      {failed && (
        <p role="alert" className="mb-2 text-over">
          {failed}
        </p>
      )}
      <EntryForm
        kind={kind}
        document={document}
        problems={problems}
        materials={crib.materials}
        onSet={setDocument}
      />
      <div className="sticky bottom-[-20px] mt-3 flex flex-wrap items-end justify-end gap-2 border-t border-line bg-card py-2">
        <div className="min-w-60 flex-1">
          <Field label="Why (kept with the change)">
            {(p) => (
              <input
                {...p}
                value={reason}
                maxLength={500}
                placeholder="measured, drawing, supplier’s word"
                onChange={(e) => setReason(e.target.value)}
                className={FIELD_LOOK}
              />
            )}
          </Field>
        </div>
        {wrong && <span className="text-[13px] text-over">{problems.size} to mend</span>}
        <Button onClick={onDone}>Cancel</Button>
        <Button look="main" disabled={wrong || clashes.length > 0} onClick={() => void save()}>
          Save
        </Button>
      </div>
    </>
  );
}

/** One entry whole: its drawing, values with where they come from, shelf and history; a shop’s own is changed in a form. */
export function EntryDialog({
  entry,
  kind,
  crib,
  edit,
  onCopy,
  onClose,
}: {
  entry: CribEntry;
  kind: CribKind;
  crib: Crib;
  edit: boolean;
  onCopy: () => void;
  onClose: () => void;
}): ReactNode {
  const [editing, setEditing] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const { data: deeds = [] } = useEntryHistory(kind, entry.id);
  const own = entry.origin === 'shop';

  async function tell(work: () => Promise<unknown>): Promise<boolean> {
    setFailed(null);
    try {
      await work();
      await readAgain(kind, entry.id);
      return true;
    } catch (error) {
      setFailed(messageOf(error));
      return false;
    }
  }
  const remove = () => tell(() => call('DELETE', '/api/crib/:kind/:entry', { kind, entry: entry.id }));
  const retire = (retired: boolean) =>
    tell(() =>
      call(
        'PUT',
        '/api/crib/:kind/:entry/retired',
        { kind, entry: entry.id },
        { version: entry.version, retired },
      ),
    );
  const from = entry.copiedFrom ? `, copied from ${entry.copiedFrom}` : '';
  return (
    <SheetDialog
      open
      onClose={onClose}
      title={entry.document.name}
      description={`${ORIGINS[entry.origin]}${from}${entry.retired ? '; retired: not offered any more' : ''}; id ${entry.id}`}
      size={editing ? 'widest' : 'wide'}
    >
      {edit && !editing && (
        <div className="mb-3 flex flex-wrap gap-2">
          <Button onClick={onCopy}>Copy to shop crib</Button>
          {own && <Button onClick={() => setEditing(true)}>Edit</Button>}
          <Button onClick={() => void retire(!entry.retired)}>
            {entry.retired ? 'Bring back' : 'Retire'}
          </Button>
          {own && (
            <Button look="danger" onClick={() => void remove().then((gone) => gone && onClose())}>
              Remove
            </Button>
          )}
        </div>
      )}
      {failed && (
        <p role="alert" className="mb-3 text-over">
          {failed}
        </p>
      )}
      {editing ? (
        <Editing entry={entry} kind={kind} crib={crib} onDone={() => setEditing(false)} />
      ) : (
        <>
          {kind === 'cutters' && (
            <ShelfCard
              cutterId={entry.id}
              stock={crib.stock.find((s) => s.cutterId === entry.id)}
              edit={edit}
            />
          )}
          {kind !== 'alloys' && (
            <div className="mx-auto mb-3 max-w-xl">
              <EntryDrawing kind={kind} document={entry.document} />
            </div>
          )}
          <Record entry={entry} kind={kind} materials={crib.materials} deeds={deeds} />
          <h3 className="mt-4 mb-1 font-semibold">Changes</h3>
          <History kind={kind} materials={crib.materials} deeds={deeds} />
        </>
      )}
    </SheetDialog>
  );
}
