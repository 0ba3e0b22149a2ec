import { PROVE_OUT_STEPS, type ProveOutInput, type ProveOutRecord, type ProveOutStep } from '@burl/contract';

/** A step with what was last said of it. */
export interface StepNow {
  readonly step: ProveOutStep;
  readonly state: 'open' | 'done' | 'failed';
  readonly by: string;
  readonly word: string;
  /** Said here and not at the server yet. */
  readonly waits: boolean;
}

/** Steps of a sheet or of one of its operations as they stand: the last word on each counts, what waits in the browser too. */
export function stepsNow(
  operationId: string | null,
  signed: readonly ProveOutRecord[],
  waiting: readonly ProveOutInput[],
  me: string,
  steps: readonly ProveOutStep[] = PROVE_OUT_STEPS,
): StepNow[] {
  return steps
    .filter((s) => (s.per === 'operation') === (operationId !== null))
    .map((step) => {
      const of = <T extends { step: string; operationId: string | null }>(
        list: readonly T[],
      ): T | undefined => list.filter((r) => r.step === step.id && r.operationId === operationId).at(-1);
      const here = of(waiting);
      const there = of(signed);
      const last = here ?? there;
      return {
        step,
        state: last?.result ?? 'open',
        by: here ? me : (there?.by ?? ''),
        word: last?.word ?? '',
        waits: here !== undefined,
      };
    });
}
