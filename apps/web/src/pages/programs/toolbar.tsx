import { writtenFor } from '@burl/core';
import { LARGEST_PROGRAM } from '@burl/contract';
import { FilePlus2, FileUp, Save, Upload } from 'lucide-react';
import type { RefObject } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { useJobs } from '../../api/hooks.ts';
import { Button } from '../../ui/button.tsx';
import { ComboBox } from '../../ui/combo-box.tsx';
import { saveFile } from '../../ui/save-file.ts';
import { InlineChoice } from '../../ui/inline-choice.tsx';
import { fileOfText } from './source.ts';
import type { JobOfPrograms, OpenProgram } from './use-program.ts';

export type Asking = 'stock' | 'write' | 'rewrite';

/** Names that would push the buttons off their line are cut. */
const LONGEST = 26;
const short = (name: string): string => (name.length > LONGEST ? `${name.slice(0, LONGEST - 1)}…` : name);

/** Job, operation and program, and what can be done with it. */
export function Toolbar({
  job: { detail, sheet, kept },
  program,
  may,
  chooser,
  onAsk,
}: {
  job: JobOfPrograms;
  program: OpenProgram;
  may: boolean;
  /** The field that opens a file: the page presses it as well. */
  chooser: RefObject<HTMLInputElement | null>;
  onAsk: (asking: Asking) => void;
}) {
  const { data: jobs } = useJobs({ search: '' });
  const navigate = useNavigate();
  const { source, all, held } = program;
  useHotkeys('o', () => chooser.current?.click(), []);
  return (
    <div className="flex flex-wrap items-end gap-2">
      <div className="w-56">
        <ComboBox
          label="Job"
          placeholder="hold it against a job"
          list={(jobs ?? []).map((j) => ({ id: j.id, name: `${j.number} ${j.part}` }))}
          value={detail?.job.id ?? ''}
          onTake={(id) => void navigate(`/programs?job=${id}`)}
        />
      </div>
      {detail && (
        <InlineChoice
          label="Held against"
          value={held.length === 1 ? held[0]!.id : ''}
          options={['', ...all.map((o) => o.id)]}
          name={(id) =>
            all.find((o) => o.id === id)?.name ??
            (sheet ? `sheet, rev ${sheet.revision}` : 'all as they stand')
          }
          onTake={(id) => program.go({ op: id || null })}
        />
      )}
      {kept.length > 0 && (
        <InlineChoice
          label="Program"
          value={source?.kept?.id ?? ''}
          options={[...(source?.kept ? [] : ['']), ...kept.map((p) => p.id)]}
          name={(id) =>
            short(kept.find((p) => p.id === id)?.name ?? (source ? `not kept: ${source.name}` : 'none'))
          }
          onTake={program.choose}
        />
      )}
      <input
        ref={chooser}
        type="file"
        aria-label="NC file"
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          void program.openFile(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <Button onClick={() => chooser.current?.click()}>
        <FileUp size={15} aria-hidden="true" /> Open file
      </Button>
      {held.length === 1 && writtenFor(held[0]!).length > 0 && (
        <Button onClick={() => onAsk('write')}>
          <FilePlus2 size={15} aria-hidden="true" /> Write
        </Button>
      )}
      {source && (
        <>
          <Button onClick={() => onAsk('stock')}>Material</Button>
          <Button look="main" disabled={held.length === 0} onClick={() => onAsk('rewrite')}>
            Rewrite feeds
          </Button>
          <Button onClick={() => saveFile(source.name, fileOfText(source.text))}>
            <Upload size={15} aria-hidden="true" /> Export
          </Button>
          {detail && may && !source.kept && (
            <Button disabled={source.text.length > LARGEST_PROGRAM} onClick={() => void program.keep()}>
              <Save size={15} aria-hidden="true" /> Keep with {detail.job.number}
            </Button>
          )}
        </>
      )}
    </div>
  );
}
