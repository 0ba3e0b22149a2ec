import { PROGRAMS } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import { serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import { keepProgram, keepStock, programsOf, programText, removeProgram } from '../store/program-store.ts';

/** NC programs kept with a job. */
export function programRoutes(app: FastifyInstance, db: Database): void {
  serve(app, PROGRAMS.list, ({ at }) => programsOf(db, at.id));
  serve(app, PROGRAMS.add, ({ at, person, body }) => keepProgram(db, person, at.id, body));
  serve(app, PROGRAMS.text, ({ at }) => programText(db, at.id));
  serve(app, PROGRAMS.stock, ({ at, person, body }) => keepStock(db, person, at.id, body.stock));
  serve(app, PROGRAMS.remove, ({ at, person }) => removeProgram(db, person, at.id));
}
