import type { LimitState } from './result.ts';

/** How much a state of a limit weighs: what nobody measured stops nobody yet, what may exceed does sooner. */
export const SEVERITY: Readonly<Record<LimitState, number>> = { clear: 0, unproven: 1, tight: 2, over: 3 };
