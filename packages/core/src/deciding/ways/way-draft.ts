import { problemsOf } from '../../evaluation/check-operation.ts';
import { withStartingCut } from '../../evaluation/starting-cut.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { SAME_ENGAGEMENT, settledCut } from '../../operations/milling/settled-cut.ts';
import { renewedMilling } from '../../operations/milling/starting-milling.ts';
import type { Sentence } from '../../units/sentence.ts';
import { cutOf, type Way } from './way.ts';

/** A way that is to be worked out. */
export interface WayDraft {
  readonly id: string;
  readonly name: string;
  readonly op: MillingOperation;
  readonly context: OperationContext;
  /** Depth and width are what makes the way: only speed and feed follow. */
  readonly engaged?: boolean;
  readonly mind?: Sentence;
}

/** Numbers of a way: its own first ones, eased as far as its wall, tool and spindle ask. */
function started({ op, context, engaged }: WayDraft): MillingOperation {
  if (!engaged) return withStartingCut(op, context) as MillingOperation;
  const renewed = { ...op, cut: renewedMilling(op, context) };
  return { ...renewed, cut: settledCut(renewed, context, SAME_ENGAGEMENT) };
}

/** Ways as they come out, those that cannot be run at all left out. */
export const workedOut = (drafts: readonly WayDraft[]): Way<MillingOperation>[] =>
  drafts
    .map((draft) => ({ ...draft, op: draft.id === 'as-it-is' ? draft.op : started(draft) }))
    .filter(({ op, context }) => problemsOf(op, context).length === 0)
    .map(({ op, context, id, name, mind }) => ({
      ...cutOf(op, context),
      id,
      name,
      context,
      ...(mind && { mind }),
    }));
