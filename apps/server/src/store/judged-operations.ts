import { chosenVariant, type Batch, batchAt, type Crib, type Setup, type VariantLabel } from '@burl/contract';
import { InputError, type Operation, type OperationContext } from '@burl/core';
import { contextInCrib } from './crib-store.ts';

/** A chosen variant with what it is judged in. */
export interface Judged {
  readonly id: string;
  readonly setup: string;
  readonly name: string;
  readonly variant: VariantLabel;
  readonly document: Operation;
  /** Null where the crib lacks what it names; then `missing` says what. */
  readonly context: OperationContext | null;
  readonly missing?: string;
}

/** Every operation of these routes in every variant. */
export const documentsOf = (route: readonly Setup[]): Operation[] =>
  route.flatMap((s) => s.operations.flatMap((o) => o.variants.map((v) => v.document)));

/** The chosen variant of every operation of a route with what it is judged in, in order. */
export const judgedOperations = (job: Batch, route: readonly Setup[], crib: Crib): Judged[] =>
  route.flatMap((s) =>
    s.operations.flatMap((o): Judged[] => {
      const variant = chosenVariant(o);
      if (!variant) return [];
      const own = {
        id: o.id,
        setup: s.name,
        name: o.name,
        variant: variant.label,
        document: variant.document,
      };
      try {
        return [{ ...own, context: contextInCrib(crib, variant.document, batchAt(job, s)) }];
      } catch (error) {
        if (!(error instanceof InputError)) throw error;
        return [{ ...own, context: null, missing: error.problems[0]?.field ?? 'crib' }];
      }
    }),
  );
