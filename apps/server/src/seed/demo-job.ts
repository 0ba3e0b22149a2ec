import type { Operation, SetupPlan } from '@burl/core';
import type { JobFields } from '@burl/contract';
import type { DemoHole } from './demo-holes.ts';
import type { demoOperations } from './demo-operations.ts';

/** A job of the demo: tidal-stream turbines, geothermal wellheads and cryogenic valves of a shop that does not exist. */
export interface DemoJob {
  readonly fields: JobFields;
  readonly holes?: readonly DemoHole[];
  readonly setups: readonly {
    readonly name: string;
    readonly plan?: SetupPlan;
    readonly operations: readonly { readonly name: string; readonly variants: readonly Operation[] }[];
  }[];
}

/** Makes a job with the crib's tools; `due` is a date so many days from now. */
export type DemoJobMaker = (
  tools: ReturnType<typeof demoOperations>,
  due: (days: number) => string,
) => DemoJob;
