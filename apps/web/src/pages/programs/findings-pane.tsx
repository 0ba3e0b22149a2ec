import { blockOfLine } from '@burl/core';
import { HeavyState } from '../../workers/heavy-state.tsx';
import { FindingsList } from './findings-list.tsx';
import type { Player } from './use-player.ts';
import type { OpenProgram } from './use-program.ts';

/** What was found, with what had to be assumed for it. */
export function FindingsPane({
  program,
  player,
  line,
}: {
  program: OpenProgram;
  player: Player;
  line: number;
}) {
  const { picture, held, checked } = program;
  const table = picture?.table ?? null;
  return (
    <section aria-label="Findings" className="flex min-h-0 flex-col rounded-lg border border-line bg-card">
      <div className="border-b border-line px-3 py-2">
        <h2 className="font-semibold">Findings</h2>
        {picture?.stockAssumed && (
          <p className="text-[13px] text-soft">
            {picture.stockAssumed === 'blank'
              ? 'Material: the blank of the job, its zero where the path fits it.'
              : 'Material assumed: a block round the path.'}{' '}
            Say what it is under Material.
          </p>
        )}
        {held.length === 0 && (
          <p className="text-[13px] text-soft">
            Held against nothing: choose a job for loads and released numbers.
          </p>
        )}
        {table && table.left > 0 && (
          <p className="text-[13px] text-soft">
            {table.left.toLocaleString('en')} moves are checked and not drawn.
          </p>
        )}
        <HeavyState what="the program" heavy={checked} />
      </div>
      <div
        role="region"
        aria-label="What was found"
        tabIndex={0}
        className={`min-h-0 flex-1 overflow-auto ${checked.stale || checked.busy ? 'opacity-60' : ''}`}
      >
        {picture?.result && table && (
          <FindingsList
            findings={picture.result.findings}
            line={line}
            onTake={(f) =>
              player.go(f.block !== null && f.block < table.count ? f.block : blockOfLine(table, f.line))
            }
          />
        )}
      </div>
    </section>
  );
}
