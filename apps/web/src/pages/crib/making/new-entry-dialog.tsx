import type { Crib, CribDocuments, CribKind } from '@burl/contract';
import type { Given } from '@burl/core';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { messageOf } from '../../../api/client.ts';
import { Button } from '../../../ui/button.tsx';
import { Choice } from '../../../ui/form-parts.tsx';
import { SheetDialog } from '../../../ui/sheet-dialog.tsx';
import { EntryForm } from '../form/entry-form.tsx';
import { problemsOf } from '../form/problems.ts';
import { SINGULAR } from '../kinds.ts';
import { keepNew } from '../save-entry.ts';
import { blankEntry, idFrom } from './blank.ts';
import { FAMILIES, type Family } from './family-fields.tsx';
import { FamilyForm } from './family-form.tsx';

type Document = CribDocuments[CribKind];

/** A new entry of the shop: from a family whose few numbers settle the rest, or from nothing. */
export function NewEntryDialog({
  kind,
  crib,
  onClose,
  onMade,
}: {
  kind: CribKind;
  crib: Crib;
  onClose: () => void;
  onMade: (id: string) => void;
}) {
  const families = FAMILIES[kind];
  const [familyId, setFamilyId] = useState<string>(families[0]?.id ?? 'scratch');
  const [given, setGiven] = useState<Given>({});
  const [name, setName] = useState<string | null>(null);
  const [whole, setWhole] = useState<Document | null>(families.length === 0 ? blankEntry(kind) : null);
  const [failed, setFailed] = useState<string | null>(null);
  const family: Family | undefined = families.find((f) => f.id === familyId);
  const made = useMemo(() => family?.make(given), [family, given]);
  const taken = useMemo(() => new Set(crib[kind].map((e) => e.id)), [crib, kind]);
  const drawn = whole ?? made?.document ?? null;
  const called = name ?? drawn?.name ?? '';
  const document = useMemo(
    () => drawn && ({ ...drawn, name: called, id: idFrom(called, taken) } as Document),
    [drawn, called, taken],
  );
  const problems = useMemo(
    () => (document ? problemsOf(kind, document) : new Map<string, string>()),
    [kind, document],
  );

  async function create(): Promise<void> {
    if (!document) return;
    try {
      const madeBy = family ? `from the family ${family.name.toLowerCase()}` : 'from scratch';
      const id = await keepNew(kind, document, madeBy);
      toast.success(`${document.name} is in the crib.`);
      onMade(id);
    } catch (error) {
      setFailed(messageOf(error));
    }
  }
  const choose = (id: string): void => {
    setFamilyId(id);
    setGiven({});
    setName(null);
    setWhole(id === 'scratch' ? blankEntry(kind) : null);
  };
  return (
    <SheetDialog open onClose={onClose} title={`New ${SINGULAR[kind]}`} size="widest">
      {failed && (
        <p role="alert" className="mb-2 text-over">
          {failed}
        </p>
      )}
      {families.length > 0 && (
        <div className="mb-3 max-w-md">
          <Choice
            label="From"
            value={familyId}
            options={[...families.map((f) => f.id), 'scratch']}
            nameOf={(id) => families.find((f) => f.id === id)?.name ?? 'Scratch: every value typed'}
            readOnly={false}
            onTake={choose}
          />
        </div>
      )}
      {whole ? (
        <EntryForm
          kind={kind}
          document={{ ...whole, name: called } as Document}
          problems={problems}
          materials={crib.materials}
          onSet={(next) => {
            setWhole(next);
            setName(next.name);
          }}
        />
      ) : (
        made && (
          <FamilyForm
            kind={kind}
            made={made}
            given={given}
            name={called}
            problems={problems}
            onGiven={setGiven}
            onName={setName}
          />
        )
      )}
      <div className="mt-3 flex items-center justify-end gap-2 border-t border-line pt-2">
        {!whole && made?.document && (
          <Button
            onClick={() => {
              setWhole({ ...made.document!, name: called } as Document);
              setName(called);
            }}
          >
            Show every value
          </Button>
        )}
        <span className="flex-1 text-[13px] text-soft">
          {whole ? '' : 'Typical values by rule; none is measured. Change any of them now or later.'}
        </span>
        <Button onClick={onClose}>Cancel</Button>
        <Button look="main" disabled={!document || problems.size > 0} onClick={() => void create()}>
          Create
        </Button>
      </div>
    </SheetDialog>
  );
}
