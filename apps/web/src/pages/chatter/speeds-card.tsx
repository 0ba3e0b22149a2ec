import { explainsHeard, formatMeasure, millingState, type SoundVerdict, speedsToTry } from '@burl/core';
import { useMemo } from 'react';
import { useSystem } from '../../frame/preferences.tsx';
import type { ChatterCut } from './chatter-cut.ts';

/** Speeds at which the teeth come in step with the chatter that was heard, and whether the tip explains it at all. */
export function SpeedsCard({
  verdict,
  cut,
  shipped,
}: {
  verdict: SoundVerdict;
  cut: ChatterCut;
  /** The recording is Burl's own: another cutter's. */
  shipped: boolean;
}) {
  const system = useSystem();
  const modes = useMemo(() => millingState(cut.op, cut.context).stability.structure, [cut]);
  const hz = verdict.hz!;
  const speeds = shipped ? [] : speedsToTry(hz, cut.op, cut.context);
  const explained = shipped || explainsHeard(hz, [...modes.x, ...modes.y]);
  return (
    <section className="space-y-1 rounded-lg border border-line bg-card p-3 text-[13px]">
      <h2>Speeds to try</h2>
      {speeds.length > 0 ? (
        <>
          <p>
            The teeth then come in step with this frequency. Highest MRR first, at the depth that is 50%
            stable there; change the feed with the speed, and listen again.
          </p>
          <ol className="list-decimal pl-5">
            {speeds.map((s) => (
              <li key={s.rpm}>
                {formatMeasure(s.rpm, 'rpm', system)}, 50% stable at{' '}
                {s.depthMm === null ? 'any depth' : formatMeasure(s.depthMm, 'mm', system)}
              </li>
            ))}
          </ol>
        </>
      ) : (
        <p>
          {shipped
            ? 'A recording that ships with Burl: another cutter’s, so no speeds for this one follow from it.'
            : 'None within this machine, this cutter’s rating and the allowed cutting speed: use less depth or width, or a shorter, stiffer tool.'}
        </p>
      )}
      {!explained && (
        <p className="text-tight" role="note">
          No known mode of this tip lies near {formatMeasure(hz, 'Hz', system)}: the part, the fixture or a
          mode nobody has measured does. Tap-test those too.
        </p>
      )}
    </section>
  );
}
