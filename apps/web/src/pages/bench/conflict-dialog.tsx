import { differencesOf, type Operation } from '@burl/core';
import type { Variant } from '@burl/contract';
import { Button } from '../../ui/button.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';

const text = (value: unknown): string =>
  value === undefined || value === null
    ? 'none'
    : typeof value === 'object'
      ? JSON.stringify(value)
      : String(value);

/** Two people saved the same operation: both versions side by side, nothing lost whichever is chosen. */
export function ConflictDialog({
  mine,
  theirs,
  onSettle,
}: {
  mine: Operation;
  theirs: Variant;
  onSettle: (keep: 'mine' | 'theirs') => void;
}) {
  const differences = differencesOf(theirs.document, mine);
  return (
    <SheetDialog
      open
      onClose={() => undefined}
      title={`${theirs.updatedBy} saved this operation meanwhile`}
      description="Where the two differ. Whichever you keep, undo brings the other back."
      size="wide"
    >
      <table className="mb-4 w-full text-left">
        <thead>
          <tr className="border-b border-line">
            <th className="py-1">What</th>
            <th>Saved by {theirs.updatedBy}</th>
            <th>Yours</th>
          </tr>
        </thead>
        <tbody>
          {differences.map((d) => (
            <tr key={d.path} className="border-b border-line">
              <td className="py-1 font-mono text-[12.5px]">{d.path}</td>
              <td>{text(d.before)}</td>
              <td className="font-semibold">{text(d.after)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex justify-end gap-2">
        <Button onClick={() => onSettle('theirs')}>Use theirs</Button>
        <Button look="main" onClick={() => onSettle('mine')}>
          Keep mine
        </Button>
      </div>
    </SheetDialog>
  );
}
