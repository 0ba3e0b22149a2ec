import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { HOLDINGS } from '../../../physics/holding/holdings.ts';
import { gripLoss } from '../../../physics/turning/jaw-grip.ts';
import type { OperationContext } from '../../context.ts';
import { held } from '../../holes/limits/assessments.ts';
import { USUAL_CHUCK } from '../usual-chuck.ts';
import type { LatheState } from '../lathe-state.ts';

/** Grip against sliding along and round the part at rest, N, and whether the setup states it. */
function gripOf({ held: given }: OperationContext): {
  readonly kind: 'chuck' | 'collet';
  readonly liftN: number;
  readonly stated: boolean;
} {
  if (given && (given.kind === 'chuck' || given.kind === 'collet'))
    return { kind: given.kind, liftN: given.liftN, stated: true };
  return { kind: 'chuck', liftN: USUAL_CHUCK.friction * USUAL_CHUCK.forceN, stated: false };
}

/** The cut must not turn the part in its jaws or push it through them; the jaws' own weight loosens them as they turn. */
export const jawGripLimit: Limit<LatheState> = {
  id: 'jaw-grip',
  group: 'strength',
  name: 'chuck grip',
  asks: 'forces',
  assess({ context, part, cuttingN, feedN, diameterInCutMm, speedRpm, fastestRpm, smallestMm }) {
    const { kind, liftN, stated } = gripOf(context);
    const size = context.machine.turning_spindle?.chuck_mm ?? USUAL_CHUCK.sizeMm;
    const jaws = {
      count: USUAL_CHUCK.jaws,
      massKg: USUAL_CHUCK.massKg * (size / USUAL_CHUCK.sizeMm) ** 3,
      radiusMm: USUAL_CHUCK.radiusShare * size,
    };
    const gripped = part.grippedMm;
    /** Where the part is large it is turned with more, where it is small it runs faster. */
    const at = (diameterMm: number, rpm: number) => {
      const lossN = kind === 'collet' ? 0 : USUAL_CHUCK.friction * gripLoss(jaws, rpm);
      const left = Math.max(1, liftN - lossN);
      const asked = Math.hypot((cuttingN.value * diameterMm) / gripped, feedN.value) * HOLDINGS[kind].factor;
      return { rpm, lossN, left, asked };
    };
    const [large, small] = [at(diameterInCutMm, speedRpm), at(smallestMm, fastestRpm)];
    const worst = large.asked / large.left > small.asked / small.left ? large : small;
    return {
      ...held(
        { value: worst.asked, terms: cuttingN.terms },
        worst.left,
        'N',
        stated ? 'holding of the setup' : 'usual chuck, not stated',
        {
          why: () =>
            say(
              `Cut asks for {0} of grip; {1} left at {2}${stated ? '' : ' in a usual chuck: state yours with the setup'}.`,
              measure(worst.asked, 'N'),
              measure(worst.left, 'N'),
              measure(worst.rpm, 'rpm'),
            ),
          formula: 'factor·√((Fc·D/Dg)² + Ff²) ≤ μ·(F − 3·m·r·ω²)',
          inputs: () => [
            input('Fc', 'cutting force', cuttingN.value, 'N'),
            input('loss', 'taken by the jaws’ weight', worst.lossN / USUAL_CHUCK.friction, 'N'),
          ],
          source: 'Coulomb friction; centrifugal force of the jaws, estimated',
        },
      ),
      // A chuck nobody stated proves nothing.
      ...(stated
        ? {}
        : { share: null, verdict: worst.asked > worst.left ? ('tight' as const) : ('clear' as const) }),
    };
  },
};
