import type { Cutter } from '../../crib/cutter.ts';
import { kindOf } from '../../evaluation/registry.ts';
import type { OperationContext } from '../../operations/context.ts';
import { profilingEdge } from '../../operations/turning/profile/reach.ts';
import type { TurningOperation } from '../../operations/turning/turning-operation.ts';
import { type CutterShelf, type OtherCutter, withCutter } from './other-cutters.ts';

/** Tried at most. */
const MOST = 5;
/** Degrees of trailing edge that weigh as much as a millimetre of nose. */
const DEG_PER_MM = 50;

/** Inserts on the same kind of shank or bar that follow a profile more steeply, or have a smaller nose; the nearest first. */
export function otherInserts(
  op: TurningOperation,
  context: OperationContext,
  shelf: CutterShelf,
): OtherCutter[] {
  const now = profilingEdge(context.cutter);
  const off = (c: Cutter): number => {
    const edge = profilingEdge(c);
    return Math.abs(edge.noseMm - now.noseMm) + Math.abs(edge.backDeg - now.backDeg) / DEG_PER_MM;
  };
  return shelf.cutters
    .filter((c) => {
      const edge = profilingEdge(c);
      return (
        c.id !== context.cutter.id &&
        c.properties.DCONMS === context.cutter.properties.DCONMS &&
        kindOf(op).tool.fits(c, op) &&
        c.suits_iso_groups.includes(context.alloy.iso513_group) &&
        (edge.backDeg > now.backDeg || edge.noseMm < now.noseMm)
      );
    })
    .sort((a, b) => off(a) - off(b))
    .slice(0, MOST)
    .flatMap((cutter): OtherCutter[] => {
      const taken = withCutter(op, context, cutter, shelf);
      return taken ? [{ ...taken, title: `Take ${cutter.name}` }] : [];
    });
}
