import {
  FREE_PARAMETERS,
  type FreeParameter,
  type MillingOperation,
  movableOf,
  type Objective,
  type OperationContext,
  type SearchResult,
} from '@burl/core';
import { useState } from 'react';
import { Button } from '../../../ui/button.tsx';
import { InlineChoice } from '../../../ui/inline-choice.tsx';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { type Confidence, OBJECTIVE_NAMES, OBJECTIVES } from '../aims.ts';
import type { Preview } from '../notices.tsx';
import { Found } from './found.tsx';

/** The search for the best cut inside the window: what it may move, what for. */
export function WindowSearch({
  op,
  context,
  confidence,
  readOnly,
  onPreview,
}: {
  op: MillingOperation;
  context: OperationContext;
  confidence: Confidence;
  readOnly: boolean;
  onPreview: (found: Preview) => void;
}) {
  const [objective, setObjective] = useState<Objective>('metal');
  const [free, setFree] = useState<readonly FreeParameter[]>(['n', 'fz', 'ap', 'ae']);
  const [asked, setAsked] = useState<string | null>(null);
  const wish = { free, objective, confidence };
  const key = question('search', op, context, wish);
  // What was asked of another cut says nothing of this one.
  const here = asked === key;
  const search = useHeavy<SearchResult>(
    'search',
    here ? key : null,
    (api) => api.search(op, context, wish),
    0,
  );
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line pt-1.5">
      <fieldset className="flex flex-wrap items-center gap-x-2 text-[13px]">
        <legend className="sr-only">Varied by the search</legend>
        <span className="text-soft">Vary:</span>
        {FREE_PARAMETERS.map((k) => (
          <label key={k} className="flex items-center gap-1">
            <input
              type="checkbox"
              checked={free.includes(k)}
              onChange={(e) => setFree(e.target.checked ? [...free, k] : free.filter((f) => f !== k))}
            />
            {movableOf(op, context, k).name.toLowerCase()}
          </label>
        ))}
      </fieldset>
      <InlineChoice
        label="find"
        value={objective}
        options={OBJECTIVES}
        name={(o) => OBJECTIVE_NAMES[o]}
        onTake={setObjective}
      />
      <Button look="main" disabled={readOnly || free.length === 0} onClick={() => setAsked(key)}>
        Optimise
      </Button>
      {here && search.busy && <HeavyState what="the best cut" heavy={search} />}
      {here && search.error && (
        <p role="alert" className="text-over">
          {search.error}
        </p>
      )}
      {here && search.data && !search.busy && (
        <Found
          found={search.data}
          op={op}
          context={context}
          objective={objective}
          readOnly={readOnly}
          onPreview={onPreview}
        />
      )}
    </div>
  );
}
