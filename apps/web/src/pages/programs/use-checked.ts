import type { CheckSettings } from '@burl/core';
import { proxy } from 'comlink';
import { type Heavy, useHeavy } from '../../workers/use-heavy.ts';
import type { ProgramPicture } from '../../workers/program-work.ts';

/** Numbers things that have no name, so that the same thing asks no question twice. */
const numbers = new WeakMap<object, number>();
let next = 0;
const numberOf = (thing: object): number => {
  const known = numbers.get(thing) ?? ++next;
  numbers.set(thing, known);
  return known;
};

/** A program gone through in a worker: a first picture while it runs, then all that was found. */
export const useChecked = (
  text: { readonly now: string } | null,
  settings: CheckSettings | null,
): Heavy<ProgramPicture> =>
  useHeavy<ProgramPicture>(
    'program',
    text && settings ? `program ${numberOf(text)} ${numberOf(settings)}` : null,
    (api, progress) => api.program(text!.now, settings!, proxy(progress.early), proxy(progress.part)),
    120,
  );
