import { HOLES } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import { serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import { addHoles, changeHoles, putStepsIntoRoute, removeHoles } from '../store/hole-changes.ts';

/** Hole groups of a job, and the steps of a method in its route. */
export function holeRoutes(app: FastifyInstance, db: Database): void {
  serve(app, HOLES.add, ({ at, person, body }) => addHoles(db, person, at.id, body));
  serve(app, HOLES.change, ({ at, person, body }) => changeHoles(db, person, at.id, body));
  serve(app, HOLES.remove, ({ at, person }) => removeHoles(db, person, at.id));
  serve(app, HOLES.intoRoute, ({ at, person, body }) => putStepsIntoRoute(db, person, at.id, body));
}
