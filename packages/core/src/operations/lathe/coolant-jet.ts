import type { OperationContext } from '../context.ts';
import type { CoolantKind } from '../operation-base.ts';

/** A jet at the edge that helps, and one that helps most, bar; and how far under the insert's feeds it then breaks chips. Judgement. */
const [HELPS, MOST, BREAKS_FROM] = [20, 70, 0.6];
/** Pressure of coolant through the tool where a machine has it and states none, bar. */
const USUAL = 20;

/** Pressure of the coolant at the edge, bar; 0 where it is poured. */
export const jetBar = (
  { coolant }: { readonly coolant: CoolantKind },
  { machine }: Pick<OperationContext, 'machine'>,
): number => (coolant === 'through-tool' ? (machine.coolant.pressure_bar.tsc ?? USUAL) : 0);

/** Thinnest feed whose chips break, over that of the insert's record: a hard jet under the chip bends it short. */
export const chipsBreakFrom = (bar: number): number =>
  1 - (1 - BREAKS_FROM) * Math.min(1, Math.max(0, (bar - HELPS) / (MOST - HELPS)));
