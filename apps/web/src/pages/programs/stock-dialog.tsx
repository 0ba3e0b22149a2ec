import type { Stock, StockHole } from '@burl/core';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { FormDialog } from '../../ui/form-dialog.tsx';
import { Num } from '../../ui/form-parts.tsx';

const AXES = ['X', 'Y', 'Z'] as const;
const NEW_HOLE: StockHole = { x: 0, y: 0, diameterMm: 10, floor: null };

/** The material a program begins with, in its own coordinates: a block or a bar, and what is already open in it. */
export function StockDialog({
  stock,
  onTake,
  onClose,
}: {
  stock: Stock;
  onTake: (stock: Stock) => Promise<unknown>;
  onClose: () => void;
}) {
  const [draft, setDraft] = useState(stock);
  const corner = (side: 'low' | 'high', axis: number, value: number): void =>
    setDraft((d) => {
      const next = [...d[side]] as [number, number, number];
      next[axis] = value;
      return { ...d, [side]: next };
    });
  const hole = (i: number, change: Partial<StockHole>): void =>
    setDraft((d) => ({ ...d, holes: d.holes.map((h, k) => (k === i ? { ...h, ...change } : h)) }));
  async function save(): Promise<void> {
    const wrong = AXES.find((_, i) => draft.high[i]! <= draft.low[i]!);
    if (wrong)
      throw new Error(`${wrong} to is ${draft.high[AXES.indexOf(wrong)]}; allowed: more than ${wrong} from`);
    await onTake(draft);
  }
  return (
    <FormDialog
      title="Material before the program"
      description="In the program’s own coordinates: where its zero is, zero is here."
      does="Use it"
      size="wide"
      save={save}
      onClose={onClose}
    >
      <div className="grid grid-cols-3 gap-3">
        {AXES.map((a, i) => (
          <Num
            key={`low${a}`}
            label={`${a} from`}
            value={draft.low[i]!}
            unit="mm"
            readOnly={false}
            onTake={(v) => corner('low', i, v ?? 0)}
          />
        ))}
        {AXES.map((a, i) => (
          <Num
            key={`high${a}`}
            label={`${a} to`}
            value={draft.high[i]!}
            unit="mm"
            readOnly={false}
            onTake={(v) => corner('high', i, v ?? 0)}
          />
        ))}
        <Num
          label="Round bar"
          value={draft.barMm}
          unit="mm"
          readOnly={false}
          empty
          hint="diameter; empty is a block"
          onTake={(v) => setDraft((d) => ({ ...d, barMm: v !== null && v > 0 ? v : null }))}
        />
      </div>
      <h3 className="mt-4 mb-1 font-semibold">Holes that are there</h3>
      <ul className="space-y-2">
        {draft.holes.map((h, i) => (
          <li key={i} className="grid grid-cols-5 items-start gap-2">
            <Num label="X" value={h.x} unit="mm" readOnly={false} onTake={(v) => hole(i, { x: v ?? 0 })} />
            <Num label="Y" value={h.y} unit="mm" readOnly={false} onTake={(v) => hole(i, { y: v ?? 0 })} />
            <Num
              label="Diameter"
              value={h.diameterMm}
              unit="mm"
              readOnly={false}
              onTake={(v) => v !== null && v > 0 && hole(i, { diameterMm: v })}
            />
            <Num
              label="Floor"
              value={h.floor}
              unit="mm"
              readOnly={false}
              empty
              hint="empty goes through"
              onTake={(v) => hole(i, { floor: v })}
            />
            <Button
              onClick={() => setDraft((d) => ({ ...d, holes: d.holes.filter((_, k) => k !== i) }))}
              aria-label={`Remove hole ${i + 1}`}
              className="mt-6"
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      {(draft.pockets?.length ?? 0) > 0 && (
        <p className="mt-2 text-soft">
          {draft.pockets!.length === 1 ? 'One pocket' : `${draft.pockets!.length} pockets`} of earlier
          operations
          {draft.pockets!.length === 1 ? ' is' : ' are'} open as well.
        </p>
      )}
      <Button className="mt-2" onClick={() => setDraft((d) => ({ ...d, holes: [...d.holes, NEW_HOLE] }))}>
        Add a hole
      </Button>
    </FormDialog>
  );
}
