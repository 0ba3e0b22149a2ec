import { readSpoken, type SpokenCut, type SpokenKey, type SpokenTool, type Symptom } from '@burl/core';
import type { Crib } from '@burl/contract';
import { usualMachine } from '../../../judging/usual-machine.ts';
import type { Made } from '../../../judging/new-operation.ts';

/** What is known of somebody's cut: read from words, put right by hand. */
export interface RunningDraft {
  readonly alloyId: string;
  readonly machineId: string;
  readonly tool: SpokenTool;
  readonly made: Made;
  readonly numbers: Readonly<Partial<Record<SpokenKey, number>>>;
  readonly symptoms: readonly Symptom[];
  /** What had to be supposed so far. */
  readonly supposed: readonly string[];
}

/** What somebody corrected of what was read; it stays when the words go on. */
export type Corrections = Partial<Omit<RunningDraft, 'numbers' | 'supposed'>> & {
  readonly numbers?: Readonly<Partial<Record<SpokenKey, number | null>>>;
};

const MADE_WORDS: Readonly<Record<Made, string>> = {
  pocket: 'a pocket',
  slot: 'a slot',
  side: 'a wall',
  boss: 'a boss',
  face: 'a face',
  hole: 'a hole',
};

/** Longest text that is read. */
export const MOST_SAID = 600;

/** Words as a draft of the cut, with corrections on top. */
export function draftOf(
  said: string,
  corrections: Corrections,
  crib: Crib,
): { draft: RunningDraft; read: SpokenCut } {
  const read = readSpoken(said.slice(0, MOST_SAID), {
    alloys: crib.alloys.filter((a) => !a.retired).map((a) => a.document),
    machines: crib.machines.filter((m) => !m.retired).map((m) => m.document),
  });
  const all: Partial<Record<SpokenKey, number | null>> = {
    ...Object.fromEntries(read.fields.map((f) => [f.key, f.value])),
    ...corrections.numbers,
  };
  const numbers = Object.fromEntries(
    Object.entries(all).filter(([, value]) => typeof value === 'number'),
  ) as Partial<Record<SpokenKey, number>>;
  const alloyId = corrections.alloyId ?? read.alloys[0]?.id ?? '';
  const machineId = corrections.machineId ?? read.machines[0]?.id ?? usualMachine(crib)?.id ?? '';
  const name = (list: readonly { id: string; document: { name: string } }[], id: string) =>
    list.find((e) => e.id === id)?.document.name ?? '';
  const made = corrections.made ?? read.feature;
  const supposed = [
    ...read.fields
      .filter((f) => !corrections.numbers || !(f.key in corrections.numbers))
      .flatMap((f) => f.supposed ?? []),
    ...(corrections.alloyId === undefined &&
    read.alloys.length > 1 &&
    read.alloys[1]!.weight > 0.6 * read.alloys[0]!.weight
      ? [`${name(crib.alloys, alloyId)}: condition not said`]
      : []),
    ...(corrections.machineId === undefined && read.machines.length === 0
      ? [`machine not said: ${name(crib.machines, machineId)}`]
      : []),
    ...(corrections.made === undefined && read.featureSupposed
      ? [`feature not said: ${MADE_WORDS[made]}`]
      : []),
  ];
  return {
    read,
    draft: {
      alloyId,
      machineId,
      tool: corrections.tool ?? read.tool,
      made,
      numbers,
      symptoms: corrections.symptoms ?? read.symptoms,
      supposed,
    },
  };
}
