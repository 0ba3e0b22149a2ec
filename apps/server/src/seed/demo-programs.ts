import { batchAt, type Crib, operationAsItStands, type Person } from '@burl/contract';
import { PLAIN_DIALECT, writeProgram, writtenFor } from '@burl/core';
import type { Transaction } from '../store/client.ts';
import { contextInCrib } from '../store/crib-store.ts';
import { jobDetail } from '../store/job-store.ts';
import { programs } from '../store/schema/programs.ts';
import { BONNET_STOCK, mailedProgram } from './mailed-program.ts';

/** Six channels of the manifold, as its hole group lays them out. */
const CHANNELS = Array.from({ length: 6 }, (_, i) => ({ x: i * 32, y: 0 }));

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
        if (job.number !== 'TM-0231' || !o.name.startsWith('Drill') || !o.name.includes('Channels')) continue;
        const document = o.variants[0]!.document;
        const operation = operationAsItStands(
          { id: o.id, name: o.name, document, workOffset: setup.plan.workOffset },
          contextInCrib(crib, document, batchAt(job, setup)),
        );
        const { text, stock } = writeProgram(operation, {
          what: writtenFor(operation)[0]!,
          dialect: PLAIN_DIALECT,
          places: CHANNELS,
          title: `${job.number} ${o.name}`,
          number: 231,
          speeds: [],
        });
        await keep(o.id, 'o0231-channels.nc', text, stock);
      }
  }
}
