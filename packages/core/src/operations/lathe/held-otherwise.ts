import { say } from '../../units/sentence.ts';
import type { Operation } from '../operation.ts';
import type { Switch } from '../switch.ts';
import type { PartSupport } from './held-part.ts';

/** Tailstock or steady for a part that gives way; a centre stands in the way of faces, bores and parting. */
export const heldOtherwise = (
  support: PartSupport,
  tailstock: boolean,
  held: (by: PartSupport) => Operation,
): Switch[] =>
  support !== 'chuck'
    ? []
    : [
        ...(tailstock
          ? [
              {
                id: 'tailstock',
                title: say('Hold the free end with the tailstock'),
                after: held('tailstock'),
              },
            ]
          : []),
        { id: 'steady', title: say('Hold the part with a steady rest'), after: held('steady') },
      ];
