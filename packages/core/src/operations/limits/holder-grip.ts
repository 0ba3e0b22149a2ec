import type { CutState } from '../cut-state.ts';
import { type Estimate, over, scale, sigmaOfSpan, type Source, uncertain } from '../../judging/estimate.ts';
import { measure, say } from '../../units/sentence.ts';
import { input, type Limit } from '../../judging/limit.ts';

/** Share of the grip a cut may ask for: chatter and shocks take the rest. */
const SAFE_SHARE = 0.5;
/** A tap is turned by its square as well as by the collet, and its torque is steady. */
const SAFE_SHARE_OF_TAP = 0.9;

const pullOutN = (state: CutState): number => Math.round(state.pullOutN.value);

/** Torque and pull together, as the torque a friction joint feels, N·m. */
function gripAsked({ peakTorqueNm, pullOutN }: CutState, shankMm: number): Estimate {
  const pull = (pullOutN.value * shankMm) / 2000;
  const together = Math.hypot(peakTorqueNm.value, pull);
  return { value: together, terms: peakTorqueNm.terms };
}

/** A tool that slips turns in its holder or is screwed out of it by its helix. */
export const holderGripLimit: Limit<CutState> = {
  id: 'holder-grip',
  group: 'strength',
  name: 'holder grip',
  asks: 'forces',
  assess(state) {
    const { holder, cutter } = state.context;
    if (!holder.grip_torque_nm_at_12mm) return null;
    const shank = cutter.properties.DCONMS ?? 12;
    const size = (shank / 12) ** 2;
    const [low, typical, high] = holder.grip_torque_nm_at_12mm;
    const source: Source = {
      id: 'holder-grip',
      label: `grip, ${holder.kind.replaceAll('_', ' ')}, ${low} to ${high} N·m at 12 mm`,
      kind: 'library',
      sigma: sigmaOfSpan(low, high),
      narrowBy: 'test the grip of this holder with a torque wrench',
    };
    const tap = holder.kind === 'tap_holder';
    const safe = tap ? SAFE_SHARE_OF_TAP : SAFE_SHARE;
    const allowed = scale(uncertain(typical * size, source), safe);
    const share = tap ? '90% of' : 'half';
    const asked = gripAsked(state, shank);
    return {
      predicted: { estimate: asked, unit: 'Nm' },
      allowed: {
        value: allowed.value,
        unit: 'Nm',
        from: `${share} the grip of ${holder.name} on this shank`,
      },
      share: over(asked, allowed),
      why: () =>
        say(
          pullOutN(state) === 0
            ? `Peak torque {0}; {2} allowed (${share} the grip).`
            : `Peak torque {0} with {1} axial pull needs {3} of grip; {2} allowed (${share} the grip).`,
          measure(state.peakTorqueNm.value, 'Nm'),
          measure(state.pullOutN.value, 'N'),
          measure(allowed.value, 'Nm'),
          measure(asked.value, 'Nm'),
        ),
      formula: `√(M² + (Fa·d/2)²) ≤ ${safe}·M grip·(d/12)²`,
      inputs: () => [
        input('M', 'peak torque', state.peakTorqueNm.value, 'Nm'),
        input('Fa', 'pull along the axis', state.pullOutN.value, 'N'),
        input('d', 'shank', shank, 'mm'),
        input('M grip', 'grip at 12 mm', typical, 'Nm'),
      ],
      source: 'Coulomb friction of a cylindrical joint; judgement rule G-103',
    };
  },
};
