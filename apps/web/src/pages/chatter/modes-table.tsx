import { formatMeasure, type TipMode, USUAL_DAMPING } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';

/** Says which modes lie below the frequencies a tap tells anything of: their flexibility is felt above, their peak is not seen. */
export function UnseenModes({ modes, fromHz }: { modes: readonly TipMode[]; fromHz: number }) {
  const system = useSystem();
  const unseen = modes.filter((m) => m.hz < fromHz);
  if (unseen.length === 0) return null;
  return (
    <p className="text-[13px] text-soft">
      {unseen.map((m) => formatMeasure(m.hz, 'Hz', system)).join(', ')}: under{' '}
      {formatMeasure(fromHz, 'Hz', system)} the hits tell little. Flexibility measured, damping near the usual{' '}
      {100 * USUAL_DAMPING}%.
    </p>
  );
}

/** Modes of a direction: frequency, damping, stiffness. */
export function ModesTable({ caption, modes }: { caption: string; modes: readonly TipMode[] }) {
  const system = useSystem();
  return (
    <table className="w-full text-left text-[13px]">
      <caption className="text-left font-semibold">{caption}</caption>
      <thead>
        <tr className="border-b border-line text-soft">
          <th className="py-0.5 font-normal">frequency</th>
          <th className="font-normal">damping</th>
          <th className="font-normal">stiffness</th>
        </tr>
      </thead>
      <tbody>
        {modes.map((m) => (
          <tr key={m.hz} className="border-b border-line last:border-0">
            <td className="py-0.5">{formatMeasure(m.hz, 'Hz', system)}</td>
            <td>{(100 * m.damping).toFixed(2)}%</td>
            <td>{formatMeasure(m.stiffness / 1e6, 'N/um', system)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
