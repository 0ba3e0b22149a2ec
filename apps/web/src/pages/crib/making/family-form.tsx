import type { CribKind } from '@burl/contract';
import { formatField, type Given, speak, UNITS } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { Field, FIELD_LOOK } from '../../../ui/field.tsx';
import { Choice } from '../../../ui/form-parts.tsx';
import { NumberInput } from '../../../ui/number-input.tsx';
import { EntryDrawing } from '../form/entry-form.tsx';
import type { Making } from './family-fields.tsx';

/** The few numbers of a family; an empty one follows by its rule. */
function FamilyNumbers({
  made,
  given,
  onGiven,
}: {
  made: Making;
  given: Given;
  onGiven: (given: Given) => void;
}) {
  const system = useSystem();
  const set = (key: string, value: number | string | null): void => {
    const { [key]: _, ...rest } = given;
    onGiven(value === null ? rest : { ...rest, [key]: value });
  };
  return (
    <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-3">
      {made.choices.map((c) => (
        <Choice
          key={c.key}
          label={c.label}
          value={String(given[c.key] ?? c.options[0]?.value ?? '')}
          options={c.options.map((o) => o.value)}
          nameOf={(v) => c.options.find((o) => o.value === v)?.label ?? v}
          readOnly={false}
          onTake={(v) => set(c.key, v)}
        />
      ))}
      {made.fields.map((f) => (
        <Field
          key={f.key}
          label={f.label}
          unit={UNITS[f.unit][system].label}
          error={made.problems.get(f.key)}
          {...(f.rule ? { hint: `usual: ${f.rule}` } : {})}
        >
          {(p) => (
            <NumberInput
              {...p}
              value={typeof given[f.key] === 'number' ? (given[f.key] as number) : null}
              unit={f.unit}
              placeholder={formatField(Number(made.usual[f.key]), f.unit, system)}
              allowEmpty
              className={FIELD_LOOK}
              onTake={(v) => set(f.key, v)}
            />
          )}
        </Field>
      ))}
    </div>
  );
}

/** What a family asks for, the tool as it comes out, and what follows by which rule. */
export function FamilyForm({
  kind,
  made,
  given,
  name,
  problems,
  onGiven,
  onName,
}: {
  kind: CribKind;
  made: Making;
  given: Given;
  name: string;
  problems: ReadonlyMap<string, string>;
  onGiven: (given: Given) => void;
  onName: (name: string) => void;
}) {
  const system = useSystem();
  return (
    <div className="grid grid-cols-1 gap-4 lg:grid-cols-[1fr_440px]">
      <div className="space-y-3">
        <FamilyNumbers made={made} given={given} onGiven={onGiven} />
        <Field label="Name">
          {(p) => (
            <input {...p} value={name} onChange={(e) => onName(e.target.value)} className={FIELD_LOOK} />
          )}
        </Field>
        {problems.size > 0 && (
          <p role="alert" className="text-[13px] text-over">
            {[...problems.values()].join('; ')}
          </p>
        )}
      </div>
      <div>
        {made.document && <EntryDrawing kind={kind} document={made.document} />}
        <table className="mt-2 w-full text-left text-[13px]" aria-label="What follows">
          <tbody>
            {made.followed.map((f) => (
              <tr key={f.what} className="border-b border-line last:border-0">
                <th className="py-0.5 pr-2 font-semibold">{f.what}</th>
                <td className="pr-2 whitespace-nowrap">{speak(f.value, system)}</td>
                <td className="text-soft">{f.rule}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}
