import type { Operation } from '../../../operations/operation.ts';
import { measure, say } from '../../../units/sentence.ts';
import { rampDegrees } from '../../engage/engage.ts';
import { inContact, isFeed } from '../block.ts';
import { makePlaces, type RuleMaker } from '../finding.ts';

/** Steeper than allowed by this share before it is told. */
const STEEPER = 1.05;
/** Air at the feed of the way in that is worth a word: mm, and minutes over the program. */
const AIR_MM = 3;
const AIR_MIN = 0.05;

/** Ways down that are steeper than the cutter stands, begin too high, or leave a post. */
export const wayInRule: RuleMaker = () => {
  const steep = makePlaces<{ angle: number; allowed: number }>();
  const air = makePlaces<number>();
  const post = makePlaces<number>();
  const wide = makePlaces<{ made: number; pocket: number }>();
  let airMinutes = 0;
  return {
    see(block) {
      const { motion, engagement, expected } = block;
      if (!isFeed(block) || !expected) return;
      const angle = rampDegrees(motion);
      if (angle <= 0) return;
      if (
        inContact(block) &&
        !expected.perTurn &&
        engagement.plungeShare > 0.05 &&
        angle > expected.steepestDeg * STEEPER
      )
        steep.add(angle / expected.steepestDeg, block, { angle, allowed: expected.steepestDeg });
      if (motion.cycle === 0 && engagement.air > 0.3 && motion.lengthMm * engagement.air > AIR_MM) {
        airMinutes += block.minutes * engagement.air;
        air.add(block.minutes * engagement.air, block, motion.lengthMm * engagement.air);
      }
      const { arc } = motion;
      if (!arc || arc.plane !== 17 || !inContact(block)) return;
      const core = 2 * (arc.radiusMm - expected.shape.radiusMm);
      if (core > 0.02 && engagement.plungeShare > 0.05 && leavesAPost(expected.operation.document))
        post.add(core, block, core);
      const { document } = expected.operation;
      if (
        document.kind !== 'milling' ||
        (document.feature.kind !== 'pocket' && document.feature.kind !== 'slot') ||
        document.feature.undercut
      )
        return;
      const made = 2 * (arc.radiusMm + expected.shape.radiusMm);
      if (Math.abs(arc.sweep) > Math.PI && made > document.feature.widthMm + 0.02)
        wide.add(made, block, { made, pocket: document.feature.widthMm });
    },
    findings() {
      return [
        ...steep.tell((s) => ({
          rule: 'steep',
          gravity: 'fault',
          weight: 2 * s.worth,
          title: s.detail.angle > 80 ? 'Plunge' : 'Ramp too steep',
          what: say(
            `Down at {0}; “${s.block.expected!.operation.name}” allows {1} for this cutter in this alloy.`,
            measure(s.detail.angle, 'deg'),
            measure(s.detail.allowed, 'deg'),
          ),
          remedy: say('Ramp or helix at {0} or less, or drill a start.', measure(s.detail.allowed, 'deg')),
        })),
        ...wide.tell((w) => ({
          rule: 'helix-wide',
          gravity: 'fault',
          weight: w.detail.made / w.detail.pocket,
          title: 'Helix wider than the pocket',
          what: say(
            'It makes {0} in a pocket of {1}.',
            measure(w.detail.made, 'mm'),
            measure(w.detail.pocket, 'mm'),
          ),
          remedy: say('Make the helix at most {0} across.', measure(w.detail.pocket, 'mm')),
        })),
        ...post.tell((p) => ({
          rule: 'helix-post',
          gravity: 'look',
          weight: 1,
          title: 'Helix leaves a post',
          what: say('A post of {0} stays in the middle on the way down.', measure(p.detail, 'mm')),
          remedy: say(
            'Narrow the helix to {0} across, or see that the post cannot break free.',
            measure(4 * p.block.expected!.shape.radiusMm, 'mm'),
          ),
        })),
        ...(airMinutes > AIR_MIN
          ? air.tell((a) => ({
              rule: 'air-in',
              gravity: 'note',
              weight: airMinutes,
              title: 'Way in begins in the air',
              what: say(
                '{0} at the feed of the way in before anything is cut; {1} in all.',
                measure(a.detail, 'mm'),
                measure(airMinutes, 'min'),
              ),
              remedy: say('Come down in rapid to a hair over the material.'),
            }))
          : []),
      ];
    },
  };
};

/** A helix that bores a hole takes its middle with it, and round a ring the middle is the part. */
const leavesAPost = (document: Operation): boolean =>
  !isBored(document.kind) && !(document.kind === 'milling' && document.feature.undercut);

const isBored = (kind: string): boolean =>
  kind === 'hole-milling' || kind === 'thread-milling' || kind === 'chamfering';
