import { asRun, NOTHING_SEEN, type OperationContext, type Operation, seenOf, trialBasis } from '@burl/core';
import type { ReleasedOperation, Trial, TrialInput } from '@burl/contract';

/** What a person fills in; the rest of a trial is known. No moment: as it is logged. */
export type TrialDraft = Omit<TrialInput, 'id' | 'at'> & { readonly at: string | null };

const SERIAL = 'burl.serial.';
/** The machine somebody stands at, as this tablet was told last. */
export const serialOf = (machineId: string): string => localStorage.getItem(SERIAL + machineId) ?? '';
export const keepSerial = (machineId: string, serial: string): void =>
  localStorage.setItem(SERIAL + machineId, serial);

/** A new trial of an operation: the edge that is in use goes on, a new one begins where the last one ended. */
export function draftFor(
  releaseId: string,
  op: ReleasedOperation,
  heatLot: string,
  before: readonly Trial[],
): TrialDraft {
  const last = before
    .filter((t) => t.operationId === op.operationId && t.correctedBy === null)
    .reduce<Trial | null>((a, t) => (a === null || t.at > a.at ? t : a), null);
  const goesOn = last?.ending === 'running';
  return {
    at: null,
    releaseId,
    operationId: op.operationId,
    machineSerial: serialOf(op.document.machineId) || (last?.machineSerial ?? ''),
    heatLot: last?.heatLot ?? heatLot,
    edge: last ? last.edge + (goesOn ? 0 : 1) : 1,
    features: goesOn ? last.features + 1 : 1,
    minutes: null,
    ...NOTHING_SEEN,
    note: '',
    corrects: null,
    photo: null,
    recording: null,
  };
}

/** A trial as a draft that puts it right: of the same moment, and with its minutes where they were counted. */
export function correctionOf(t: Trial, op: ReleasedOperation): TrialDraft {
  const reckoned = t.features * trialBasis(asRun(op.document, t), op.context).cuttingMinPerFeature;
  return {
    at: t.at,
    releaseId: t.releaseId ?? '',
    operationId: t.operationId ?? '',
    machineSerial: t.machineSerial,
    heatLot: t.heatLot,
    edge: t.edge,
    features: t.features,
    minutes: Math.abs(t.minutes - reckoned) < 1e-6 * reckoned ? null : t.minutes,
    ...seenOf(t),
    note: t.note,
    corrects: t.id,
    photo: null,
    recording: null,
  };
}

/** What the numbers come to with the overrides as they stood. */
export function really(
  document: Operation,
  context: OperationContext,
  draft: Pick<TrialDraft, 'speedOverride' | 'feedOverride'>,
): { readonly rpm: number; readonly vf: number; readonly feedPerEdge: number } | null {
  try {
    const basis = trialBasis(asRun(document, draft), context);
    const teeth = Number(context.cutter.properties.ZEFP ?? 1);
    const perTurn = 'feedPerToothMm' in document.cut ? basis.feedPerEdgeMm * teeth : basis.feedPerEdgeMm;
    return { rpm: basis.speedRpm, vf: basis.speedRpm * perTurn, feedPerEdge: basis.feedPerEdgeMm };
  } catch {
    return null;
  }
}
