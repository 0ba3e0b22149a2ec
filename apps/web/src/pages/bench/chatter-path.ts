import type { Operation } from '@burl/core';

/** Where the vibration of an operation's combination is measured and remembered. */
export const chatterPath = (jobId: string, operationId: string, op: Operation): string =>
  `/resonance?${new URLSearchParams({
    tab: 'lobes',
    job: jobId,
    op: operationId,
    machine: op.machineId,
    holder: op.tooling.holderId,
    cutter: op.tooling.cutterId,
    out: String(op.tooling.stickOutMm),
  }).toString()}`;
