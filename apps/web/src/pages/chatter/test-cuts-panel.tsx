import type { CombinationDetail } from '@burl/contract';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshChatter } from '../../api/hooks.ts';
import type { ChatterCut } from './chatter-cut.ts';
import { LogCutForm } from './log-cut-form.tsx';
import { TestCutsTable } from './test-cuts-table.tsx';

/** Cuts that were run with this combination, and a new one. */
export function TestCutsPanel({
  combination,
  cut,
  edit,
}: {
  combination: CombinationDetail;
  cut: ChatterCut;
  edit: boolean;
}) {
  async function remove(id: string): Promise<void> {
    await call('DELETE', '/api/resonance/cuts/:id', { id }).catch((e: unknown) => toast.error(messageOf(e)));
    await refreshChatter();
  }
  return (
    <div className="grid grid-cols-1 gap-3 lg:grid-cols-[minmax(0,1fr)_300px]">
      <TestCutsTable cuts={combination.cuts} onDelete={edit ? (id) => void remove(id) : null} />
      <LogCutForm combination={combination} cut={cut} />
    </div>
  );
}
