import type { JobDetail, JobOperation } from '@burl/contract';
import { Redo2, Undo2 } from 'lucide-react';
import { Link } from 'react-router';
import { Button } from '../../ui/button.tsx';
import type { Editing, SaveState } from './use-operation.ts';
import { Variants } from './variants.tsx';

export const VIEWS = [
  ['cut', 'Cut'],
  ['strategies', 'Strategies'],
  ['cutter', 'Cutter'],
  ['variants', 'Variants'],
] as const;

export type View = (typeof VIEWS)[number][0];

function saveWord(save: SaveState): string {
  switch (save.is) {
    case 'saved':
      return save.at ? `saved ${save.at.toTimeString().slice(0, 5)}` : 'saved';
    case 'unsaved':
      return 'not saved yet';
    case 'saving':
      return 'saving';
    case 'conflict':
      return 'edit conflict';
    default:
      return save.is === 'offline' ? 'offline' : 'not saved';
  }
}

/** Views, variants, undo, what is saved, and the way to release. */
export function Bar({
  detail,
  operation,
  views,
  editing,
  readOnly,
  view,
  onView,
}: {
  detail: JobDetail;
  operation: JobOperation;
  /** What there is to look at; one alone needs no choice. */
  views: readonly View[];
  editing: Editing;
  readOnly: boolean;
  view: View;
  onView: (view: View) => void;
}) {
  return (
    <div className="flex items-center gap-1 max-[900px]:flex-wrap">
      {views.length > 1 && (
        <nav aria-label="Views of the bench" className="mr-1 flex rounded-md border border-line bg-card">
          {VIEWS.filter(([id]) => views.includes(id)).map(([id, name]) => (
            <button
              key={id}
              type="button"
              aria-current={view === id ? 'page' : undefined}
              onClick={() => onView(id)}
              className={`min-h-8 px-2 ${view === id ? 'font-semibold text-accent underline decoration-2 underline-offset-4' : 'hover:bg-accent-soft'}`}
            >
              {name}
            </button>
          ))}
        </nav>
      )}
      <Variants operation={operation} jobId={detail.job.id} readOnly={readOnly} />
      <Button look="quiet" aria-label="Undo" disabled={!editing.canUndo} onClick={editing.undo}>
        <Undo2 size={16} aria-hidden="true" />
      </Button>
      <Button look="quiet" aria-label="Redo" disabled={!editing.canRedo} onClick={editing.redo}>
        <Redo2 size={16} aria-hidden="true" />
      </Button>
      <span role="status" aria-label="Saving" className="w-24 text-right text-[12.5px] text-soft">
        {readOnly ? 'read only' : saveWord(editing.save)}
      </span>
      <Link
        to={`/jobs/${detail.job.id}/release`}
        className="rounded-md border border-accent bg-accent px-3 py-1.5 font-semibold whitespace-nowrap text-on-accent"
      >
        {detail.job.status === 'draft' ? 'Request release' : 'Release'}
      </Link>
    </div>
  );
}
