import { exact, uncertain } from '../../../judging/estimate.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import { outerDiameter } from '../../../crib/cutter.ts';
import { held, verdict } from '../../holes/limits/assessments.ts';
import { cuttingForceSources } from '../../sources.ts';
import type { MillingState } from '../milling-state.ts';

/** Feed a tooth going straight down, over that of the cut: the end has little room for chips. Judgement. */
const OF_THE_CUT = 0.3;
/** Thrust of an end mill over what the chip alone asks for: near its axis nothing cuts, it is pushed aside. Judgement. */
const DEAD_CENTRE = 1.6;
/** What the corners of an end stand in thrust, N on a millimetre of diameter squared; carbide. Judgement: a 12 mm end some 5 kN. */
const STANDS = 35;
/** Deeper than this, in diameters, a closed hole packs with chips; out of it they come by coolant. */
const PACKS = 1;
/** Harder than this nothing is plunged with an end mill, HRC. */
const HARDEST = 45;

/** Straight down on its end a mill is a bad drill: no edge at the middle, no room for chips, all its thrust on the corners. */
export const plungeEntryLimit: Limit<MillingState> = {
  id: 'plunge-entry',
  group: 'path',
  name: 'plunge entry',
  asks: 'forces',
  assess({ op, context }) {
    if (op.path.entry.method !== 'plunge' || op.path.strategy === 'plunge') return null;
    const { cutter, alloy } = context;
    const scale = alloy.hardness.scale;
    const hardness = op.measured.hardness ?? alloy.hardness.typical;
    const refused = !cutter.extended.centre_cutting
      ? `${cutter.name} has no edge across its middle: it stands on the part. Ramp, helix, or a drilled hole.`
      : scale === 'HRC' && hardness > HARDEST
        ? `At ${hardness} HRC the middle of an end mill crumbles under the thrust. Ramp, helix, or a drilled hole.`
        : null;
    if (refused !== null)
      return verdict('over', {
        why: () => say(refused),
        formula: 'an edge across the middle, and no more than 45 HRC',
        source: 'cutter record; judgement',
      });
    const diameter = outerDiameter(cutter);
    const feed = OF_THE_CUT * op.cut.feedPerToothMm;
    const { kc11, sources } = cuttingForceSources(op, context);
    const teeth = Math.max(1, Number(cutter.properties['ZEFF'] ?? 2));
    // Each of the teeth that reach the middle takes its feed over half the diameter.
    const thrustN =
      DEAD_CENTRE *
      alloy.kienzle.radial_to_tangential.typical *
      kc11 *
      teeth *
      (diameter / 2) *
      feed ** (1 - alloy.kienzle.mc.typical);
    const deep = op.cut.axialDepthMm / diameter;
    return {
      ...held(uncertain(thrustN, ...sources), STANDS * diameter ** 2, 'N', 'end of the cutter', {
        why: () =>
          deep > PACKS
            ? say(
                'Plunges {0} deep, {1}×D: chips pack in the hole it makes. Lift out between, ramp, or drill first. Thrust {2}.',
                measure(op.cut.axialDepthMm, 'mm'),
                measure(deep, 'ratio'),
                measure(thrustN, 'N'),
              )
            : say(
                'Thrust {0} at {1} a tooth; its end stands {2}.',
                measure(thrustN, 'N'),
                measure(feed, 'mm/tooth'),
                measure(STANDS * diameter ** 2, 'N'),
              ),
        formula: '1.6·kr·kc1.1·z·D/2·fz^(1−mc), fz 0.3 of the cut',
        inputs: () => [
          input('D', 'cutter', diameter, 'mm'),
          input('fz', 'feed a tooth, down', feed, 'mm/tooth'),
        ],
        source: 'Kienzle & Victor 1957; shares and what an end stands are judgement',
      }),
      ...(deep > PACKS && thrustN <= STANDS * diameter ** 2
        ? {
            verdict: 'tight' as const,
            share: exact(Math.max(deep / PACKS, thrustN / (STANDS * diameter ** 2))),
          }
        : {}),
    };
  },
};
