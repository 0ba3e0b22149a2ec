import { mayEdit, type Finding } from '@burl/contract';
import { formatDistanceToNow } from 'date-fns';
import { TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { call, messageOf } from '../../api/client.ts';
import { useFindings, useSession } from '../../api/hooks.ts';
import { Button } from '../../ui/button.tsx';
import { ReasonDialog } from '../../ui/reason-dialog.tsx';

/** What is done about a finding, in a word; it leaves the desk with it. */
function AnswerDialog({ finding, onClose }: { finding: Finding; onClose: () => void }) {
  async function send(answer: string): Promise<void> {
    try {
      await call('POST', '/api/findings/:id/answer', { id: finding.id }, { answer });
      await mutate((key) => typeof key === 'string' && key.startsWith('/api/findings'));
      onClose();
    } catch (e) {
      toast.error(messageOf(e));
    }
  }
  return (
    <ReasonDialog
      title={`Answer: ${finding.jobNumber}, ${finding.operation}`}
      label="What is done about it"
      does="Answer"
      onSay={send}
      onClose={onClose}
    >
      <p>{finding.text}</p>
    </ReasonDialog>
  );
}

/** What the floor found and nobody has answered: first on the desk. */
export function Findings() {
  const { data: findings } = useFindings();
  const { data: session } = useSession();
  const [answering, setAnswering] = useState<Finding | null>(null);
  const edit = session?.person ? mayEdit(session.person.role) : false;
  if (!findings || findings.length === 0) return null;
  return (
    <section aria-label="From the floor" className="mb-4 rounded-xl border-2 border-over bg-card p-3">
      <h2 className="mb-1 flex items-center gap-2">
        <TriangleAlert size={17} aria-hidden="true" className="text-over" /> From the floor{' '}
        <span className="font-normal text-soft">{findings.length} to answer</span>
      </h2>
      <ul className="divide-y divide-line">
        {findings.slice(0, 6).map((f) => (
          <li key={f.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1.5">
            <span className="min-w-0 flex-1 max-sm:basis-full">
              <Link to={`/jobs/${f.jobId}`} className="font-semibold underline-offset-2 hover:underline">
                {f.jobNumber}
              </Link>{' '}
              {f.operation}: {f.text}
              <span className="text-soft">
                {' '}
                · {f.by}, {formatDistanceToNow(new Date(f.at), { addSuffix: true })}
              </span>
            </span>
            {f.hasPhoto && (
              <a
                href={`/api/floor-files/${f.sourceId}/photo`}
                target="_blank"
                rel="noreferrer"
                className="font-semibold text-accent underline"
              >
                Photo
              </a>
            )}
            {f.kind === 'trial' && (
              <Link to={`/logbook?trial=${f.sourceId}`} className="font-semibold text-accent underline">
                What happened?
              </Link>
            )}
            {edit && <Button onClick={() => setAnswering(f)}>Answer</Button>}
          </li>
        ))}
      </ul>
      {findings.length > 6 && <p className="text-soft">and {findings.length - 6} more</p>}
      {answering && <AnswerDialog finding={answering} onClose={() => setAnswering(null)} />}
    </section>
  );
}
