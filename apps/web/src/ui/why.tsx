import { type Band, type Explanation, formatMeasure, type Source, type Unit } from '@burl/core';
import { CircleHelp } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useSystem } from '../frame/preferences.tsx';

const KIND_WORD = { measured: 'measured', library: 'library', assumed: 'assumed', model: 'model' } as const;

/** Formula, this case's values, where it was published, the band, and what would narrow it. */
export function WhyBody({
  what,
  band,
  unit,
  sources,
}: {
  what: Explanation;
  band: Band | null;
  unit: Unit | null;
  sources: readonly Source[];
}) {
  const system = useSystem();
  const rests = band ? sources.filter((s) => band.basis.includes(s.id)) : [];
  const narrow = rests
    .filter((s) => s.narrowBy && s.kind !== 'measured')
    .sort((a, b) => b.sigma - a.sigma)[0];
  return (
    <div className="space-y-2 text-[13px]">
      <p className="font-mono text-[12.5px]">{what.formula}</p>
      {what.inputs.length > 0 && (
        <table className="w-full">
          <tbody>
            {what.inputs.map((i) => (
              <tr key={i.symbol}>
                <td className="pr-2 font-mono">{i.symbol}</td>
                <td className="pr-2 text-soft first-letter:uppercase">{i.name}</td>
                <td className="text-right font-semibold whitespace-nowrap">
                  {formatMeasure(i.value, i.unit, system)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {band && unit && band.high > band.low * 1.0001 && (
        <p>
          80% range {formatMeasure(band.low, unit, system)} to {formatMeasure(band.high, unit, system)}{' '}
          (P10–P90).
        </p>
      )}
      {rests.length > 0 && (
        <ul className="space-y-0.5 text-soft">
          {rests.map((s) => (
            <li key={s.id}>
              {KIND_WORD[s.kind]}: {s.label}
            </li>
          ))}
        </ul>
      )}
      {narrow && <p>What would narrow it most: {narrow.narrowBy}.</p>}
      <p className="text-soft">Source: {what.source}.</p>
    </div>
  );
}

/** A small button that opens the reasoning behind a number. */
export function Why(props: Parameters<typeof WhyBody>[0] & { name: string }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`Why: ${props.name}`}
        className="inline-flex size-6 items-center justify-center rounded text-soft hover:bg-accent-soft hover:text-ink"
      >
        <CircleHelp size={13} aria-hidden="true" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          collisionPadding={12}
          className="z-40 max-h-[70vh] w-80 overflow-auto rounded-lg border border-line bg-raised p-3 text-ink shadow-lg"
        >
          <h3 className="mb-1">{props.name}</h3>
          <WhyBody {...props} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
