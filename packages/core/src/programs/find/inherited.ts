import type { Alloy } from '../../crib/alloy.ts';
import { withSpeedAndFeed } from '../../evaluation/starting-cut.ts';
import { measure, say } from '../../units/sentence.ts';
import { type Expected, feedOf } from './expected.ts';
import type { Finding } from './finding.ts';

/** Alloys whose numbers a program may still carry. */
export interface Inheritance {
  readonly alloys: readonly Alloy[];
}

/** Speed and feed within these shares of another's are its numbers. */
const SPEED = 0.07;
const FEED = 0.25;
/** Candidates told. */
const MOST = 3;

/** What was measured belongs to the alloy it was measured in. */
const NOTHING_MEASURED = { hardness: null, runoutUm: null, lifeSpeed30MMin: null, kc11NMm2: null };

/** By which other alloy or operation the program's speed and feed would fit: what they were likely made for. */
export function inheritedFindings(
  found: readonly Finding[],
  expected: readonly Expected[],
  { alloys }: Inheritance,
): Finding[] {
  const off = found.find((f) => f.rule === 'release-spindle-speed');
  const own = expected.find((e) => e.operation.id === off?.runs?.operationId);
  if (!off?.runs || !own) return [];
  const rpm = off.runs.value;
  // A feed that is the released one tells nothing of where the speed came from.
  const feed = found.find((f) => f.rule === 'release-feed')?.runs?.value ?? null;
  const { document, context } = own.operation;
  const fits: { name: string; rpm: number; distance: number }[] = [];
  for (const alloy of alloys) {
    if (alloy.id === document.alloyId) continue;
    const other = { ...document, alloyId: alloy.id, measured: NOTHING_MEASURED };
    let made: typeof document;
    try {
      made = withSpeedAndFeed(other, { ...context, alloy });
    } catch {
      // An alloy this cutter has no numbers for is no candidate.
      continue;
    }
    const speedOff = Math.abs(Math.log(rpm / made.cut.speedRpm));
    const feedOff = feed === null ? 0 : Math.abs(Math.log(feed / feedOf(made)));
    if (speedOff < SPEED && feedOff < FEED)
      fits.push({ name: alloy.name, rpm: made.cut.speedRpm, distance: speedOff + 0.2 * feedOff });
  }
  for (const e of expected) {
    if (e === own) continue;
    const speedOff = Math.abs(Math.log(rpm / e.speedRpm));
    if (speedOff < 0.02)
      fits.push({ name: `the operation “${e.operation.name}”`, rpm: e.speedRpm, distance: speedOff });
  }
  if (fits.length === 0) return [];
  fits.sort((a, b) => a.distance - b.distance);
  const names = fits.slice(0, MOST).map((f) => f.name);
  return [
    {
      ...off,
      rule: 'inherited',
      gravity: 'fault',
      weight: off.weight + 0.5,
      title: 'Numbers of another alloy or operation',
      what: say(
        `{0} fits ${names.join(', or ')} with this cutter; “${own.operation.name}” is ${context.alloy.name}, released at {1}.`,
        measure(rpm, 'rpm'),
        measure(own.speedRpm, 'rpm'),
      ),
      remedy: say('Ask where the program came from before it runs.'),
    },
  ];
}
