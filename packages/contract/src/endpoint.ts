import type * as yup from 'yup';
import type { Role } from './people.ts';
import { mayAdminister, mayEdit, mayRelease } from './people.ts';

/** Who may call. */
export type Access = 'public' | 'person' | 'editor' | 'approver' | 'administrator';

export const ALLOWED: Readonly<Record<Access, (role: Role) => boolean>> = {
  public: () => true,
  person: () => true,
  editor: mayEdit,
  approver: mayRelease,
  administrator: mayAdminister,
};

export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

type Names<P extends string> = P extends `${string}/:${infer N}/${infer Rest}`
  ? N | Names<`/${Rest}`>
  : P extends `${string}/:${infer N}`
    ? N
    : never;

/** Parameters in an address: `/api/jobs/:id` has `id`. One called `id` is a UUID. */
export type PathOf<P extends string> = Readonly<Record<Names<P>, string>>;

/** One thing the server offers: said once, kept by both sides. `Body` is what the schema lets through. */
export interface Endpoint<
  P extends string = string,
  Body = unknown,
  Answer = unknown,
  M extends Method = Method,
> {
  readonly method: M;
  readonly path: P;
  readonly access: Access;
  readonly tag: string;
  readonly summary: string;
  /** What a body must be; null where there is none, or where the route reads it by itself. */
  readonly body: yup.Schema<Body> | null;
  /** Bytes of the largest body; the server's usual most when absent. */
  readonly most?: number;
  /** Values in the largest body, each number, word and list counted; what has more is refused before it is looked at. */
  readonly values?: number;
  /** Status of success: 201 where something was made. */
  readonly success: 200 | 201;
  /** Types of what goes in and what comes back; there are no values. */
  readonly given?: Body;
  readonly answer?: Answer;
}

interface About<P extends string, Body, M extends Method> {
  readonly method: M;
  readonly path: P;
  readonly access: Access;
  readonly tag: string;
  readonly summary: string;
  readonly body?: yup.Schema<Body>;
  readonly most?: number;
  readonly values?: number;
  readonly success?: 200 | 201;
}

/** An endpoint by its address, body and answer; `endpoint<Answer>()(about)` infers the rest. */
export const endpoint =
  <Answer>() =>
  <const P extends string, Body = undefined, const M extends Method = Method>(
    about: About<P, Body, M>,
  ): Endpoint<P, Body, Answer, M> => ({
    ...about,
    body: about.body ?? null,
    success: about.success ?? (about.method === 'POST' ? 201 : 200),
  });

/** The address with its parameters filled in. */
export const addressOf = <P extends string>(path: P, parameters: PathOf<P>): string =>
  path.replace(/:(\w+)/g, (_, name: keyof PathOf<P>) => encodeURIComponent(parameters[name]));
