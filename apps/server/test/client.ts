import { join } from 'node:path';
import {
  type Crib,
  type JobDetail,
  type JobFields,
  jobFieldsOf,
  type JobSummary,
  type Role,
} from '@burl/contract';
import type { Operation } from '@burl/core';
import type { FastifyInstance, InjectOptions, LightMyRequestResponse } from 'fastify';
import { type AppOptions, buildApp } from '../src/app.ts';
import type { SiteSettings } from '../src/http/settings.ts';
import { workHere } from '../src/work/work.ts';
import { repositoryRoot } from '../src/repository.ts';
import { seedCrib } from '../src/seed/crib-seed.ts';
import { DEMO_PASSWORD, seedDemo } from '../src/seed/demo.ts';
import { type TestDatabase, testDatabase } from './database.ts';

export interface TestServer {
  readonly app: FastifyInstance;
  readonly connection: TestDatabase;
  /** Signs in as a demo person and returns a caller with that session. */
  as(role: Role): Promise<Caller>;
  readonly anybody: Caller;
  stop(): Promise<void>;
}

export type Caller = (
  method: InjectOptions['method'],
  url: string,
  body?: unknown,
  headers?: Record<string, string>,
) => Promise<LightMyRequestResponse>;

/** A server with the demo data on a database of its own. */
export async function startTestServer(
  site: Partial<SiteSettings> = {},
  more: Partial<AppOptions> = {},
): Promise<TestServer> {
  const connection = await testDatabase();
  await seedCrib(connection.db, join(repositoryRoot(), 'packages/core/data'));
  await seedDemo(connection.db);
  const app = await buildApp({
    connection,
    sessionSecret: 's'.repeat(40),
    webFolder: null,
    work: workHere,
    physics: 'test',
    ...more,
    site: { signInsPerMinute: 1000, ...site },
  });
  const caller =
    (cookie?: string): Caller =>
    (method, url, body, headers = {}) =>
      app.inject({
        method: method!,
        url,
        headers: { ...(cookie ? { cookie } : {}), ...headers },
        ...(body === undefined ? {} : { payload: body as object }),
      });
  return {
    app,
    connection,
    anybody: caller(),
    async as(role) {
      const answer = await caller()('POST', '/api/session', {
        email: `${role}@burl.example`,
        password: DEMO_PASSWORD,
      });
      if (answer.statusCode !== 200) throw new Error(`sign-in as ${role} failed: ${answer.body}`);
      return caller(String(answer.headers['set-cookie']).split(';')[0]);
    },
    async stop() {
      await app.close();
      await connection.close();
    },
  };
}

/** The list of jobs once every number in it is worked out. */
export async function workedOut(call: Caller): Promise<JobSummary[]> {
  for (;;) {
    const jobs = (await call('GET', '/api/jobs')).json<JobSummary[]>();
    if (jobs.every((j) => !j.pending)) return jobs;
  }
}

/** A demo job by its number. */
export async function demoJob(call: Caller, number: string): Promise<JobDetail> {
  const jobs = (await call('GET', `/api/jobs?search=${encodeURIComponent(number)}`)).json<
    { id: string; number: string }[]
  >();
  return (await call('GET', `/api/jobs/${jobs.find((j) => j.number === number)!.id}`)).json<JobDetail>();
}

/** A fresh job with one operation copied from the demo. */
export async function freshJob(
  call: Caller,
  change: (op: Operation) => Operation = (op) => op,
): Promise<JobDetail> {
  const demo = await demoJob(call, 'GW-1187');
  const { number: _, ...fields } = pickFields(demo);
  const made = (await call('POST', '/api/jobs', { ...fields, number: 'T-1' })).json<JobDetail>();
  const document = change(demo.setups[1]!.operations[0]!.variants[0]!.document);
  await call('POST', `/api/jobs/${made.job.id}/operations`, {
    setupId: made.setups[0]!.id,
    name: 'Drill',
    document,
  });
  return (await call('GET', `/api/jobs/${made.job.id}`)).json<JobDetail>();
}

export const pickFields = ({ job }: JobDetail): JobFields => jobFieldsOf(job);

export const cribOf = async (call: Caller): Promise<Crib> => (await call('GET', '/api/crib')).json<Crib>();

export const detailOf = async (call: Caller, id: string): Promise<JobDetail> =>
  (await call('GET', `/api/jobs/${id}`)).json<JobDetail>();

/** Fields an answer names as wrong. */
export const problemsOf = (answer: LightMyRequestResponse): string[] =>
  answer.json<{ problems: { field: string }[] }>().problems.map((p) => p.field);
