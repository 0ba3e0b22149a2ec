import { CHATTER } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
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
  serve(app, CHATTER.attachment, async ({ at, reply }) => {
    const { bytes, type, name } = await attachmentOf(db, at.id);
    reply
      .header('content-type', type)
      // Somebody's voice or face may be in it.
      .header('cache-control', 'private, no-store')
      .header('content-disposition', `attachment; filename*=UTF-8''${encodeURIComponent(name)}`);
    return bytes;
  });
  serve(app, CHATTER.removeCut, async ({ at, person }) => {
    await removeTestCut(db, person, at.id);
    return {};
  });
}
