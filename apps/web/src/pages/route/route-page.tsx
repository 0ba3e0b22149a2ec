import { type Crib, type JobDetail, mayEdit } from '@burl/contract';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate, useParams } from 'react-router';
import { refreshJob, useCrib, useJob, useSession } from '../../api/hooks.ts';
import { type Action, useOffer } from '../../frame/actions.tsx';
import { Crumbs } from '../../frame/crumbs.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { FeatureDialog } from './feature-dialog.tsx';
import { NewOperationDialog } from './new-operation-dialog.tsx';
import { RouteAside } from './route-aside.tsx';
import { routeFacts } from './route-facts.ts';
import { RouteHead } from './route-head.tsx';
import { SetupDialog } from './setup-dialog.tsx';
import { SetupList } from './setup-list.tsx';
import { useRouteChanges } from './use-route-changes.ts';

/** The route of the job the address names. */
export default function RoutePage() {
  const { job: jobId = '' } = useParams();
  const { data: detail, error, mutate } = useJob(jobId);
  const { data: crib } = useCrib();
  if (error && !detail) return <Failed what="the job" message={error.message} retry={() => void mutate()} />;
  if (!detail || !crib) return <Loading what="the route" />;
  return <RouteView detail={detail} crib={crib} />;
}

function RouteView({ detail, crib }: { detail: JobDetail; crib: Crib }) {
  const { job, setups } = detail;
  const { data: session } = useSession();
  const navigate = useNavigate();
  const [adding, setAdding] = useState<string | null>(null);
  const [editing, setEditing] = useState<string | null>(null);
  const [feature, setFeature] = useState<string | null>(null);
  const edited = setups.find((s) => s.id === editing);
  const readOnly = job.status !== 'draft' || !session?.person || !mayEdit(session.person.role);
  const facts = useMemo(() => routeFacts(detail, crib), [detail, crib]);
  const changes = useRouteChanges(detail, facts, crib);
  const first = setups[0]?.id ?? null;
  const actions = useMemo<Action[]>(
    () =>
      readOnly
        ? []
        : [{ id: 'add-operation', label: 'Add an operation', keys: 'A', run: () => setAdding(first) }],
    [readOnly, first],
  );
  useOffer('route', actions);
  useHotkeys('a', () => !readOnly && setAdding(first), { preventDefault: true }, [readOnly, first]);

  return (
    <div className="mx-auto max-w-[1400px] p-4">
      <Crumbs trail={[{ label: job.number }]} />
      <RouteHead detail={detail} crib={crib} readOnly={readOnly} />
      <div className="grid grid-cols-1 gap-5 lg:grid-cols-[minmax(0,1fr)_300px]">
        <SetupList
          jobId={job.id}
          facts={facts}
          changes={changes}
          readOnly={readOnly}
          onAdd={setAdding}
          onFeature={setFeature}
          onEdit={setEditing}
        />
        <RouteAside job={job} facts={facts} changes={changes} readOnly={readOnly} />
      </div>
      {feature && (
        <FeatureDialog detail={detail} crib={crib} setupId={feature} onClose={() => setFeature(null)} />
      )}
      {edited && (
        <SetupDialog
          jobId={job.id}
          setup={edited}
          crib={crib}
          only={setups.length === 1}
          onClose={() => setEditing(null)}
        />
      )}
      {adding && (
        <NewOperationDialog
          crib={crib}
          job={job}
          setupId={adding}
          onClose={() => setAdding(null)}
          onMade={(id) => void refreshJob(job.id).then(() => navigate(`/jobs/${job.id}/ops/${id}`))}
        />
      )}
    </div>
  );
}
