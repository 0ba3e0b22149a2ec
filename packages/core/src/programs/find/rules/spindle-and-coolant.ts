import { measure, say } from '../../../units/sentence.ts';
import { inContact, isFeed } from '../block.ts';
import { makePlaces, type RuleMaker } from '../finding.ts';

/** Tendencies of an alloy to harden under a resting edge that make a dwell a fault. */
const HARDENS = new Set(['severe', 'high']);
/** Shorter rests only finish the turn, s. */
const REST_S = 0.1;
/** Minutes of cutting without coolant from which chips lie. */
const DRY_MIN = 0.02;

/** Spindle not turning, turning the wrong way or too fast; coolant that is off; rests on the material. */
export const spindleAndCoolantRule: RuleMaker = ({ machine }) => {
  const still = makePlaces<null>();
  const wrongWay = makePlaces<null>();
  const fast = makePlaces<{ rpm: number; rated: number }>();
  const dry = makePlaces<null>();
  const rest = makePlaces<number>();
  let dryMinutes = 0;
  let touched = false;
  return {
    see(block) {
      const { motion, expected } = block;
      const { setting } = motion;
      const rated = Math.min(expected?.ratedRpm ?? Infinity, machine?.max_rpm ?? Infinity);
      if (motion.speedRpm > rated * 1.0001)
        fast.add(motion.speedRpm / rated, block, { rpm: motion.speedRpm, rated });
      if (motion.kind === 'dwell') {
        const alloy = expected?.operation.context.alloy;
        if (touched && alloy && HARDENS.has(alloy.work_hardening.tendency) && motion.seconds > REST_S)
          rest.add(motion.seconds, block, motion.seconds);
        return;
      }
      touched = isFeed(block) && inContact(block);
      if (!touched) return;
      if (setting.spindle === 'stopped' || motion.speedRpm <= 0) still.add(block.minutes + 1e-9, block, null);
      else if (setting.spindle === 'anticlockwise' && setting.tool > 0 && motion.cycle !== 74)
        wrongWay.add(block.minutes + 1e-9, block, null);
      if (expected?.wet && !setting.coolant) {
        dryMinutes += block.minutes;
        dry.add(block.minutes, block, null);
      }
    },
    findings() {
      return [
        ...still.tell(() => ({
          rule: 'spindle-stopped',
          gravity: 'stop',
          weight: 12,
          title: 'Cuts with the spindle stopped',
          what: say('The cutter meets material and nothing has started the spindle.'),
          remedy: say('Start the spindle with its speed before the first contact.'),
        })),
        ...wrongWay.tell(() => ({
          rule: 'spindle-wrong-way',
          gravity: 'stop',
          weight: 8,
          title: 'Spindle turns anticlockwise',
          what: say('A right-hand cutter runs backwards in the cut.'),
          remedy: say('Turn it clockwise (M3), unless the tool is left-hand.'),
        })),
        ...fast.tell((f) => ({
          rule: 'over-rating',
          gravity: 'stop',
          weight: 5 * f.worth,
          title: 'Speed above the rating',
          what: say(
            '{0} is asked of cutter, holder or spindle rated for {1}.',
            measure(f.detail.rpm, 'rpm'),
            measure(f.detail.rated, 'rpm'),
          ),
          remedy: say('Run at most {0}.', measure(f.detail.rated, 'rpm')),
        })),
        ...(dryMinutes > DRY_MIN
          ? dry.tell(() => ({
              rule: 'coolant-off',
              gravity: 'fault',
              weight: 1 + dryMinutes,
              title: 'Cuts without the coolant released',
              what: say(
                '{0} of cutting with the coolant off: chips stay in the cut and heat stays with them.',
                measure(dryMinutes, 'min'),
              ),
              remedy: say('Switch the coolant on before the first contact, and off behind the last.'),
            }))
          : []),
        ...rest.tell((r) => ({
          rule: 'dwell',
          gravity: 'look',
          weight: r.detail,
          title: 'Rests on a work-hardening alloy',
          what: say('The edge rubs for {0} without feed and leaves a hard skin.', measure(r.detail, 's')),
          remedy: say('Leave the dwell out, or draw off before it.'),
        })),
      ];
    },
  };
};
