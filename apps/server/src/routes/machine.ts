import { PROGRAMS } from '@burl/contract';
import { streamsXml } from '@burl/contract/machine-stream';
import { type MachineProgram, SAMPLE_S, sampleAt } from '@burl/core';
import type { FastifyInstance, FastifyReply } from 'fastify';
import * as yup from 'yup';
import { checked, serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import { machineCase } from '../store/machine-case.ts';
import type { Work } from '../work/work.ts';

/** The stand-in's clock runs so many times as fast as the wall's: a program of an hour is seen in three minutes. */
const PACE = 20;
/** Programs kept as they are run. */
const KEPT = 20;
const USUAL_SAMPLES = 100;
const MOST_SAMPLES = 1000;
/** Samples that may still be asked for. */
const BUFFER = 100_000;

/** Number of the newest sample: the wall clock says it, so that every process says the same. */
const newest = (): number => Math.floor((Date.now() / 1000) * (PACE / SAMPLE_S));
const timeOf = (sequence: number): string => new Date((sequence * SAMPLE_S * 1000) / PACE).toISOString();

/** A seed of a program's own: its machine is the same whenever one looks. */
const seedOf = (id: string): number => parseInt(id.slice(0, 7), 16);

/** Samples that may be asked for while `last` is the newest. */
const questionAt = (last: number) =>
  yup.object({
    from: yup
      .number()
      .integer()
      .min(last - BUFFER)
      .max(last + BUFFER)
      .default(last),
    count: yup.number().integer().min(1).max(MOST_SAMPLES).default(USUAL_SAMPLES),
  });

/** A simulated machine beside every kept program, as the stand-in for a real agent: MTConnect streams over HTTP. */
export function machineRoutes(app: FastifyInstance, db: Database, work: Work): void {
  const running = new Map<string, Promise<{ name: string; program: MachineProgram }>>();

  function programOf(id: string): Promise<{ name: string; program: MachineProgram }> {
    const known = running.get(id);
    if (known) return known;
    const made = machineCase(db, id).then(async ({ name, text, material, operation }) => ({
      name,
      program: await work.run('machineProgram', [text, material, operation], 60),
    }));
    made.catch(() => running.delete(id));
    running.set(id, made);
    const oldest = running.keys().next();
    if (running.size > KEPT && !oldest.done) running.delete(oldest.value);
    return made;
  }

  async function answer(reply: FastifyReply, id: string, from: number, count: number): Promise<string> {
    const { name, program } = await programOf(id);
    const last = newest();
    const samples = [];
    for (let n = from; n <= last && samples.length < count; n++)
      samples.push(sampleAt(program, n, seedOf(id)));
    void reply.header('content-type', 'application/xml; charset=utf-8').header('cache-control', 'no-store');
    return streamsXml(samples, { device: name, timeOf, firstSequence: last - BUFFER, lastSequence: last });
  }

  serve(app, PROGRAMS.current, ({ at, reply }) => answer(reply, at.id, newest(), 1));
  serve(app, PROGRAMS.sample, async ({ at, reply, request }) => {
    const { from, count } = await checked(questionAt(newest()), request.query, { strict: false });
    return answer(reply, at.id, from, count);
  });
}
