import type { CombinationDetail, Crib } from '@burl/contract';
import { Pencil, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshChatter } from '../../api/hooks.ts';
import { Button } from '../../ui/button.tsx';
import { CombinationDialog } from './combination-dialog.tsx';

/** Corrects a combination, or takes it out of use; what was removed by mistake comes back with all that was measured. */
export function CombinationEdits({ combination, crib }: { combination: CombinationDetail; crib: Crib }) {
  const [editing, setEditing] = useState(false);
  const navigate = useNavigate();
  const { id, machineSerial, cuts, tips } = combination;

  async function tell(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
      await refreshChatter();
    } catch (error) {
      toast.error(messageOf(error));
    }
  }
  const remove = (): Promise<void> =>
    tell(async () => {
      await call('DELETE', '/api/resonance/:id', { id });
      toast.success(
        `${machineSerial} is removed${tips.length + cuts.length > 0 ? ', and its measurements no longer count' : ''}.`,
        {
          duration: 12_000,
          action: {
            label: 'Undo',
            onClick: () => void tell(() => call('POST', '/api/resonance/:id/restoration', { id })),
          },
        },
      );
      await navigate('/resonance');
    });

  return (
    <div className="no-print flex gap-1.5">
      <Button onClick={() => setEditing(true)} aria-label="Edit combination">
        <Pencil size={14} aria-hidden="true" /> Edit
      </Button>
      <Button look="danger" onClick={() => void remove()} aria-label="Remove combination">
        <Trash2 size={14} aria-hidden="true" /> Remove
      </Button>
      {editing && (
        <CombinationDialog
          crib={crib}
          start={{}}
          existing={combination}
          onClose={() => setEditing(false)}
          onMade={() => setEditing(false)}
        />
      )}
    </div>
  );
}
