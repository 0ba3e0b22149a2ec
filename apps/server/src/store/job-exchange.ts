import { type Cutter, EMPTY_JOB_PLAN, type Operation } from '@burl/core';
import {
  cribOfJob,
  type CribKind,
  JOB_FILE_FORMAT,
  JOB_FILE_VERSION,
  type JobFile,
  jobFieldsOf,
  type Person,
} from '@burl/contract';
import { and, eq } from 'drizzle-orm';
import same from 'fast-deep-equal';
import type { Database, Transaction } from './client.ts';
import { holes, jobs, operations, setups, variants } from './schema/jobs.ts';
import { toolMaterials } from './schema/crib.ts';
import { record } from './audit.ts';
import { tableOf, wholeCrib } from './crib-store.ts';
import { foundBy } from './found-by.ts';
import { jobDetail } from './job-store.ts';

/** A job as one file with the crib entries it names. */
export async function exportJob(db: Database, jobId: string): Promise<JobFile> {
  const [{ job, setups: route, holes: kinds }, crib] = await Promise.all([
    jobDetail(db, jobId),
    wholeCrib(db),
  ]);
  const setups: JobFile['setups'] = route.map((s) => ({
    name: s.name,
    plan: s.plan,
    operations: s.operations.map((o) => ({
      name: o.name,
      hole: o.holeId === null ? null : kinds.findIndex((k) => k.id === o.holeId),
      step: o.holeStep,
      selected: o.selected,
      variants: o.variants.map((v) => ({ label: v.label, document: v.document })),
    })),
  }));
  return {
    format: JOB_FILE_FORMAT,
    version: JOB_FILE_VERSION,
    job: jobFieldsOf(job),
    holes: kinds.map(({ demand, chosen, changes }) => ({ demand, chosen, changes })),
    setups,
    crib: cribOfJob(job, setups, crib),
  };
}

/** Brings an entry into the crib: kept when equal, under a new id when another of that id is there. Returns its id. */
async function bringIn(tx: Transaction, kind: CribKind, document: { readonly id: string }): Promise<string> {
  const table = tableOf(kind);
  for (let n = 0; ; n++) {
    const id = n === 0 ? document.id : `${document.id}-file${n}`;
    const wanted = { ...document, id };
    const [there] = await tx.select().from(table).where(eq(table.id, id));
    if (there && same(there.document, wanted)) return id;
    if (there) continue;
    await tx.insert(table).values({
      id,
      origin: 'shop',
      copiedFrom: n === 0 ? null : document.id,
      document: wanted as never,
      foundBy: foundBy(kind, wanted as never),
    });
    return id;
  }
}

type Renamed = Readonly<Record<'substrate' | 'coating', ReadonlyMap<string, string>>>;

/**
 * Brings in what the tools of a file are made of: kept when equal, under a new id when the shop has another of that id, so that
 * nothing in the file is judged by other numbers than it was made with. Returns the ids.
 */
async function bringInMaterials(tx: Transaction, crib: JobFile['crib']): Promise<Renamed> {
  const renamed = { substrate: new Map<string, string>(), coating: new Map<string, string>() };
  for (const [kind, list] of [
    ['substrate', crib.substrates],
    ['coating', crib.coatings],
  ] as const) {
    for (const [wanted, document] of Object.entries(list)) {
      for (let n = 0; !renamed[kind].has(wanted); n++) {
        const id = n === 0 ? wanted : `${wanted}-file${n}`;
        const [there] = await tx
          .select()
          .from(toolMaterials)
          .where(and(eq(toolMaterials.kind, kind), eq(toolMaterials.id, id)));
        if (there && !same(there.document, document)) continue;
        if (!there) await tx.insert(toolMaterials).values({ kind, id, document });
        renamed[kind].set(wanted, id);
      }
    }
  }
  return renamed;
}

/** A cutter that names its materials as they are called here. */
const madeOf = (cutter: Cutter, { substrate, coating }: Renamed): Cutter => ({
  ...cutter,
  extended: {
    ...cutter.extended,
    substrate: substrate.get(cutter.extended.substrate) ?? cutter.extended.substrate,
    coating: coating.get(cutter.extended.coating) ?? cutter.extended.coating,
  },
});

/** Makes a new job from a file that was checked, all or nothing. */
export async function importJob(db: Database, file: JobFile, person: Person): Promise<string> {
  return db.transaction(async (tx) => {
    const ids: Record<CribKind, Map<string, string>> = {
      alloys: new Map(),
      machines: new Map(),
      cutters: new Map(),
      holders: new Map(),
    };
    const materials = await bringInMaterials(tx, file.crib);
    for (const kind of Object.keys(ids) as CribKind[]) {
      for (const document of file.crib[kind]) {
        const own = kind === 'cutters' ? madeOf(document as Cutter, materials) : document;
        ids[kind].set(document.id, await bringIn(tx, kind, own));
      }
    }
    const at = (kind: CribKind, id: string): string => ids[kind].get(id) ?? id;
    const renamed = (op: Operation): Operation => ({
      ...op,
      alloyId: at('alloys', op.alloyId),
      machineId: at('machines', op.machineId),
      tooling: {
        ...op.tooling,
        cutterId: at('cutters', op.tooling.cutterId),
        holderId: at('holders', op.tooling.holderId),
      },
      workedOutFor: {
        ...op.workedOutFor,
        alloyId: at('alloys', op.workedOutFor.alloyId),
        cutterId: at('cutters', op.workedOutFor.cutterId),
      },
    });
    const [job] = await tx
      .insert(jobs)
      .values({
        ...file.job,
        plan: file.job.plan ?? EMPTY_JOB_PLAN,
        alloyId: at('alloys', file.job.alloyId),
        machineId: at('machines', file.job.machineId),
        updatedBy: person.name,
      })
      .returning();
    const holeIds: string[] = [];
    for (const [position, kind] of file.holes.entries()) {
      const [row] = await tx
        .insert(holes)
        .values({ ...kind, jobId: job!.id, position, updatedBy: person.name })
        .returning({ id: holes.id });
      holeIds.push(row!.id);
    }
    for (const [i, s] of file.setups.entries()) {
      const [setup] = await tx
        .insert(setups)
        .values({
          jobId: job!.id,
          name: s.name,
          position: i,
          plan: { ...s.plan, machineId: s.plan.machineId && at('machines', s.plan.machineId) },
        })
        .returning();
      for (const [j, o] of s.operations.entries()) {
        const [op] = await tx
          .insert(operations)
          .values({
            setupId: setup!.id,
            name: o.name,
            position: j,
            selected: o.selected,
            holeId: o.hole === null ? null : (holeIds[o.hole] ?? null),
            holeStep: o.step,
          })
          .returning();
        for (const v of o.variants) {
          await tx.insert(variants).values({
            operationId: op!.id,
            label: v.label,
            document: renamed(v.document),
            updatedBy: person.name,
          });
        }
      }
    }
    await record(tx, person, { action: 'imported job', jobId: job!.id, subject: file.job.number });
    return job!.id;
  });
}
