import type { TipRecord } from '@burl/contract';
import { formatMeasure, seenIn, type TipKnowledge, type TipMode } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { ModesTable } from './modes-table.tsx';
import type { Axis } from './use-tip-record.ts';

/** Half of an 80% range, of a spread in logs. */
const band = (sigma: number): string => `${(100 * 1.28 * sigma).toFixed(0)}%`;

/** What the modes of a tip rest on, and how good they are. */
export function TipBasis({
  axis,
  knowledge,
  record,
  modes,
}: {
  axis: Axis;
  knowledge: TipKnowledge;
  record: TipRecord | undefined;
  modes: readonly TipMode[];
}) {
  const system = useSystem();
  const seen = seenIn(modes, record?.receptance?.hz.at(-1) ?? Infinity);
  const modelled = modes.filter((m) => !seen.includes(m));
  const { trust, from, sigma } = knowledge;
  return (
    <section className="rounded-lg border border-line bg-card p-3">
      <h2 className="mb-1">Data basis</h2>
      <p className="mb-2 text-[13px]">
        <b>{trust}</b>: {from}. Good to ±{band(sigma.hz)} in frequency, ±{band(sigma.damping)} in damping, ±
        {band(sigma.stiffness)} in stiffness.
      </p>
      <ModesTable caption={`Modes along ${axis}`} modes={modes} />
      {modelled.length > 0 && (
        <p className="mt-1 text-[13px] text-soft">
          {modelled.map((m) => formatMeasure(m.hz, 'Hz', system)).join(', ')}: above what the tap could see,
          kept from the model.
        </p>
      )}
      {record && record.misfit !== null && (
        <p className="mt-1 text-[13px] text-soft">
          The modes leave {(100 * record.misfit).toFixed(1)}% of the response unexplained.
        </p>
      )}
    </section>
  );
}
