import { isTurnedOperation } from '../../operations/lathe/turned-kinds.ts';
import { finishingSentence } from '../../operations/milling/finishing-sentence.ts';
import { undercutSentence } from '../../operations/milling/undercut-sentence.ts';
import { edgeSentence } from '../../operations/edge-milling/edge-sentence.ts';
import { turnedSentence } from '../../operations/lathe/turned-sentence.ts';
import { isHole, type HoleOperation } from '../../operations/hole-operation.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { heldOf } from '../../operations/milling/held-of.ts';
import { planPath } from '../../operations/milling/path-plan.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { Operation } from '../../operations/operation.ts';
import type { Evaluation } from '../../evaluation/evaluation.ts';
import { expectedLoad } from '../../evaluation/expected-load.ts';
import { holeSentence, stepNotes } from '../../evaluation/step-notes.ts';
import { counted } from '../../units/counted.ts';
import { formatNumber } from '../../units/unit.ts';
import { measure, say, type Sentence } from '../../units/sentence.ts';
import { burrSites } from '../burrs/burr-sites.ts';
import { aliveAfter, oneIn } from './edge-plan.ts';

/** A line of the sheet that no number to set says. */
export interface SetterFact {
  readonly name: string;
  readonly text: Sentence;
}

/** Load, %, below which a meter shows nothing one could act on. */
const READABLE = 10;
const mm = (value: number) => measure(value, 'mm');

function featureOf(op: MillingOperation): Sentence {
  const { feature, featuresPerPart, cut } = op;
  if (feature.undercut) return undercutSentence(op);
  if (feature.finishing) return finishingSentence(op, feature.finishing);
  const corner = feature.cornerRadiusMm === null ? '' : ', corners R{3}';
  const left = feature.allowanceMm > 0 ? '; {4} left on the wall' : '; finished here';
  const through = feature.through ? ', through' : '';
  return say(
    `${featuresPerPart} × ${feature.kind} {0} × {1} × {2} deep${corner}${through}${left}; ${cut.direction}`,
    mm(feature.lengthMm),
    mm(feature.widthMm),
    mm(feature.depthMm),
    mm(feature.cornerRadiusMm ?? 0),
    mm(feature.allowanceMm),
  );
}

function waysOf(op: MillingOperation, context: OperationContext, evaluation: Evaluation): SetterFact[] {
  const plan = planPath(op, context);
  const { entry } = plan;
  const feed = (evaluation.numbers.find((n) => n.key === 'vf')?.value ?? 0) * entry.feedShare;
  const levels = counted(plan.levels, 'level');
  // A path that winds its way in has no passes one could count at the machine.
  const counts = op.path.strategy === 'levels' || op.path.strategy === 'high-feed';
  const passes = counts && plan.passes > 1 ? `, ${plan.passes} passes each` : '';
  return [
    {
      name: 'Levels',
      text: say(`${levels} of {0}${passes}`, mm(Math.min(op.cut.axialDepthMm, op.feature.depthMm))),
    },
    {
      name: 'Entry',
      text:
        entry.method === 'outside'
          ? say('from outside the material, at {0}', measure(feed, 'mm/min'))
          : say(
              `${entry.method}${entry.method === 'helix' ? ' making a {2} hole' : ''}${entry.method === 'helix' || entry.method === 'ramp' ? ', ramp {1}' : ''}, at {0}`,
              measure(feed, 'mm/min'),
              measure(entry.rampAngleDeg, 'deg'),
              mm(entry.helixDiameterMm ?? 0),
            ),
    },
  ];
}

const holeOf = (op: HoleOperation): Sentence => {
  const whole = holeSentence(op);
  return { ...whole, text: `${op.featuresPerPart} × ${whole.text}` };
};

/** What the operation makes, as the sheet says it. */
function madeOf(op: Operation): Sentence {
  if (isHole(op)) return holeOf(op);
  if (op.kind === 'edge-milling') return edgeSentence(op);
  return isTurnedOperation(op) ? turnedSentence(op) : featureOf(op);
}

function holding(op: MillingOperation, context: OperationContext): Sentence {
  const { kind, capacityN, bySetup } = heldOf(op, context);
  if (capacityN === null) return say(`${kind}, force not stated`);
  return say(`${kind}, {0}${bySetup ? ' cold, by the setup' : ''}`, measure(capacityN, 'N'));
}

/** What is heard of a sound cut, and what is not to be. */
function soundOf(op: Operation, context: OperationContext, evaluation: Evaluation): Sentence {
  const teeth = Number(context.cutter.properties.ZEFP ?? context.cutter.properties.NOF ?? 1);
  const hz = measure((op.cut.speedRpm * teeth) / 60, 'Hz');
  const chatter = evaluation.limits.find((l) => l.id === 'limit-depth');
  if (isHole(op) && !chatter) return say('even; a squeal or a crack is a reason to stop');
  return chatter && chatter.state !== 'clear'
    ? say('even hum at {0}; it may squeal: stop and call if it does', hz)
    : say('even hum at {0}; a squeal is not expected: stop if it comes', hz);
}

/** “1 in 20 fails earlier”. */
export const failEarlier = (chance: number): string => {
  const share = oneIn(chance);
  return `${share} ${share.startsWith('1 in') ? 'fails' : 'fail'} earlier`;
};

/** When the edge is changed and how many do not last until then: “after 4 features; 1 in 20 fails earlier”. Null without a life. */
export function changeWords(op: Operation, evaluation: Evaluation): string | null {
  if (!evaluation.featuresPerEdge) return null;
  const one = isHole(op) ? 'hole' : 'feature';
  const early = 1 - aliveAfter(op.featuresPerEdge, evaluation.featuresPerEdge);
  return `after ${counted(op.featuresPerEdge, one)}; ${failEarlier(early)}`;
}

/** How many an edge lasts, where nobody has said yet when it is changed: “about 1,400 holes, 1 in 10 fewer than 880”. Null without a life. */
export function lastsWords(op: Operation, { featuresPerEdge: lasts }: Evaluation): string | null {
  if (!lasts) return null;
  const one = isHole(op) ? 'hole' : 'feature';
  if (lasts.value < 1) return `less than one ${one}`;
  const about = (n: number): string => formatNumber(Number(Math.floor(n).toPrecision(2)), 'pieces', 'metric');
  const few = lasts.low < 1 ? 'none' : `fewer than ${about(lasts.low)}`;
  return `about ${about(lasts.value)} ${one}${Math.floor(lasts.value) === 1 ? '' : 's'}, 1 in 10 ${few}`;
}

/** Burr, mm, that is worth a line of the sheet. */
const SEEN_BURR = 0.05;

/** Where a burr will stand that somebody has to take off, as the sheet says it. */
const burrFacts = (op: Operation, context: OperationContext, evaluation: Evaluation): SetterFact[] =>
  burrSites({ document: op, context, evaluation })
    .filter((b) => b.heightMm >= SEEN_BURR)
    .slice(0, 1)
    .map((b) => ({ name: 'Burr', text: say(`about {0}, ${b.where}`, mm(b.heightMm)) }));

/** What the setter and the machinist have to know of an operation beside the numbers to set, as the sheet says it. */
export function setterFacts(
  op: Operation,
  context: OperationContext,
  evaluation: Evaluation,
): readonly SetterFact[] {
  const load = expectedLoad(op, context, evaluation);
  const rated = Math.min(context.cutter.properties.RPMX ?? Infinity, context.holder.max_rpm || Infinity);
  const notes = stepNotes(op);
  const change = changeWords(op, evaluation);
  return [
    {
      name: isHole(op)
        ? 'Hole'
        : isTurnedOperation(op)
          ? 'Turned'
          : op.kind === 'edge-milling'
            ? 'Edge'
            : 'Feature',
      text: madeOf(op),
    },
    ...notes.map((text) => ({ name: 'Note', text })),
    ...(op.kind === 'milling' ? waysOf(op, context, evaluation) : []),
    ...(op.kind === 'milling' ? [{ name: 'Holding', text: holding(op, context) }] : []),
    {
      name: 'Load meter',
      text: say(
        load.high < READABLE
          ? 'about {2}: too little for the meter to warn, listen instead; stop above {3}'
          : '{0} to {1} expected, about {2}; stop above {3}',
        measure(load.low, 'percent'),
        measure(load.high, 'percent'),
        measure(load.value, 'percent'),
        measure(Math.max(1.3 * load.high, load.high + 5), 'percent'),
      ),
    },
    ...burrFacts(op, context, evaluation),
    { name: 'Sound', text: soundOf(op, context, evaluation) },
    ...(Number.isFinite(rated) ? [{ name: 'Never above', text: say('{0}', measure(rated, 'rpm')) }] : []),
    ...(change ? [{ name: 'Change the edge', text: say(change.replace(';', ', never inside one;')) }] : []),
  ];
}
