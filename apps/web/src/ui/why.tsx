import { type Band, type Explanation, formatMeasure, type Source, type Unit } from '@burl/core';
import { CircleHelp, X } from 'lucide-react';
import { Popover } from 'radix-ui';
import { createContext, type ReactNode, useContext, useId, useMemo, useState } from 'react';
import { createPortal } from 'react-dom';
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

/** Where a page keeps room for reasons beside its drawing; without it they open beside the number. */
interface WhyPlaceValue {
  readonly room: HTMLElement | null;
  readonly shown: string | null;
  readonly show: (id: string | null) => void;
}
const WhyPlaceContext = createContext<WhyPlaceValue | null>(null);

/** A page whose reasons stand in one place: one at a time, in the room that `WhyRoom` makes. */
export function WhyPlace({
  children,
}: {
  children: (room: (element: HTMLElement | null) => void) => ReactNode;
}) {
  const [room, setRoom] = useState<HTMLElement | null>(null);
  const [shown, show] = useState<string | null>(null);
  const value = useMemo(() => ({ room, shown, show }), [room, shown]);
  return <WhyPlaceContext value={value}>{children(setRoom)}</WhyPlaceContext>;
}

const BUTTON =
  'inline-flex size-6 items-center justify-center rounded text-soft hover:bg-accent-soft hover:text-ink aria-expanded:bg-accent-soft aria-expanded:text-ink touch:size-11';

type WhyProps = Parameters<typeof WhyBody>[0] & { name: string };

/** A small button that opens the reasoning behind a number. */
export function Why(props: WhyProps) {
  const place = useContext(WhyPlaceContext);
  return place?.room ? <WhyBeside {...props} place={place} /> : <WhyOver {...props} />;
}

/** Reasons in the room of the page. */
function WhyBeside({ place, ...props }: WhyProps & { place: WhyPlaceValue }) {
  const id = useId();
  const open = place.shown === id;
  const close = (): void => place.show(null);
  return (
    <>
      <button
        type="button"
        aria-label={`Why: ${props.name}`}
        aria-expanded={open}
        onClick={() => {
          place.show(open ? null : id);
          place.room?.scrollIntoView({ block: 'nearest' });
        }}
        onKeyDown={(e) => e.key === 'Escape' && open && close()}
        className={BUTTON}
      >
        <CircleHelp size={13} aria-hidden="true" />
      </button>
      {open &&
        place.room &&
        createPortal(
          <section
            aria-label={`Why: ${props.name}`}
            className="mb-2.5 rounded-lg border border-accent bg-raised p-3"
          >
            <div className="mb-1 flex items-start justify-between gap-2">
              <h2 className="first-letter:uppercase">{props.name}</h2>
              <button
                type="button"
                aria-label="Close the reasons"
                onClick={close}
                className="rounded p-0.5 hover:bg-accent-soft touch:p-3"
              >
                <X size={15} aria-hidden="true" />
              </button>
            </div>
            <WhyBody {...props} />
          </section>,
          place.room,
        )}
    </>
  );
}

/** Reasons beside the number. */
function WhyOver(props: WhyProps) {
  return (
    <Popover.Root>
      <Popover.Trigger aria-label={`Why: ${props.name}`} className={BUTTON}>
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
