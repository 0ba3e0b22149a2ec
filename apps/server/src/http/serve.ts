import { type Endpoint, isUuid, malformed, type PathOf, type Person, problemsFromYup } from '@burl/contract';
import type { FastifyInstance, FastifyReply, FastifyRequest, RouteShorthandOptions } from 'fastify';
import * as yup from 'yup';
import { invalid, nothingHere } from './problems.ts';
import { personOf } from './protect.ts';

/** One call of an endpoint, as its entry in the contract says it is. */
export interface Call<P extends string, Body> {
  /** Parameters of the address; one called `id` is a UUID. */
  readonly at: PathOf<P>;
  readonly body: Body;
  /** Who calls. Throws 401 when nobody is signed in. */
  readonly person: Person;
  readonly request: FastifyRequest;
  readonly reply: FastifyReply;
}

/** What the schema lets through; not strict, it may read numbers from text. Throws 400 with every field, value and what is allowed. */
export async function checked<Body>(
  schema: yup.Schema<Body>,
  given: unknown,
  { strict = true } = {},
): Promise<Body> {
  try {
    return await schema.validate(given, { strict, abortEarly: false });
  } catch (error) {
    if (error instanceof yup.ValidationError) throw invalid(problemsFromYup(error).problems, 400);
    throw error;
  }
}

/** Offers an endpoint of the contract: access, body, status and description come from there, typed once. */
export function serve<P extends string, Body, Answer>(
  app: FastifyInstance,
  endpoint: Endpoint<P, Body, Answer>,
  handle: (call: Call<P, Body>) => Answer | Promise<Answer>,
  options: RouteShorthandOptions = {},
): void {
  const { method, path, access, tag, summary, body: schema, most, values, success } = endpoint;
  app.route<{ Params: PathOf<P> }>({
    ...options,
    method,
    url: path,
    ...(most === undefined ? {} : { bodyLimit: most }),
    config: { ...options.config, access, ...(schema ? { body: schema } : {}), ...(values ? { values } : {}) },
    schema: { summary, tags: [tag] },
    handler: async (request, reply) => {
      const at = request.params as PathOf<P>;
      if ('id' in at && !isUuid(String(at.id))) throw nothingHere();
      const wrong = malformed(request.body, values);
      if (wrong) throw invalid([wrong], 400);
      const body = schema ? await checked(schema, request.body) : (request.body as Body);
      reply.status(success);
      return handle({
        at,
        body,
        get person() {
          return personOf(request);
        },
        request,
        reply,
      });
    },
  });
}
