import { isHole } from '../hole-operation.ts';
import type { CutState } from '../cut-state.ts';
import { power, scale } from '../../judging/estimate.ts';
import { LONGEST_LIFE_MIN } from '../life-state.ts';
import { measure, say } from '../../units/sentence.ts';
import { input, type Limit } from '../../judging/limit.ts';

/** The edge has to last from one look at it to the next. */
export const toolLifeLimit: Limit<CutState> = {
  id: 'edge-life',
  group: 'heat and life',
  name: 'tool life',
  assess({ op, lifeMin, time, lifeNotes }) {
    if (!lifeMin) return null;
    const needed = op.featuresPerEdge * time.cutting;
    const one = isHole(op) ? 'hole' : 'feature';
    const what = `${one}s`;
    const needs = op.featuresPerEdge === 1 ? `One ${one} needs` : `{2} ${what} need`;
    const lasts =
      lifeMin.value >= LONGEST_LIFE_MIN
        ? 'lasts beyond {1}, longer than anybody has tried'
        : lifeMin.value < 1
          ? 'is gone within a minute'
          : 'lasts about {1}';
    return {
      predicted: { estimate: lifeMin, unit: 'min-life' },
      allowed: {
        value: needed,
        unit: 'min',
        from: `${Math.round(op.featuresPerEdge)} ${what} before the edge is looked at`,
      },
      share: scale(power(lifeMin, -1), needed),
      why: () =>
        say(
          `${needs} {0} of cutting; an edge ${lasts}.`,
          measure(needed, 'min'),
          measure(lifeMin.value, 'min-life'),
          measure(op.featuresPerEdge, 'pieces'),
        ),
      formula: 'T = 30·(vc30 here / vc)^(1/n) ≥ features·t cut',
      inputs: () => [
        input('T', 'tool life', lifeMin.value, 'min-life'),
        input('t', 'cutting time per feature', time.cutting, 'min'),
        input('k', what, op.featuresPerEdge, 'pieces'),
      ],
      source: `extended Taylor${lifeNotes.length ? `; ${lifeNotes.join('; ')}` : ''}`,
    };
  },
};
