import { isUndercutter } from '../../crib/cutter.ts';
import { setStickOut } from '../../evaluation/starting-cut.ts';
import type { OperationContext } from '../../operations/context.ts';
import { type MillingOperation, usualPath } from '../../operations/milling/milling-operation.ts';
import { PLAIN_UNDERCUT } from '../../physics/path/undercut.ts';
import { measure, say } from '../../units/sentence.ts';
import type { Way } from './way.ts';
import { workedOut, type WayDraft } from './way-draft.ts';

/** Left between neck and the face of the slot, mm. */
const CLEAR = 0.1;
/** How far under the slot's width a disc may be and make it in one pass, mm. */
const SAME_WIDTH = 0.02;
/** Discs compared at the most. */
const MOST = 3;

/** How far a disc runs out beyond the end of a slot of a depth, mm. Circle geometry. */
export const runOut = (discMm: number, deepMm: number): number =>
  deepMm >= discMm / 2 ? discMm / 2 : Math.sqrt(deepMm * (discMm - deepMm));

/** How much of a disc stands beyond its neck, mm. */
const beyondNeck = ({ cutter: { properties: p } }: OperationContext): number =>
  ((p.DC ?? 0) - (p.DN ?? p.DC ?? 0)) / 2;

/** The slot laid on its side for a disc: its depth into the wall, its width along the axis. */
function onItsSide(op: MillingOperation, { cutter, holder }: OperationContext): MillingOperation {
  const { feature } = op;
  const lengthMm = Math.max(feature.lengthMm, feature.widthMm);
  const { openEnds: _, ...slot } = feature;
  return {
    ...op,
    pins: [],
    feature: {
      ...slot,
      kind: 'side',
      lengthMm,
      widthMm: feature.depthMm,
      depthMm: feature.widthMm,
      cornerRadiusMm: null,
      island: null,
      through: false,
      allowanceMm: 0,
      undercut: { ...PLAIN_UNDERCUT, floorMm: feature.widthMm + (cutter.properties.APMX ?? 0) },
    },
    path: usualPath('side'),
    tooling: {
      cutterId: cutter.id,
      holderId: holder.id,
      stickOutMm: setStickOut({ cutter }, feature.widthMm + 2),
    },
  };
}

/**
 * A slot or keyway by a mill from above, as it is, against a disc from the side: of the discs that go in, the widest first. Ends that are
 * closed are named, because a disc runs out beyond them. Empty of everything but a slot.
 */
export function discWays(
  op: MillingOperation,
  context: OperationContext,
  others: readonly OperationContext[],
): Way<MillingOperation>[] {
  const { feature } = op;
  if (feature.kind !== 'slot' || feature.undercut) return [];
  const width = Math.min(feature.widthMm, feature.lengthMm);
  const fits = others
    .filter(({ cutter }) => isUndercutter(cutter) && cutter.type === 'disc_slot_cutter')
    .filter((o) => beyondNeck(o) >= feature.depthMm + CLEAR)
    .filter(({ cutter: { properties: p } }) => (p.APMX ?? Infinity) <= width + SAME_WIDTH)
    .sort(
      (a, b) =>
        (b.cutter.properties.APMX ?? 0) - (a.cutter.properties.APMX ?? 0) ||
        (a.cutter.properties.DC ?? 0) - (b.cutter.properties.DC ?? 0),
    );
  const drafts = fits.slice(0, MOST).map((at): WayDraft => {
    const disc = at.cutter.properties.DC ?? 0;
    const out = runOut(disc, feature.depthMm);
    return {
      id: `disc-${at.cutter.id}`,
      name: `Disc ${disc} × ${at.cutter.properties.APMX} mm from the side`,
      op: onItsSide({ ...op, feature: { ...feature, widthMm: width } }, at),
      context: at,
      mind: say(
        feature.openEnds === 2
          ? 'The part on its side; both ends open: the disc runs through.'
          : 'The part on its side. The disc runs out {0} beyond each closed end: only where the drawing lets it.',
        measure(out, 'mm'),
      ),
    };
  });
  return drafts.length === 0
    ? []
    : workedOut([{ id: 'as-it-is', name: 'Slot mill from above, as it is', op, context }, ...drafts]);
}
