import { RELEASES } from '@burl/contract';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import { HttpProblem, invalid } from '../http/problems.ts';
import { serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import { currentSheet, decideRelease, requestRelease, withdrawRequest } from '../store/release-changes.ts';
import { type JudgeForRelease, releaseById, releasesOf } from '../store/release-store.ts';
import type { Work } from '../work/work.ts';

/** Forty slots with unequal teeth take half a minute. */
const JUDGE_SECONDS = 180;

function sheetOptions(request: FastifyRequest): { paper: 'A4' | 'LETTER'; units: 'metric' | 'inch' } {
  const { paper = 'a4', units = 'metric' } = request.query as { paper?: string; units?: string };
  if (!/^(a4|letter)$/i.test(paper))
    throw invalid([{ field: 'paper', value: paper, allowed: 'a4 or letter' }], 400);
  if (units !== 'metric' && units !== 'inch')
    throw invalid([{ field: 'units', value: units, allowed: 'metric or inch' }], 400);
  return { paper: paper.toLowerCase() === 'a4' ? 'A4' : 'LETTER', units };
}

/** Requests of release, their decisions, and the sheet that comes of them. */
export function releaseRoutes(app: FastifyInstance, db: Database, work: Work): void {
  const judge: JudgeForRelease = (document, context) =>
    work.run('judgeForRelease', [document, context], JUDGE_SECONDS);
  serve(app, RELEASES.ofJob, ({ at }) => releasesOf(db, at.id));
  serve(app, RELEASES.one, ({ at }) => releaseById(db, at.id));
  serve(app, RELEASES.sheet, ({ at }) => currentSheet(db, at.id));
  serve(app, RELEASES.sheetPdf, async ({ at, request, reply }) => {
    const options = sheetOptions(request);
    const release = await releaseById(db, at.id);
    if (release.state !== 'released' && release.state !== 'superseded')
      throw new HttpProblem(409, 'state', 'Only a released sheet is printed.');
    const name = `${release.snapshot.job.number.replace(/[^\w.-]+/g, '-')}-rev${release.revision}.pdf`;
    reply.type('application/pdf').header('content-disposition', `inline; filename="${name}"`);
    return Buffer.from(await work.run('sheet', [release, options]));
  });
  serve(app, RELEASES.request, ({ at, person, body }) => requestRelease(db, judge, person, at.id, body));
  serve(app, RELEASES.withdraw, ({ at, person }) => withdrawRequest(db, person, at.id));
  serve(app, RELEASES.decide, ({ at, person, body }) => decideRelease(db, person, at.id, body));
}
