import { OPERATIONS, SETUPS, VARIANTS } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import { serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import { addOperation, changeOperation, putBack, removeOperation } from '../store/operation-changes.ts';
import { reportPresence } from '../store/presence.ts';
import { operationsFound } from '../store/summary-store.ts';
import { questionOf } from './jobs.ts';
import { addSetup, removeSetup, changeSetup } from '../store/setup-changes.ts';
import { copyVariant, removeVariant, saveVariant } from '../store/variant-changes.ts';

/** Operations told to a search. */
const MOST_FOUND = 20;

/** Setups of a job, the operations in them, and the variants of each. */
export function operationRoutes(app: FastifyInstance, db: Database): void {
  serve(app, SETUPS.add, ({ at, person, body }) => addSetup(db, person, at.id, body));
  serve(app, SETUPS.change, ({ at, person, body }) => changeSetup(db, person, at.id, body));
  serve(app, SETUPS.remove, ({ at, person }) => removeSetup(db, person, at.id));

  serve(app, OPERATIONS.find, async ({ request }) => {
    const { search = '', most = MOST_FOUND } = await questionOf(request);
    return operationsFound(db, search, Math.min(most, MOST_FOUND));
  });
  serve(app, OPERATIONS.add, ({ at, person, body }) => addOperation(db, person, at.id, body));
  serve(app, OPERATIONS.putBack, ({ at, person, body }) => putBack(db, person, at.id, body));
  serve(app, OPERATIONS.change, ({ at, person, body }) => changeOperation(db, person, at.id, body));
  serve(app, OPERATIONS.remove, ({ at, person }) => removeOperation(db, person, at.id));
  serve(app, OPERATIONS.presence, async ({ at, person }) => ({
    others: await reportPresence(db, person, at.id),
  }));

  serve(app, VARIANTS.copy, ({ at, person }) => copyVariant(db, person, at.id));
  serve(app, VARIANTS.save, ({ at, person, body }) => saveVariant(db, person, at.id, body));
  serve(app, VARIANTS.remove, async ({ at, person }) => {
    await removeVariant(db, person, at.id);
    return { removed: at.id };
  });
}
