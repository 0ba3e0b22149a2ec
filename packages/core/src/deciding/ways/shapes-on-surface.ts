import type { Cutter } from '../../crib/cutter.ts';
import type { OperationContext } from '../../operations/context.ts';
import { tiltWords } from '../../operations/milling/finishing-sentence.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { wantedTilts } from '../../physics/surface/surface-contact.ts';
import { measure, say } from '../../units/sentence.ts';
import { otherDirection } from './other-direction.ts';
import type { WayDraft } from './way-draft.ts';
import { onSurfaceWith } from './with-tool.ts';

const tapers = ({ properties }: Cutter): boolean => Number(properties['TA'] ?? 0) > 0;
const ROUNDED: readonly (readonly [id: string, name: string, is: (c: Cutter) => boolean])[] = [
  ['ball', 'Ball', (c) => c.type === 'end_mill_ball'],
  ['bull', 'Bull nose', (c) => c.type === 'end_mill_bull'],
  ['barrel', 'Barrel', (c) => c.type === 'end_mill_barrel' && !tapers(c)],
  ['taper-barrel', 'Taper barrel', (c) => c.type === 'end_mill_barrel' && tapers(c)],
  ['lens', 'Lens', (c) => c.type === 'end_mill_lens'],
];

/** Of each rounded shape the cutter nearest in size to the one at hand, tilted as it wants to be. */
export function surfaceWaysOf(
  op: MillingOperation,
  context: OperationContext,
  others: readonly OperationContext[],
): WayDraft[] {
  const { feature } = op;
  const finishing = feature.finishing!;
  const size = context.cutter.properties.DC ?? 10;
  return [
    ...ROUNDED.flatMap(([id, name, is]): WayDraft[] => {
      const [nearest] = others
        .filter(({ cutter }) => is(cutter) && wantedTilts(cutter, feature.slopeDeg).length > 0)
        .filter(
          ({ cutter: { properties: p } }) => (p.LU ?? Infinity) >= Math.min(finishing.floorMm, 3 * size),
        )
        .sort(
          (a, b) =>
            Math.abs((a.cutter.properties.DC ?? 0) - size) - Math.abs((b.cutter.properties.DC ?? 0) - size),
        );
      if (!nearest) return [];
      const { tiltDeg } = wantedTilts(nearest.cutter, feature.slopeDeg)[0]!;
      return [
        {
          id,
          name: `${name} ${nearest.cutter.properties.DC} mm`,
          op: onSurfaceWith(op, nearest, tiltDeg),
          context: nearest,
          ...(tiltDeg !== 0 && {
            mind: say(`Tilted ${tiltWords(tiltDeg)}.`, measure(Math.abs(tiltDeg), 'deg')),
          }),
        },
      ];
    }),
    otherDirection(op, context),
  ];
}
