import type { Crib, Person, Role } from '@burl/contract';
import { sql } from 'drizzle-orm';
import type { Database, Transaction } from '../store/client.ts';
import { assemblies, cutters, stock } from '../store/schema/crib.ts';
import { holes, jobs, operations, setups, variants } from '../store/schema/jobs.ts';
import { people } from '../store/schema/people.ts';
import { releases } from '../store/schema/releases.ts';
import { record } from '../store/audit.ts';
import { wholeCrib } from '../store/crib-store.ts';
import { foundBy } from '../store/found-by.ts';
import { jobDetail } from '../store/job-store.ts';
import { type Judged, judgedOperations } from '../store/judged-operations.ts';
import { releaseCase, snapshotOf } from '../store/release-store.ts';
import { workHere } from '../work/work.ts';
import { hashPassword } from '../http/passwords.ts';
import { demoSteps } from './demo-holes.ts';
import type { DemoJob } from './demo-job.ts';
import { demoJobs } from './demo-jobs.ts';
import { demoPrograms } from './demo-programs.ts';
import { demoChatter } from './demo-chatter.ts';
import { demoLogbook, type ReleasedDemo } from './demo-logbook.ts';

/** Shown on the sign-in page while the demo accounts exist. */
export const DEMO_PASSWORD = 'burl-demo-2026';

const DEMO_PEOPLE: readonly { name: string; email: string; role: Role }[] = [
  { name: 'Ada Eder', email: 'engineer@burl.example', role: 'engineer' },
  { name: 'Leo Lindqvist', email: 'approver@burl.example', role: 'approver' },
  { name: 'Mira Fontaine', email: 'floor@burl.example', role: 'floor' },
  { name: 'Ines Okafor', email: 'administrator@burl.example', role: 'administrator' },
];

const DAY_MS = 86_400_000;
const day = (offset: number): string => new Date(Date.now() + offset * DAY_MS).toISOString().slice(0, 10);

/** Demo people, jobs, releases and a few shop tools; once, on a database that has no people yet, by one server at a time. */
export async function seedDemo(db: Database): Promise<void> {
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  await db.transaction(async (tx) => {
    // The demo is worked out between its inserts: on a busy machine for longer than a request may think.
    await tx.execute(sql`set local idle_in_transaction_session_timeout = 0`);
    const [anyone] = await tx.select({ id: people.id }).from(people).limit(1);
    if (anyone) return;
    const made = await tx
      .insert(people)
      .values(DEMO_PEOPLE.map((p) => ({ ...p, passwordHash, demo: 1 })))
      .returning({ id: people.id, name: people.name, email: people.email, role: people.role });
    const [engineer, approver] = made as [Person, Person];
    await shopTools(tx);
    await demoChatter(tx, engineer.name);
    const crib = await wholeCrib(tx);
    const ids: string[] = [];
    for (const job of demoJobs(crib, day)) {
      const [row] = await tx
        .insert(jobs)
        .values({ ...job.fields, updatedBy: engineer.name })
        .returning();
      ids.push(row!.id);
      const setupIds: string[] = [];
      for (const [i, s] of job.setups.entries()) {
        const [setup] = await tx
          .insert(setups)
          .values({ jobId: row!.id, name: s.name, position: i, ...(s.plan && { plan: s.plan }) })
          .returning();
        setupIds.push(setup!.id);
        for (const [j, o] of s.operations.entries()) {
          const [op] = await tx
            .insert(operations)
            .values({ setupId: setup!.id, name: o.name, position: j })
            .returning();
          for (const [k, document] of o.variants.entries()) {
            await tx.insert(variants).values({
              operationId: op!.id,
              label: (['A', 'B', 'C', 'D'] as const)[k]!,
              document,
              updatedBy: engineer.name,
            });
          }
        }
      }
      await holesOfDemo(tx, crib, row!, job, setupIds, engineer);
      await record(tx, engineer, { action: 'made job', jobId: row!.id, subject: job.fields.number });
    }
    const [, waiting, released] = ids as [string, string, string];
    await ask(
      tx,
      waiting,
      engineer,
      'First batch of this body. Slot and bore rest on library data; hardness comes with the bar.',
    );
    const sheet = await ask(
      tx,
      released,
      engineer,
      'Same cut as the prototype hub; kc, runout and one worn edge measured there.',
      approver,
    );
    await demoPrograms(tx, engineer, crib, ids);
    const floor = made[2] as Person;
    const judged: Judged[] = [];
    for (const id of ids) {
      const { job, setups: route } = await jobDetail(tx, id);
      judged.push(...judgedOperations(job, route, crib));
    }
    await demoLogbook(
      tx,
      { engineer, floor },
      { jobId: released, ...sheet },
      judged,
      crib.alloys.map((a) => a.document),
    );
  });
}

/** Hole groups of a demo job, those in the route behind what stands there. */
async function holesOfDemo(
  tx: Transaction,
  crib: Crib,
  row: typeof jobs.$inferSelect,
  job: DemoJob,
  setupIds: readonly string[],
  engineer: Person,
): Promise<void> {
  let place = Math.max(0, ...job.setups.map((s) => s.operations.length));
  for (const [position, hole] of (job.holes ?? []).entries()) {
    const [kind] = await tx
      .insert(holes)
      .values({
        jobId: row.id,
        position,
        demand: hole.demand,
        chosen: hole.chosen,
        changes: {},
        updatedBy: engineer.name,
      })
      .returning();
    if (hole.setup === null) continue;
    for (const step of demoSteps(crib, row, hole)) {
      const [op] = await tx
        .insert(operations)
        .values({
          setupId: setupIds[hole.setup]!,
          name: `${step.name}, ${hole.demand.name}`,
          position: place++,
          holeId: kind!.id,
          holeStep: step.key,
        })
        .returning();
      await tx
        .insert(variants)
        .values({ operationId: op!.id, label: 'A', document: step.op, updatedBy: engineer.name });
    }
  }
}

/** Asks for release as the engineer and, given an approver, releases. */
async function ask(
  tx: Transaction,
  jobId: string,
  engineer: Person,
  requestNote: string,
  approver?: Person,
): Promise<Pick<ReleasedDemo, 'releaseId' | 'snapshot'>> {
  const found = await releaseCase(tx, jobId);
  const snapshot = await snapshotOf(
    found,
    (document, context) => workHere.run('judgeForRelease', [document, context]),
    found.operations.map((o, i) => ({
      operationId: o.operationId,
      program: `${found.job.number.replace(/\D/g, '')}${i + 1}0`,
      programRevision: 'B',
      workOffset: 'G54',
      pocket: String(3 + 2 * i),
      gaugeLengthMm: o.document.tooling.stickOutMm + 80,
    })),
  );
  const decided = approver
    ? {
        decidedById: approver.id,
        decidedAt: new Date(Date.now() - 25 * DAY_MS),
        reason: 'Evidence read; first piece under my eyes.',
      }
    : {};
  const [row] = await tx
    .insert(releases)
    .values({
      jobId,
      revision: 1,
      state: approver ? 'released' : 'requested',
      requestedById: engineer.id,
      requestNote,
      ...(approver ? { requestedAt: new Date(Date.now() - 26 * DAY_MS) } : {}),
      snapshot,
      ...decided,
    })
    .returning({ id: releases.id });
  await tx
    .update(jobs)
    .set({ status: approver ? 'released' : 'requested', updatedBy: (approver ?? engineer).name })
    .where(sql`${jobs.id} = ${jobId}`);
  await record(tx, engineer, { action: 'asked for release', jobId, subject: `${snapshot.job.number} rev 1` });
  if (approver) await record(tx, approver, { action: 'released', jobId, subject: 'rev 1' });
  return { releaseId: row!.id, snapshot };
}

/** Drills a shop would have ground for it, as copies of built-in ones, and a few assemblies. */
async function shopTools(tx: Transaction): Promise<void> {
  const crib = await wholeCrib(tx);
  const original = crib.cutters.find((c) => c.id === 'drill-6.8-5xd')!.document;
  const document = {
    ...original,
    id: 'shop-drill-8-6xd',
    name: 'Carbide drill 8.0 mm, 6xD, through coolant (shop)',
    properties: {
      ...original.properties,
      DC: 8,
      LU: 52,
      LCF: 56,
      LPR: 58,
      OAL: 98,
      LF: 96.5,
      PL: 1.46,
      ULDR: 6,
      RPMX: 13900,
    },
    extended: {
      ...original.extended,
      chip_gullet_area_mm2: 12.8,
      fr_window_mm_per_rev: [0.075, 0.23] as const,
    },
    note: 'copy of the 6.8 mm drill with its feed window scaled by diameter',
  };
  const large = crib.cutters.find((c) => c.id === 'drill-12-hss-stub')!.document;
  const indexable = {
    ...large,
    id: 'shop-drill-indexable-22-3xd',
    name: 'Indexable drill 22 mm, 3xD, through coolant (shop)',
    type: 'drill_indexable',
    properties: {
      DC: 22,
      LU: 66,
      LCF: 70,
      LPR: 74,
      OAL: 150,
      LF: 148,
      PL: 0.6,
      DCONMS: 25,
      NOF: 2,
      ZEFP: 1,
      CICT: 2,
      SIG: 170,
      KAPR: 85,
      FHA: 10,
      RPMX: 8000,
      ULDR: 3,
      CP: 70,
      APMX: 66,
      RMPX: 0,
    },
    extended: {
      ...large.extended,
      substrate: 'wc-tough-10-12co',
      coating: 'altin',
      chip_gullet_area_mm2: 90,
      through_coolant: true,
      fr_window_mm_per_rev: [0.05, 0.14] as const,
    },
    note: 'steel body with a centre and a peripheral insert that share the radius; one edge takes the whole feed',
  };
  await tx.insert(cutters).values([
    {
      id: document.id,
      origin: 'shop',
      copiedFrom: original.id,
      document,
      foundBy: foundBy('cutters', document),
    },
    {
      id: indexable.id,
      origin: 'shop',
      copiedFrom: large.id,
      document: indexable,
      foundBy: foundBy('cutters', indexable),
    },
  ]);
  await tx.insert(stock).values([
    { cutterId: 'em-bull-12-z5-re0.5-var', edges: 24, place: 'Cabinet 2, drawer 4', price: 84 },
    { cutterId: 'em-bull-16-z5-re2-ti', edges: 15, place: 'Cabinet 2, drawer 4', price: 128 },
    { cutterId: 'em-bull-12-z4-re1-var', edges: 30, place: 'Cabinet 2, drawer 3', price: 72 },
    { cutterId: 'em-flat-10-z3-alu', edges: 12, place: 'Cabinet 1, drawer 2', price: 46 },
    { cutterId: 'tap-m6-spiral-flute', edges: 14, place: 'Cabinet 4, drawer 1', price: 31 },
    { cutterId: document.id, edges: 9, place: 'Cabinet 3, drawer 2', price: 96 },
    { cutterId: indexable.id, edges: 20, place: 'Cabinet 5, drawer 1', price: 14 },
  ]);
  await tx.insert(assemblies).values([
    {
      name: '12 mm five-flute, short, shrink',
      cutterId: 'em-bull-12-z5-re0.5-var',
      holderId: 'shrink-12-80',
      stickOutMm: 38,
      runoutUm: 6,
    },
    {
      name: '16 mm titanium rougher, roller chuck',
      cutterId: 'em-bull-16-z5-re2-ti',
      holderId: 'milling-chuck-20-90',
      stickOutMm: 46,
      runoutUm: 7,
    },
    {
      name: '8 mm drill, hydraulic',
      cutterId: 'shop-drill-8-6xd',
      holderId: 'hydraulic-12-90',
      stickOutMm: 58,
      runoutUm: null,
    },
    {
      name: '63 mm shoulder mill, arbor',
      cutterId: 'shoulder90-63-z6-ti',
      holderId: 'shell-arbor-22-50',
      stickOutMm: 50,
      runoutUm: 12,
    },
  ]);
}
