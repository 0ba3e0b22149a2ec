import { measure, say } from '../../../units/sentence.ts';
import { type Block, isFeed } from '../block.ts';
import { largestSine } from '../cut-model.ts';
import { type Finding, makePlaces, type RuleMaker } from '../finding.ts';
import { makeMiddle, type Middle } from '../middle.ts';

const DEG = 180 / Math.PI;
/** Contact over the straight cut's that counts as a spike, and by how much at least, rad. */
const RATIO = 1.35;
const LEAST = 0.3;
/** Share of the released force below which no contact is a spike. */
const HEAVY = 0.8;
/** Force over the released one that breaks tools, and the chip at which a corner counts as slowed for. */
const OVER = 1.3;
const SLOWED = 1.1;
/** Steps of the record of contact over time, rad, and blocks kept for the end. */
const STEP = 0.02;
const KEPT = 400;

/** Contact that jumps over that of the straight cut: corners, lead-ins, full width by mistake. */
export const spikeRule: RuleMaker = () => {
  const tools = new Map<number, { readonly contact: Middle; readonly heaviest: Block[] }>();
  return {
    see(block) {
      const { engagement, motion } = block;
      if (!isFeed(block) || engagement.most.arc === 0 || engagement.plungeShare > 0.3) return;
      // A ring in a face is a full slot on its first circle, and released as one.
      const document = block.expected?.operation.document;
      if (document?.kind === 'milling' && document.feature.undercut?.form === 'face-ring') return;
      const t = tools.get(motion.setting.tool) ?? { contact: makeMiddle(STEP, 'size'), heaviest: [] };
      tools.set(motion.setting.tool, t);
      t.contact.add(engagement.usualArc, block.minutes * (1 - engagement.air));
      t.heaviest.push(block);
      if (t.heaviest.length > 2 * KEPT) {
        t.heaviest.sort((a, b) => b.engagement.most.arc - a.engagement.most.arc);
        t.heaviest.length = KEPT;
      }
    },
    findings() {
      return [...tools].flatMap(([tool, t]): Finding[] => {
        const usual = Math.max(STEP, t.contact.value() ?? Math.PI);
        const places = makePlaces<{ ratio: number }>();
        for (const b of [...t.heaviest].sort((a, c) => a.index - c.index)) {
          const { most } = b.engagement;
          if (most.arc < usual * RATIO || most.arc < usual + LEAST) continue;
          // A wide contact of no depth, as the turn that levels a helix, is no load.
          const released = b.expected?.model.released.forceN;
          if (released !== undefined && b.load.forceN < released * HEAVY) continue;
          places.add(most.arc * most.depthMm, b, { ratio: most.arc / usual });
        }
        return places.tell(({ detail: { ratio }, block }) => {
          const { most } = block.engagement;
          const chip =
            largestSine(most.entry, most.exit) / Math.max(0.05, Math.sin(Math.min(usual, Math.PI / 2)));
          const released = block.expected?.model.released;
          const over = released !== undefined && block.load.forceN > OVER * released.forceN;
          // Slowed for, it is a jump of the contact and no more.
          const slowed = released !== undefined && !over && block.load.chipMm < SLOWED * released.chipMm;
          return {
            rule: 'spike',
            gravity: slowed ? 'note' : over || chip > 1.5 ? 'fault' : 'look',
            weight: ratio,
            title: slowed ? 'Engagement spike, slowed for' : 'Engagement spike',
            what: say(
              `Tool ${tool}: contact {0}, ${ratio.toFixed(1)} times the straight cut’s {1}${
                released ? '; force {2}, released {3}.' : '.'
              }`,
              measure(most.arc * DEG, 'deg'),
              measure(usual * DEG, 'deg'),
              measure(block.load.forceN, 'N'),
              measure(released?.forceN ?? 0, 'N'),
            ),
            remedy: slowed
              ? say('Nothing has to be done; a larger radius or lighter passes would save the minutes.')
              : say('Slow down before it, or go round it on a larger radius in lighter passes.'),
          };
        });
      });
    },
  };
};
