import { SheetDialog } from '../ui/sheet-dialog.tsx';
import { useActions } from './actions.tsx';

const ALWAYS: readonly (readonly [string, string])[] = [
  ['Tab, Shift Tab', 'next and previous control'],
  ['Arrow up, down', 'in a number: a hundredth more or less; with Shift a tenth'],
  ['Enter, Escape', 'in a number: take it, put it back'],
  ['Arrow keys', 'on a handle of a drawing: move it; with Shift ten times as far'],
  ['Home, End', 'on a handle: smallest and largest'],
  ['Space, then arrows', 'on a station of the route: lift it and carry it'],
];

export function KeyboardHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  const actions = useActions().filter((a) => a.keys);
  return (
    <SheetDialog open={open} onClose={onClose} title="Keyboard shortcuts">
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
        {[...actions.map((a) => [a.keys!, a.label] as const), ...ALWAYS].map(([keys, what]) => (
          <div key={`${keys}${what}`} className="contents">
            <dt>
              <kbd className="rounded border border-line bg-raised px-1.5 py-0.5 text-[12.5px]">{keys}</kbd>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </SheetDialog>
  );
}
