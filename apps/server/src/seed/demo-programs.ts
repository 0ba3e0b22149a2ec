import { batchAt, type Crib, operationAsItStands, type Person } from '@burl/contract';
import { PLAIN_DIALECT, writeProgram, writtenFor } from '@burl/core';
import type { Transaction } from '../store/client.ts';
import { contextInCrib } from '../store/crib-store.ts';
import { jobDetail } from '../store/job-store.ts';
import { programs } from '../store/schema/programs.ts';
import { BONNET_STOCK, mailedProgram } from './mailed-program.ts';

/** Programs that are written with the numbers of a demo operation: six channels of the manifold, a pocket of the hub. */
const WRITTEN = [
  {
    job: 'TM-0231',
    of: /^Drill.*Channels/,
    name: 'o0231-channels.nc',
    number: 231,
    tool: null,
    places: Array.from({ length: 6 }, (_, i) => ({ x: i * 32, y: 0 })),
  },
  {
    job: 'TT-0412',
    of: /^Rough lock pocket$/,
    name: 'o0412-pocket.nc',
    number: 412,
    tool: 5,
    places: [{ x: 0, y: 0 }],
  },
] as const;

/** Programs of the demo jobs: one that came by mail with faults in it, one that Burl wrote. */
export async function demoPrograms(
  tx: Transaction,
  engineer: Person,
  crib: Crib,
  jobIds: readonly string[],
): Promise<void> {
  for (const jobId of jobIds) {
    const { job, setups } = await jobDetail(tx, jobId);
    const keep = (
      operationId: string,
      name: string,
      text: string,
      stock: typeof BONNET_STOCK,
    ): Promise<unknown> => {
      const bytes = Buffer.from(text, 'latin1');
      return tx.insert(programs).values({
        jobId,
        operationId,
        name,
        size: bytes.length,
        bytes,
        stock,
        byId: engineer.id,
        by: engineer.name,
      });
    };
    for (const setup of setups)
      for (const o of setup.operations) {
        if (job.number === 'GW-1187' && o.name === 'Rough seal pocket')
          await keep(o.id, 'o1187-mailed.nc', mailedProgram(), BONNET_STOCK);
        const demo = WRITTEN.find((w) => w.job === job.number && w.of.test(o.name));
        if (!demo) continue;
        const { document } = o.variants[0]!;
        const operation = operationAsItStands(
          { id: o.id, name: o.name, document, workOffset: setup.plan.workOffset },
          contextInCrib(crib, document, batchAt(job, setup)),
        );
        const { text, stock } = writeProgram(
          { ...operation, tool: demo.tool },
          {
            what: writtenFor(operation)[0]!,
            dialect: PLAIN_DIALECT,
            places: demo.places,
            title: `${job.number} ${o.name}`,
            number: demo.number,
            speeds: [],
          },
        );
        await keep(o.id, demo.name, text, stock);
      }
  }
}
