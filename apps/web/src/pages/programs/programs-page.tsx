import { mayEdit } from '@burl/contract';
import { blockOfLine, type Finding, stockBlock } from '@burl/core';
import { useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useCrib, useJob, usePrograms, useSession, useSheet } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { Loading } from '../../ui/page-states.tsx';
import { FindingsPane } from './findings-pane.tsx';
import { Opened } from './opened.tsx';
import { PathPane } from './path-pane.tsx';
import { ProgramEditor } from './program-editor.tsx';
import { RewriteDialog } from './rewrite-dialog.tsx';
import { StockDialog } from './stock-dialog.tsx';
import { type Asking, Toolbar } from './toolbar.tsx';
import { usePlayer } from './use-player.ts';
import { type JobOfPrograms, type OpenProgram, useProgram } from './use-program.ts';
import { WriteDialog } from './write-dialog.tsx';

/** NC programs of the job in the address, or of a file somebody opens. */
export default function ProgramsPage() {
  const [params] = useSearchParams();
  const jobId = params.get('job') ?? '';
  const { data: crib } = useCrib();
  const { data: detail } = useJob(jobId);
  const { data: sheet } = useSheet(jobId);
  const { data: kept } = usePrograms(jobId);
  if (!crib || (jobId && (!detail || !kept))) return <Loading what="the programs" />;
  const job: JobOfPrograms = jobId
    ? { crib, detail: detail ?? null, sheet, kept: kept ?? NONE }
    : { crib, detail: null, sheet: undefined, kept: NONE };
  return <Workplace key={jobId} job={job} />;
}

const NONE: JobOfPrograms['kept'] = [];
const NO_FINDINGS: readonly Finding[] = [];
/** Text that is edited on the page; larger ones are looked at. */
const EDITED_MOST = 2_000_000;
/** Text that is shown before its path is: larger ones take the page longer to lay out than the path to be read. */
const SHOWN_AT_ONCE = 4_000_000;

function Workplace({ job }: { job: JobOfPrograms }) {
  const { data: session } = useSession();
  const may = session?.person ? mayEdit(session.person.role) : false;
  const program = useProgram(job, may);
  const chooser = useRef<HTMLInputElement>(null);
  const [asking, setAsking] = useState<Asking | null>(null);
  const { source, picture } = program;
  const table = picture?.table ?? null;
  const player = usePlayer(table, source?.file ?? 0);
  const line = table && table.count > 0 ? table.line[player.at]! : 1;
  const here = job.detail && { label: job.detail.job.number, to: `/jobs/${job.detail.job.id}` };
  return (
    <div
      className="flex flex-col gap-2 p-3 min-[1001px]:h-[calc(100dvh-4.6rem)] min-[1001px]:min-h-[600px]"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        void program.openFile(e.dataTransfer.files[0]);
      }}
    >
      <Crumbs trail={[...(here ? [here] : []), { label: 'Programs' }]} />
      <h1 className="sr-only">Programs</h1>
      <Toolbar job={job} program={program} may={may} chooser={chooser} onAsk={setAsking} />
      {!source ? (
        <Opened onOpen={() => chooser.current?.click()} />
      ) : (
        <div className="grid min-h-0 flex-1 grid-cols-[minmax(240px,26%)_minmax(0,1fr)_minmax(260px,27%)] gap-2 max-[1000px]:grid-cols-1">
          <section aria-label="Text" className="flex min-h-0 flex-col max-[1000px]:h-[420px]">
            {(picture || source.text.length <= SHOWN_AT_ONCE) && (
              <ProgramEditor
                file={source.file}
                text={source.text}
                line={line}
                findings={picture?.result?.findings ?? NO_FINDINGS}
                readOnly={source.text.length > EDITED_MOST}
                onLine={(l) => table && player.go(blockOfLine(table, l))}
                onText={program.edit}
              />
            )}
          </section>
          <section aria-label="Path" className="flex min-h-0 flex-col gap-2">
            {picture ? (
              <PathPane picture={picture} player={player} line={line} source={source} sheet={job.sheet} />
            ) : (
              <div className="h-[410px] rounded-lg border border-line bg-card" />
            )}
          </section>
          <FindingsPane program={program} player={player} line={line} />
        </div>
      )}
      <Asked asking={asking} job={job} program={program} onClose={() => setAsking(null)} />
    </div>
  );
}

/** The dialog that is open. */
function Asked({
  asking,
  job,
  program,
  onClose,
}: {
  asking: Asking | null;
  job: JobOfPrograms;
  program: OpenProgram;
  onClose: () => void;
}) {
  const { source, settings, held, picture } = program;
  const operation = held[0];
  if (asking === 'stock' && source)
    return (
      <StockDialog
        stock={picture?.stock ?? source.stock ?? stockBlock([0, 0, -20], [100, 60, 0])}
        onTake={program.takeStock}
        onClose={onClose}
      />
    );
  if (asking === 'write' && operation && job.detail)
    return (
      <WriteDialog
        operation={operation}
        title={`${job.detail.job.number} ${operation.name}`}
        onTake={program.openWritten}
        onClose={onClose}
      />
    );
  if (asking === 'rewrite' && source && settings)
    return (
      <RewriteDialog
        name={source.name}
        text={source.text}
        settings={settings}
        onTake={(done) => {
          program.takeRewritten(done);
          onClose();
        }}
        onClose={onClose}
      />
    );
  return null;
}
