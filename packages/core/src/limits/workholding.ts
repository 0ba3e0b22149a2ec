import type { MillingState } from '../evaluation/milling-state.ts';
import { measure, say } from '../units/sentence.ts';
import { input, type Limit, shareOf } from './limit.ts';

/** Holding over force, by how the part is held: heat releases some of them. */
const SAFETY: Readonly<Record<string, number>> = { vice: 2, clamps: 2, fixture: 1.5, vacuum: 3, adhesive: 3 };

/** The part must not move: planar and lifting force together against the declared holding. */
export const workholdingLimit: Limit<MillingState> = {
  id: 'workholding',
  group: 'strength',
  name: 'workholding',
  assess({ op: { workholding }, sideForceN, liftN }) {
    const factor = SAFETY[workholding.kind] ?? 2;
    const asked = { value: Math.hypot(sideForceN.value, liftN.value), terms: sideForceN.terms };
    const capacity = workholding.capacityN;
    const missing = capacity === null;
    return {
      predicted: { estimate: asked, unit: 'N' },
      allowed: missing
        ? null
        : { value: capacity / factor, unit: 'N', from: `declared holding over ${factor}` },
      share: missing ? null : shareOf(asked, capacity / factor),
      ...(missing ? { verdict: 'unproven' as const } : {}),
      why: missing
        ? say(
            `The cut pushes with {0}; no holding force is declared for the ${workholding.kind}.`,
            measure(asked.value, 'N'),
          )
        : say(
            'The cut pushes with {0}; the declared {1} allows {2}.',
            measure(asked.value, 'N'),
            measure(capacity, 'N'),
            measure(capacity / factor, 'N'),
          ),
      formula: '√(Fxy² + Flift²) ≤ capacity / factor',
      inputs: [
        input('Fxy', 'peak side force', sideForceN.value, 'N'),
        input('Flift', 'lifting force', liftN.value, 'N'),
        input('factor', 'safety factor', factor, 'ratio'),
      ],
      source: 'milling forces through one turn; declared holding',
    };
  },
};
