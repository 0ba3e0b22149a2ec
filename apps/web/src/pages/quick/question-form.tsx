import { type Crib, findable } from '@burl/contract';
import type { Unit } from '@burl/core';
import { useMemo } from 'react';
import { FEATURE_SIZES, type FeatureSize } from '../../judging/feature-sizes.ts';
import { cuttersFor, type Made } from '../../judging/new-operation.ts';
import { offered, searchableAlloys } from '../../judging/offer.ts';
import { ComboBox } from '../../ui/combo-box.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { Num } from '../../ui/form-parts.tsx';
import { type QuickQuestion, WANTS, whatFor, type Wanted } from './quick-question.ts';

const BEST = 'best';

/** What is asked: alloy, machine, what is wanted with its sizes, and the tool on hand or the best. */
export function QuestionForm({
  crib,
  question,
  onChange,
}: {
  crib: Crib;
  question: QuickQuestion;
  /** Told as a change of the question as it stands by then: a quick hand is ahead of the page. */
  onChange: (change: (now: QuickQuestion) => QuickQuestion) => void;
}) {
  const { what } = question;
  const alloys = useMemo(() => searchableAlloys(offered(crib.alloys)), [crib]);
  const machines = useMemo(
    () => offered(crib.machines).map((m) => ({ id: m.id, name: m.document.name })),
    [crib],
  );
  const group = crib.alloys.find((a) => a.id === question.alloyId)?.document.iso513_group;
  const tools = useMemo(
    () => [
      { id: BEST, name: 'Best of the crib' },
      ...cuttersFor(crib, what, (groups) => group !== undefined && groups.includes(group)).map((c) => ({
        ...findable('cutters', c),
        ...(group && !c.suits_iso_groups.includes(group) ? { note: `not rated for ISO ${group}` } : {}),
      })),
    ],
    [crib, what, group],
  );
  const ask = (change: Partial<QuickQuestion>) => onChange((now) => ({ ...now, taken: null, ...change }));
  const size = (change: Partial<Wanted>) =>
    onChange((now) => ({ ...now, taken: null, what: { ...now.what, ...change } }));
  const number = ([key, label]: readonly [FeatureSize, string], unit: Unit = 'mm') => (
    <Num
      key={key}
      label={label}
      value={what[key]}
      unit={unit}
      empty={key === 'cornerRadiusMm'}
      readOnly={false}
      onTake={(v) => size({ [key]: v })}
    />
  );
  return (
    <form
      aria-label="Question"
      className="space-y-2.5 rounded-lg border border-line bg-card p-3"
      onSubmit={(e) => e.preventDefault()}
    >
      <ComboBox
        label="Alloy"
        list={alloys}
        value={question.alloyId}
        placeholder="Name, UNS or EN number"
        first
        onTake={(alloyId) => ask({ alloyId })}
      />
      <ComboBox
        label="Machine"
        list={machines}
        value={question.machineId}
        placeholder="Choose"
        onTake={(machineId) => ask({ machineId })}
      />
      <Field label="I want to">
        {(p) => (
          <select
            {...p}
            value={what.made}
            onChange={(e) => ask({ what: whatFor(e.target.value as Made) })}
            className={FIELD_LOOK}
          >
            {WANTS.map((w) => (
              <option key={w.made} value={w.made}>
                {w.label}
              </option>
            ))}
          </select>
        )}
      </Field>
      <div className="grid grid-cols-2 gap-2">
        {FEATURE_SIZES[what.made].map((s) => number(s))}
        {what.made === 'hole' && (
          <label className="flex min-h-9 items-center gap-2 self-end">
            <input
              type="checkbox"
              checked={what.through}
              onChange={(e) => size({ through: e.target.checked })}
            />{' '}
            Through
          </label>
        )}
      </div>
      <ComboBox
        label="Tool"
        list={tools}
        value={what.cutterId || BEST}
        placeholder="12 5fl titanium"
        onTake={(id) => size({ cutterId: id === BEST ? '' : id })}
      />
    </form>
  );
}
