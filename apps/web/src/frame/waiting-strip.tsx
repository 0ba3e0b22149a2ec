import { CloudUpload, TriangleAlert } from 'lucide-react';
import { discard, useSender, useWaiting } from '../outbox/use-outbox.ts';

/** Sends what was entered as soon as there is a line; shows what is not at the server yet, and what the server refused. */
export default function WaitingStrip({ personId }: { personId: string }) {
  useSender(personId);
  const everything = useWaiting();
  const all = everything.filter((w) => w.personId === personId);
  const others = everything.length - all.length;
  const refused = all.filter((w) => w.refused !== undefined);
  const waiting = all.length - refused.length;
  if (everything.length === 0) return null;
  return (
    <div role="status" className="no-print border-b border-line bg-accent-soft px-3 py-1 text-ink">
      {waiting > 0 && (
        <p className="flex items-center gap-2">
          <CloudUpload size={16} aria-hidden="true" />
          {waiting === 1 ? '1 entry waits' : `${waiting} entries wait`} in this browser and will be sent when
          the server answers.
        </p>
      )}
      {others > 0 && (
        <p className="flex items-center gap-2">
          <CloudUpload size={16} aria-hidden="true" />
          {others === 1 ? '1 entry' : `${others} entries`} of somebody else wait here until they sign in
          again.
        </p>
      )}
      {refused.map((w) => (
        <p key={w.order} className="flex flex-wrap items-center gap-2">
          <TriangleAlert size={16} aria-hidden="true" className="text-over" />
          <strong>{w.what}</strong> was refused: {w.refused}
          <button type="button" className="font-semibold underline" onClick={() => void discard(w.order)}>
            Delete
          </button>
        </p>
      ))}
    </div>
  );
}
