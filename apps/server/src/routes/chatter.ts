import { CHATTER } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import { privateFile } from '../http/private-file.ts';
import { serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import { attachmentOf } from '../store/attachments.ts';
import {
  addCombination,
  logTestCut,
  removeTestCut,
  restoreTip,
  saveTip,
} from '../store/combination-changes.ts';
import { bringBackCombination, changeCombination, removeCombination } from '../store/combination-edits.ts';
import { combinationsOf } from '../store/combination-store.ts';

/** Combinations, their tap tests and test cuts. */
export function chatterRoutes(app: FastifyInstance, db: Database): void {
  serve(app, CHATTER.combinations, () => combinationsOf(db, { responses: true }));
  serve(app, CHATTER.addCombination, ({ person, body }) => addCombination(db, person, body));
  serve(app, CHATTER.changeCombination, ({ at, person, body }) => changeCombination(db, person, at.id, body));
  serve(app, CHATTER.removeCombination, async ({ at, person }) => {
    await removeCombination(db, person, at.id);
    return { removed: at.id };
  });
  serve(app, CHATTER.bringBackCombination, ({ at, person }) => bringBackCombination(db, person, at.id));
  serve(app, CHATTER.saveTip, ({ at, person, body }) => saveTip(db, person, at.id, body));
  serve(app, CHATTER.restoreTip, ({ at, person }) => restoreTip(db, person, at.id));
  serve(app, CHATTER.logCut, ({ at, person, body }) => logTestCut(db, person, at.id, body));
  serve(app, CHATTER.attachment, async ({ at, reply }) => privateFile(reply, await attachmentOf(db, at.id)));
  serve(app, CHATTER.removeCut, async ({ at, person }) => {
    await removeTestCut(db, person, at.id);
    return {};
  });
}
