import type { Release } from '@burl/contract';
import { BLOCK_NUMBERS, type BlockNumber, formatMeasure } from '@burl/core';
import { Pause, Play } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useSystem } from '../../frame/preferences.tsx';
import { duration } from '../../judging/amount.ts';
import { Button } from '../../ui/button.tsx';
import { InlineChoice } from '../../ui/inline-choice.tsx';
import type { ProgramPicture } from '../../workers/program-work.ts';
import { MachineRow } from './machine-row.tsx';
import { PathPicture } from './path-picture.tsx';
import type { ProgramSource } from './source.ts';
import { Strip } from './strip.tsx';
import { useMachine } from './use-machine.ts';
import type { Player } from './use-player.ts';

const NUMBERS = Object.keys(BLOCK_NUMBERS) as BlockNumber[];

/** Path from above and from the side in the colours of a number, that number along the time, and the place in it. */
export function PathPane({
  picture,
  player,
  line,
  source,
  sheet,
}: {
  picture: ProgramPicture;
  player: Player;
  line: number;
  source: ProgramSource;
  sheet: Release | undefined;
}) {
  const system = useSystem();
  const [shown, setShown] = useState<BlockNumber>('arc');
  const [watching, setWatching] = useState(false);
  const keptId = source.kept?.id ?? null;
  const seen = useMachine(keptId, watching);
  const { table, stock } = picture;
  const { at, last } = player;
  const values = table.values[shown];
  const { unit } = BLOCK_NUMBERS[shown];
  const most = useMemo(() => values.reduce((m, v) => Math.max(m, v), 0), [values]);
  const drawn = { table, values, most, stock, at, onTake: player.go };
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <InlineChoice
          label="Colour by"
          value={shown}
          options={NUMBERS}
          name={(k) => BLOCK_NUMBERS[k].name}
          onTake={setShown}
        />
        <span className="text-[13px] tabular-nums">
          line {line}: <b>{formatMeasure(values[at] ?? 0, unit, system)}</b>
          <span className="text-soft"> of {formatMeasure(most, unit, system)} at most</span>
        </span>
        <span className="ml-auto text-[13px] text-soft">{duration(table.minutes[last] ?? 0)}</span>
      </div>
      <div className="rounded-lg border border-line bg-card">
        <PathPicture {...drawn} view="above" height={270} />
        <PathPicture {...drawn} view="side" height={100} />
      </div>
      <div className="flex items-center gap-2">
        <Button
          look="quiet"
          aria-label={player.playing ? 'Stop playing' : 'Play the cut'}
          onClick={player.toggle}
        >
          {player.playing ? <Pause size={16} aria-hidden="true" /> : <Play size={16} aria-hidden="true" />}
        </Button>
        <input
          type="range"
          aria-label="Place in the program"
          aria-valuetext={`line ${line}`}
          min={0}
          max={last}
          value={at}
          onChange={(e) => player.go(Number(e.target.value))}
          className="h-6 w-full accent-(--accent) touch:h-11"
        />
      </div>
      <div className="h-[130px] rounded-lg border border-line bg-card p-1">
        <Strip table={table} shown={shown} at={at} measured={seen.measured} onTake={player.go} />
      </div>
      {keptId && (
        <MachineRow
          table={table}
          source={source}
          sheet={sheet}
          watching={watching}
          seen={seen}
          onWatch={() => {
            setWatching(!watching);
            setShown('meter');
          }}
        />
      )}
    </>
  );
}
