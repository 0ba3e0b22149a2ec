import type { OperationKind } from '../operations/operation-kind.ts';
import type { Operation } from '../operations/operation.ts';
import { boringKind } from '../operations/boring/boring-kind.ts';
import { chamferingKind } from '../operations/chamfering/chamfering-kind.ts';
import { drillingKind } from '../operations/drilling/drilling-kind.ts';
import { edgeMillingKind } from '../operations/edge-milling/edge-milling-kind.ts';
import { groovingKind } from '../operations/grooving/grooving-kind.ts';
import { holeMillingKind } from '../operations/hole-milling/hole-milling-kind.ts';
import { millingKind } from '../operations/milling/milling-kind.ts';
import { reamingKind } from '../operations/reaming/reaming-kind.ts';
import { tappingKind } from '../operations/tapping/tapping-kind.ts';
import { turningKind } from '../operations/turning/turning-kind.ts';
import { threadTurningKind } from '../operations/thread-turning/thread-turning-kind.ts';
import { threadMillingKind } from '../operations/thread-milling/thread-milling-kind.ts';

/** Every kind of operation there is: a new one is a folder and a line here. */
export const KINDS = {
  milling: millingKind,
  drilling: drillingKind,
  reaming: reamingKind,
  boring: boringKind,
  'hole-milling': holeMillingKind,
  chamfering: chamferingKind,
  tapping: tappingKind,
  'thread-milling': threadMillingKind,
  'edge-milling': edgeMillingKind,
  turning: turningKind,
  grooving: groovingKind,
  'thread-turning': threadTurningKind,
} satisfies { readonly [K in Operation['kind']]: OperationKind };

export const kindOf = (op: Operation): OperationKind => KINDS[op.kind];
