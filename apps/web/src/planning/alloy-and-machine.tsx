import type { Crib } from '@burl/contract';
import { useMemo } from 'react';
import { offered, searchableAlloys } from '../judging/offer.ts';
import { ComboBox } from '../ui/combo-box.tsx';

interface Chosen {
  readonly alloyId: string;
  readonly machineId: string;
}

function Wrong({ text }: { text: string | false | undefined }) {
  return text ? (
    <p role="alert" className="text-[12.5px] text-over">
      {text}
    </p>
  ) : null;
}

/** Alloy by any of its designations, and the machine; two fields side by side wherever they stand. */
export function AlloyAndMachine({
  crib,
  alloyId,
  machineId,
  wrong = {},
  onTake,
}: Chosen & {
  crib: Crib;
  /** Which of them has to be chosen still. */
  wrong?: { readonly [K in keyof Chosen]?: boolean };
  onTake: (change: Partial<Chosen>) => void;
}) {
  const alloys = useMemo(() => searchableAlloys(offered(crib.alloys, alloyId)), [crib, alloyId]);
  const machines = useMemo(
    () => offered(crib.machines, machineId).map((m) => ({ id: m.id, name: m.document.name })),
    [crib, machineId],
  );
  return (
    <>
      <div>
        <ComboBox
          label="Alloy"
          list={alloys}
          value={alloyId}
          placeholder="Name, UNS or EN number"
          onTake={(id) => onTake({ alloyId: id })}
        />
        <Wrong text={wrong.alloyId && 'Choose the alloy with its condition'} />
      </div>
      <div>
        <ComboBox
          label="Machine"
          list={machines}
          value={machineId}
          placeholder="Choose"
          onTake={(id) => onTake({ machineId: id })}
        />
        <Wrong text={wrong.machineId && 'Choose the machine it runs on'} />
      </div>
    </>
  );
}
