import { type ReactNode, useState } from 'react';
import { Button } from './button.tsx';
import { Field, FIELD_LOOK } from './field.tsx';
import { SheetDialog } from './sheet-dialog.tsx';

/** Letters that say something. */
const LEAST = 3;

/** Asks for a word before something is done: why, what, or what is done about it. */
export function ReasonDialog({
  title,
  label,
  hint,
  does,
  look = 'main',
  large = false,
  children,
  onSay,
  onClose,
}: {
  title: string;
  label: string;
  hint?: string;
  /** What the button does. */
  does: string;
  look?: 'main' | 'danger';
  /** For gloves. */
  large?: boolean;
  children?: ReactNode;
  onSay: (word: string) => void | Promise<void>;
  onClose: () => void;
}) {
  const [word, setWord] = useState('');
  const said = word.trim();
  const size = large ? 'min-h-12' : '';
  return (
    <SheetDialog open onClose={onClose} title={title}>
      <form
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (said.length >= LEAST) void onSay(said);
        }}
      >
        {children}
        <Field label={label} {...(hint ? { hint } : {})}>
          {(p) => (
            <textarea
              {...p}
              rows={3}
              maxLength={2000}
              value={word}
              onChange={(e) => setWord(e.target.value)}
              className={`${FIELD_LOOK} ${large ? 'text-[16px]' : ''}`}
            />
          )}
        </Field>
        <div className="flex justify-end gap-2">
          <Button className={size} onClick={onClose}>
            Cancel
          </Button>
          <Button look={look} type="submit" className={size} disabled={said.length < LEAST}>
            {does}
          </Button>
        </div>
      </form>
    </SheetDialog>
  );
}
