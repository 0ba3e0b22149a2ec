import { overlong } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import { invalid } from './problems.ts';

/** Reads JSON as usual, once it is known to hold no more than its route takes. */
export function readJson(app: FastifyInstance): void {
  const read = app.getDefaultJsonParser('error', 'error');
  app.removeContentTypeParser('application/json');
  app.addContentTypeParser('application/json', { parseAs: 'string' }, (request, text, done) => {
    const wrong = overlong(String(text), request.routeOptions.config.values);
    if (wrong) done(invalid([wrong], 400));
    else read(request, String(text), done);
  });
}
