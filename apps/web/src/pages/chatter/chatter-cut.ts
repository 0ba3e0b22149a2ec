import type { operationOf } from './cut-asked.ts';

/** The cut that is looked at, with all it is judged by. */
export type ChatterCut = NonNullable<ReturnType<typeof operationOf>>;

export const teethOf = ({ context: { cutter } }: ChatterCut): number =>
  cutter.properties.ZEFP ?? cutter.properties.NOF ?? 1;
