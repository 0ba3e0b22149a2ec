import type { TipMode } from '@burl/core';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Num } from '../../ui/form-parts.tsx';
import { Button } from '../../ui/button.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';

/** Modes somebody states rather than measures: from a maker's sheet, or an older test of which only these are left. */
export function TableDialog({
  axis,
  start,
  onClose,
  onKeep,
}: {
  axis: 'x' | 'y';
  start: readonly TipMode[];
  onClose: () => void;
  onKeep: (modes: readonly TipMode[]) => void;
}) {
  const [modes, setModes] = useState<readonly TipMode[]>(() =>
    start.map((m) => ({
      hz: Math.round(m.hz),
      damping: Number(m.damping.toPrecision(2)),
      stiffness: Number(m.stiffness.toPrecision(3)),
    })),
  );
  const change = (at: number, part: Partial<TipMode>): void =>
    setModes(modes.map((m, i) => (i === at ? { ...m, ...part } : m)));
  return (
    <SheetDialog
      open
      onClose={onClose}
      title={`Modes along ${axis}, stated`}
      description="Trusted less than a tap test here, more than typical values. A tap test replaces it."
    >
      <ol className="space-y-2">
        {modes.map((m, i) => (
          <li key={i} className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
            <Num
              label={`Frequency ${i + 1}`}
              unit="Hz"
              value={m.hz}
              readOnly={false}
              onTake={(v) => v && change(i, { hz: v })}
            />
            <Num
              label={`Damping ${i + 1}, %`}
              unit="ratio"
              value={100 * m.damping}
              readOnly={false}
              onTake={(v) => v && change(i, { damping: v / 100 })}
            />
            <Num
              label={`Stiffness ${i + 1}`}
              unit="N/um"
              value={m.stiffness / 1e6}
              readOnly={false}
              onTake={(v) => v && change(i, { stiffness: v * 1e6 })}
            />
            <Button
              look="quiet"
              aria-label={`Remove mode ${i + 1}`}
              onClick={() => setModes(modes.filter((_, k) => k !== i))}
            >
              <Trash2 size={15} aria-hidden="true" />
            </Button>
          </li>
        ))}
      </ol>
      <div className="mt-3 flex justify-between">
        <Button onClick={() => setModes([...modes, { hz: 1000, damping: 0.03, stiffness: 2e7 }])}>
          <Plus size={15} aria-hidden="true" /> Mode
        </Button>
        <Button look="main" disabled={modes.length === 0} onClick={() => onKeep(modes)}>
          Keep them
        </Button>
      </div>
    </SheetDialog>
  );
}
