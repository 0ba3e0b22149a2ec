import { formatMeasure, speak, wrongHolder } from '@burl/core';
import type { Crib } from '@burl/contract';
import { type FormEvent, useState, useMemo } from 'react';
import { mutate } from 'swr';
import { call, messageOf } from '../../api/client.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { offered, searchable } from '../../judging/offer.ts';
import { SearchSelect } from '../../ui/search-select.tsx';

/** A cutter put into a holder under a name of the shop. */
function NewAssembly({ crib }: { crib: Crib }) {
  const [draft, setDraft] = useState({
    name: '',
    cutterId: '',
    holderId: '',
    stickOutMm: 40,
    runoutUm: null as number | null,
  });
  const [failed, setFailed] = useState<string | null>(null);
  const system = useSystem();
  const of = <T extends { id: string }>(list: readonly T[], id: string): T | undefined =>
    list.find((x) => x.id === id);
  const cutters = useMemo(() => searchable(offered(crib.cutters)), [crib]);
  const holders = useMemo(
    () => offered(crib.holders).map((h) => ({ id: h.id, name: h.document.name })),
    [crib],
  );
  const [cutter, holder] = [of(crib.cutters, draft.cutterId), of(crib.holders, draft.holderId)];
  const wrong = cutter && holder ? wrongHolder(cutter.document, holder.document) : null;
  async function make(event: FormEvent): Promise<void> {
    event.preventDefault();
    setFailed(null);
    try {
      await call('POST', '/api/assemblies', {}, draft);
      setDraft({ ...draft, name: '' });
      await mutate('/api/crib');
    } catch (error) {
      setFailed(messageOf(error));
    }
  }
  return (
    <form
      onSubmit={(e) => void make(e)}
      className="h-fit space-y-2 rounded-lg border border-line bg-card p-3"
    >
      <h2>New assembly</h2>
      <Field label="Name">
        {(p) => (
          <input
            {...p}
            value={draft.name}
            onChange={(e) => setDraft({ ...draft, name: e.target.value })}
            className={FIELD_LOOK}
          />
        )}
      </Field>
      <SearchSelect
        label="Cutter"
        what="cutter"
        rows={4}
        value={draft.cutterId}
        list={cutters}
        onTake={(cutterId) => setDraft({ ...draft, cutterId })}
      />
      <SearchSelect
        label="Holder"
        what="holder"
        rows={4}
        value={draft.holderId}
        list={holders}
        error={wrong ? speak(wrong, system) : undefined}
        onTake={(holderId) => setDraft({ ...draft, holderId })}
      />
      <Field label="Stick-out">
        {(p) => (
          <NumberInput
            {...p}
            value={draft.stickOutMm}
            unit="mm"
            onTake={(v) => v && setDraft({ ...draft, stickOutMm: v })}
            className={FIELD_LOOK}
          />
        )}
      </Field>
      <Field label="Runout at tool tip (TIR)" hint="empty: not measured" error={failed ?? undefined}>
        {(p) => (
          <NumberInput
            {...p}
            value={draft.runoutUm}
            unit="um"
            allowEmpty
            onTake={(runoutUm) => setDraft({ ...draft, runoutUm })}
            className={FIELD_LOOK}
          />
        )}
      </Field>
      <Button type="submit" look="main" disabled={wrong !== null}>
        Create assembly
      </Button>
    </form>
  );
}

/** Cutters as they stand in their holders, under the shop's names. */
export function AssembliesTable({ crib, edit }: { crib: Crib; edit: boolean }) {
  const system = useSystem();
  const nameOf = (list: readonly { id: string; document: { name: string } }[], id: string): string =>
    list.find((e) => e.id === id)?.document.name ?? id;

  return (
    <div className="grid grid-cols-1 gap-4 lg:grid-cols-[minmax(0,1fr)_320px]">
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table">
        <table className="h-fit w-full rounded-lg border border-line bg-card text-left">
          <thead>
            <tr className="border-b border-line">
              {['Name', 'Cutter', 'Holder', 'Stick-out', 'Runout'].map((h) => (
                <th key={h} className="px-2.5 py-1.5">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {crib.assemblies.map((a) => (
              <tr key={a.id} className="border-b border-line last:border-0">
                <td className="px-2.5 py-1 font-semibold">{a.name}</td>
                <td className="px-2.5">{nameOf(crib.cutters, a.cutterId)}</td>
                <td className="px-2.5">{nameOf(crib.holders, a.holderId)}</td>
                <td className="px-2.5 whitespace-nowrap">{formatMeasure(a.stickOutMm, 'mm', system)}</td>
                <td className="px-2.5 whitespace-nowrap">
                  {a.runoutUm === null ? 'not measured' : formatMeasure(a.runoutUm, 'um', system)}
                </td>
              </tr>
            ))}
            {crib.assemblies.length === 0 && (
              <tr>
                <td colSpan={5} className="p-3 text-soft">
                  No assembly yet.
                </td>
              </tr>
            )}
          </tbody>
        </table>
      </div>
      {edit && <NewAssembly crib={crib} />}
    </div>
  );
}
