import type { Alloy } from '../../crib/alloy.ts';
import type { OperationContext } from '../context.ts';
import type { CoolantKind } from '../operation-base.ts';

/** A jet at the edge that helps, and one that helps most, bar (rule G-31); and how far under the insert's feeds it then breaks chips: judgement. */
const [HELPS, MOST, BREAKS_FROM] = [20, 70, 0.6];
/** Pressure of coolant through the tool where a machine has it and states none, bar. */
const USUAL = 20;

/** Pressure of the coolant at the edge, bar; 0 where it is poured. */
export const jetBar = (
  { coolant }: { readonly coolant: CoolantKind },
  { machine }: Pick<OperationContext, 'machine'>,
): number => (coolant === 'through-tool' ? (machine.coolant.pressure_bar.tsc ?? USUAL) : 0);

/** How much of what a hard jet does one of this pressure does. */
const shareOf = (bar: number): number => Math.min(1, Math.max(0, (bar - HELPS) / (MOST - HELPS)));

/** Speed an edge stands in titanium under a hard jet over what it stands under flood, the middle of 10 to 30 %. Rule G-31. */
const IN_TITANIUM = 1.2;
/** How much faster an edge may go under a jet for the same life; nothing is known of other metals. */
export const speedUnderJet = (bar: number, { family }: Pick<Alloy, 'family'>): number =>
  family === 'titanium' ? 1 + (IN_TITANIUM - 1) * shareOf(bar) : 1;

/** Thinnest feed whose chips break, over that of the insert's record: a hard jet under the chip bends it short. */
export const chipsBreakFrom = (bar: number): number => 1 - (1 - BREAKS_FROM) * shareOf(bar);
