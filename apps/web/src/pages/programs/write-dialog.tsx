import {
  type Dialect,
  ladderSpeeds,
  PLAIN_DIALECT,
  type ProgramOperation,
  type Stock,
  writeProgram,
  type Written,
  WRITTEN_NAMES,
  writtenFor,
} from '@burl/core';
import { useState } from 'react';
import { FormDialog } from '../../ui/form-dialog.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { Choice } from '../../ui/form-parts.tsx';

/** Places as typed: one a line or behind a semicolon, X and Y in mm. Throws with the text that is none. */
export function placesOf(text: string): { x: number; y: number }[] {
  return text
    .split(/[\n;]/)
    .map((t) => t.trim())
    .filter((t) => t !== '')
    .map((t) => {
      const [x, y, ...more] = t.split(/[\s,]+/).map(Number);
      if (x === undefined || y === undefined || more.length > 0 || !Number.isFinite(x) || !Number.isFinite(y))
        throw new Error(`places: “${t}”; allowed: X and Y in mm, like 30 -12.5`);
      return { x, y };
    });
}

/** A short program with the numbers of an operation, written in a dialect. */
export function WriteDialog({
  operation,
  title,
  onTake,
  onClose,
}: {
  operation: ProgramOperation;
  title: string;
  onTake: (name: string, text: string, stock: Stock, speeds: readonly number[]) => void;
  onClose: () => void;
}) {
  const kinds = writtenFor(operation);
  const [what, setWhat] = useState<Written>(kinds[0]!);
  const [places, setPlaces] = useState('0 0');
  const [dialect, setDialect] = useState<Dialect>(PLAIN_DIALECT);
  const set = (change: Partial<Dialect>): void => setDialect((d) => ({ ...d, ...change }));
  function save(): Promise<void> {
    const speeds = what === 'speed-ladder' ? ladderSpeeds(operation) : [];
    const { text, stock } = writeProgram(operation, {
      what,
      dialect,
      places: placesOf(places),
      title,
      number: 1,
      speeds,
    });
    onTake(`${operation.name.replace(/[^\w-]+/g, '-').toLowerCase()}-${what}.nc`, text, stock, speeds);
    return Promise.resolve();
  }
  return (
    <FormDialog
      title={`Write a program for ${operation.name}`}
      description="Zero is on top of the part. Speeds, feeds and depths are those of the operation."
      does="Write it"
      save={save}
      onClose={onClose}
    >
      <div className="grid grid-cols-2 gap-3">
        <Choice
          label="Program"
          value={what}
          options={kinds}
          nameOf={(k) => WRITTEN_NAMES[k]}
          readOnly={false}
          onTake={setWhat}
        />
        <Choice
          label="Units"
          value={dialect.units}
          options={['mm', 'inch'] as const}
          readOnly={false}
          onTake={(units) => set({ units })}
        />
        <Choice
          label="Drilling"
          value={dialect.cycles}
          options={['cycles', 'long hand'] as const}
          readOnly={false}
          onTake={(cycles) => set({ cycles })}
        />
        <Choice
          label="Arcs by"
          value={dialect.arcs}
          options={['centre', 'radius'] as const}
          readOnly={false}
          onTake={(arcs) => set({ arcs })}
        />
        <Choice
          label="Whole numbers"
          value={dialect.pointAlways ? 'with point' : 'without point'}
          options={['without point', 'with point'] as const}
          readOnly={false}
          onTake={(v) => set({ pointAlways: v === 'with point' })}
        />
        <Choice
          label="Line numbers"
          value={dialect.lineNumbers ? 'yes' : 'no'}
          options={['no', 'yes'] as const}
          readOnly={false}
          onTake={(v) => set({ lineNumbers: v === 'yes' })}
        />
      </div>
      <Field label="Places, X Y in mm, one a line" unit="">
        {(p) => (
          <textarea
            {...p}
            rows={3}
            value={places}
            onChange={(e) => setPlaces(e.target.value)}
            className={`${FIELD_LOOK} font-mono`}
          />
        )}
      </Field>
    </FormDialog>
  );
}
