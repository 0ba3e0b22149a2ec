import type { HoleOperation } from '../hole-operation.ts';
import { measure, say, type Sentence } from '../../units/sentence.ts';

const KIND_WORD: Readonly<Record<HoleOperation['kind'], string>> = {
  drilling: 'Drill',
  reaming: 'Ream',
  boring: 'Bore',
  'hole-milling': 'Helical milling',
  chamfering: 'Chamfer',
  tapping: 'Tap',
  'thread-milling': 'Mill the thread',
};

/** The hole of a step in one sentence: size, depth, what is there before. */
export function holeSentence(op: HoleOperation): Sentence {
  const { hole } = op;
  const word =
    op.kind === 'drilling' && op.role !== 'drill'
      ? op.role === 'spot'
        ? 'Spot'
        : 'Pilot'
      : KIND_WORD[op.kind];
  const size = op.kind === 'tapping' || op.kind === 'thread-milling' ? op.thread.designation : '⌀{0}';
  const before = hole.startMm > 0 ? ', {2} there before' : '';
  return say(
    `${word} ${size}, {1} deep, ${hole.through ? 'through' : 'blind'}${before}${hole.piloted && hole.startMm === 0 ? ', piloted' : ''}`,
    measure(hole.diameterMm, 'mm'),
    measure(hole.depthMm, 'mm'),
    measure(hole.startMm, 'mm'),
  );
}

/** What the setter has to know of a step that no number says. */
export function stepNotes(op: HoleOperation): Sentence[] {
  const list: Sentence[] = [];
  switch (op.kind) {
    case 'drilling':
      if (op.role !== 'spot' && (op.hole.through || op.hole.crossHoles > 0) && op.cut.breakthroughFeed < 1)
        list.push(
          say(
            'Before breakthrough: feed at {0} of the rest.',
            measure(100 * op.cut.breakthroughFeed, 'percent'),
          ),
        );
      if (op.hole.piloted)
        list.push(say('Enter the pilot slowly; full speed and coolant 1 to 2 mm above its bottom.'));
      break;
    case 'reaming':
      list.push(
        say('Retract feed {0}× feed in, spindle turning forwards.', measure(op.cut.outFeed, 'ratio')),
      );
      break;
    case 'boring':
      list.push(
        say(
          '{0} passes, {1} spring passes; set the bar after measuring the first bore.',
          measure(op.cut.passes, 'pieces'),
          measure(op.cut.springPasses, 'pieces'),
        ),
      );
      break;
    case 'hole-milling':
      list.push(
        say('Pitch {0} per revolution, climb; centre-path program.', measure(op.cut.pitchMm, 'mm')),
        ...(op.cut.pastFloorMm > 0
          ? [say('Overrun {0} at the bottom.', measure(op.cut.pastFloorMm, 'mm'))]
          : []),
        ...(op.cut.springPasses > 0
          ? [say('{0} spring passes.', measure(op.cut.springPasses, 'pieces'))]
          : []),
      );
      break;
    case 'chamfering':
      list.push(say('Width {0}.', measure(op.cut.widthMm, 'mm')));
      break;
    case 'tapping':
      list.push(
        say(
          op.cut.synchronous ? 'Rigid tapping, pitch {0}.' : 'Floating holder, pitch {0}.',
          measure(op.thread.pitchMm, 'mm'),
        ),
      );
      break;
    case 'thread-milling':
      list.push(
        say(
          'Climb from the bottom up, pitch {0}; {1} radial passes, {2} spring passes; centre-path program.',
          measure(op.thread.pitchMm, 'mm'),
          measure(op.cut.passes, 'pieces'),
          measure(op.cut.springPasses, 'pieces'),
        ),
      );
      break;
  }
  return list;
}
