import type { CutState } from '../cut-state.ts';
import { scale, power } from '../../judging/estimate.ts';
import { measure, say } from '../../units/sentence.ts';
import { input, type Limit } from '../../judging/limit.ts';

/** Edges the batch will eat against edges on the shelf. */
export const edgesInStockLimit: Limit<CutState> = {
  id: 'edges-on-shelf',
  group: 'heat and life',
  name: 'edges in stock',
  assess({ op, lifeMin, time, context: { quantity, shelf: counted } }) {
    // What the operation says is set aside for it; else all that lies on the shelf.
    const shelf = op.edgesOnShelf ?? counted?.edges ?? null;
    if (!lifeMin || shelf === null) return null;
    const minutes = quantity * op.featuresPerPart * time.cutting;
    const needed = scale(power(lifeMin, -1), minutes);
    return {
      predicted: { estimate: needed, unit: 'pieces' },
      allowed: {
        value: shelf,
        unit: 'pieces',
        from: op.edgesOnShelf === null ? 'counted in the crib' : 'set aside for this operation',
      },
      share: shelf > 0 ? scale(needed, 1 / shelf) : null,
      ...(shelf > 0 ? {} : { verdict: 'over' as const }),
      why: () =>
        say(
          'About {1} edges needed ({0} cutting); {2} in stock.',
          measure(minutes, 'min'),
          measure(Math.ceil(needed.value), 'pieces'),
          measure(shelf, 'pieces'),
        ),
      formula: 'quantity·features·t / T ≤ edges',
      inputs: () => [
        input('quantity', 'parts in the batch', quantity, 'pieces'),
        input('T', 'tool life', lifeMin.value, 'min-life'),
      ],
      source: 'extended Taylor',
    };
  },
};
