import type { Machine } from '../../crib/machine.ts';
import { rapidSeconds } from '../../physics/holes/cycle-time.ts';
import type { LimitState } from '../../judging/result.ts';
import { measure, say, type Sentence } from '../../units/sentence.ts';
import type { JudgedJob, JudgedSetup } from './judged-job.ts';

/** One thing a transfer rests on. */
export interface TransferFinding {
  readonly id: 'machine' | 'sub-spindle' | 'parting' | 'speed' | 'grip';
  readonly state: LimitState;
  readonly why: Sentence;
}

/** A part that the sub-spindle takes over from the setup before. */
export interface TransferReport {
  readonly setupId: string;
  readonly setup: string;
  readonly minutes: number;
  readonly findings: readonly TransferFinding[];
  readonly cautions: readonly string[];
}

/** Way of the sub-spindle to the part and back, mm, and seconds to come up to speed, close its jaws and let go. Judgement. */
const WAY = 350;
const GRIP_S = 5;

/** Minutes the sub-spindle takes to fetch a part. */
export const transferMinutes = ({ axes }: Machine): number => (2 * rapidSeconds(WAY, axes.z) + GRIP_S) / 60;

export const TRANSFER_CAUTIONS: readonly string[] = [
  'Both spindles turn together, in speed and in angle where flats or holes have to match, before the second jaws close; no axis pushes against the other.',
  'A part taken over is proved at low speed with nobody in line with it: jaws that miss it throw it.',
];

/** Whether a setup comes from the one before it by its sub-spindle, and what that takes; null where it is loaded by hand. */
export function transferReport(setup: JudgedSetup, job: JudgedJob): TransferReport | null {
  if (!setup.plan.takenOver) return null;
  const at = job.setups.indexOf(setup);
  const before = job.setups[at - 1];
  const [first] = setup.operations;
  const last = before?.operations.at(-1);
  const machine = first?.context.machine ?? last?.context.machine;
  const findings: TransferFinding[] = [];
  const find = (id: TransferFinding['id'], state: LimitState, why: Sentence): void => {
    findings.push({ id, state, why });
  };
  if (!before || !last)
    find('machine', 'over', say('Nothing is made before this setup: it takes no part over.'));
  else if (first && first.context.machine.id !== last.context.machine.id)
    find(
      'machine',
      'over',
      say(
        `${before.name} runs on ${last.context.machine.name}, this setup on ${first.context.machine.name}: a part is taken over on one machine only.`,
      ),
    );
  const sub = machine?.sub_spindle_max_rpm;
  if (machine && !sub) find('sub-spindle', 'over', say(`${machine.name} has no sub-spindle in its record.`));
  const parting = before?.operations.find(
    ({ document: d }) => d.kind === 'grooving' && d.groove.way === 'part-off',
  );
  if (parting?.document.kind === 'grooving') {
    const { groove, cut } = parting.document;
    const held = groove.caughtBy === 'sub-spindle';
    const ends = parting === last;
    find(
      'parting',
      !held ? 'over' : ends ? 'clear' : 'tight',
      say(
        held
          ? ends
            ? `${parting.name}: held by the sub-spindle as it comes off.`
            : `${parting.name} is not the last of ${before!.name}: what comes after it finds no part.`
          : `${parting.name} lets the part fall (${groove.caughtBy}): state the sub-spindle there.`,
      ),
    );
    if (sub)
      find(
        'speed',
        cut.capRpm > sub ? 'over' : 'clear',
        say(
          `${parting.name} turns up to {0}; the sub-spindle {1}.`,
          measure(cut.capRpm, 'rpm'),
          measure(sub, 'rpm'),
        ),
      );
    const gripped = setup.plan.holding?.values['grippedMm'];
    if (gripped !== undefined)
      find(
        'grip',
        gripped > groove.fromEndMm ? 'over' : 'clear',
        say('Gripped over {0} of a part {1} long.', measure(gripped, 'mm'), measure(groove.fromEndMm, 'mm')),
      );
  } else if (before && last)
    find('parting', 'clear', say(`No parting in ${before.name}: the whole blank is handed over.`));
  return {
    setupId: setup.id,
    setup: setup.name,
    minutes: machine ? transferMinutes(machine) : 0,
    findings,
    cautions: TRANSFER_CAUTIONS,
  };
}
