import { evaluate, InputError, numberOf } from '@burl/core';
import { harmless } from '@burl/contract/crib-files/cell-text';
import Papa from 'papaparse';
import type { Judged } from '../store/judged-operations.ts';

/** Operations of a job as CSV: one line each, units in the heads. */
export function csvOf(job: string, operations: readonly Judged[]): string {
  const rows = operations.map(({ setup, name, variant, document: op, context, missing }) => {
    if (!context)
      throw new InputError([{ field: missing ?? 'crib', value: name, allowed: 'an entry of the crib' }]);
    const e = evaluate(op, context);
    const limit = e.limits.find((l) => l.id === e.governing);
    const row: Record<string, string | number> = {
      job,
      setup,
      operation: name,
      variant,
      kind: op.kind,
      alloy: context.alloy.name,
      machine: context.machine.name,
      cutter: context.cutter.name,
      holder: context.holder.name,
      'stick-out mm': op.tooling.stickOutMm,
      'n rpm': op.cut.speedRpm,
      'vc m/min': round(numberOf(e, 'vc').value),
      'vf mm/min': round(numberOf(e, 'vf').value),
      'fz mm/tooth': 'feedPerToothMm' in op.cut ? op.cut.feedPerToothMm : '',
      'fn mm/rev': 'feedPerRevMm' in op.cut ? op.cut.feedPerRevMm : '',
      'ap mm':
        'feature' in op
          ? op.cut.axialDepthMm
          : 'hole' in op
            ? op.hole.depthMm
            : 'depthMm' in op.cut
              ? op.cut.depthMm
              : '',
      'ae mm': 'feature' in op ? op.cut.radialEngagementMm : '',
      'cycle time per part min': round(e.time.perPart),
      state: e.state,
      governs: limit?.name ?? '',
    };
    return Object.fromEntries(
      Object.entries(row).map(([k, v]) => [k, typeof v === 'string' ? harmless(v) : v]),
    );
  });
  return `${Papa.unparse(rows, { newline: '\r\n' })}\r\n`;
}

const round = (value: number): number => Number(value.toPrecision(5));
