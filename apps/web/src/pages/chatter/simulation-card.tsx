import { useState } from 'react';
import type { SimulatedRun } from '../../workers/chatter-work.ts';
import { question } from '../../workers/question.ts';
import { askWorker } from '../../workers/use-heavy.ts';
import { Button } from '../../ui/button.tsx';
import type { ChatterCut } from './chatter-cut.ts';

/** Least depth that is run, mm: the solver needs something to cut. */
const LEAST = 0.05;

/** The last run of a cut, as long as the cut stays the same. */
export interface Simulating {
  readonly run: SimulatedRun | null;
  readonly running: boolean;
  readonly start: () => void;
}

export function useSimulation({ op, context }: ChatterCut): Simulating {
  const key = question('simulation', op, context);
  const [last, setLast] = useState<{ key: string; run: SimulatedRun } | null>(null);
  const [running, setRunning] = useState(false);
  return {
    run: last?.key === key ? last.run : null,
    running,
    start() {
      setRunning(true);
      void askWorker('sound', (api) =>
        api.simulate(op, context, op.cut.speedRpm, Math.max(LEAST, op.cut.axialDepthMm)),
      )
        .then((run) => setLast({ key, run }))
        .finally(() => setRunning(false));
    },
  };
}

/** Runs the cut step by step, and says what came of it. */
export function SimulationCard({ run, running, start }: Simulating) {
  return (
    <section className="space-y-1 rounded-lg border border-line bg-card p-3 text-[13px]">
      <h2>Time-domain simulation</h2>
      <p className="text-soft">Runs the cut step by step, teeth leaving the cut where they jump out of it.</p>
      <Button disabled={running} onClick={start}>
        {running ? 'Running…' : 'Simulate'}
      </Button>
      {run && (
        <p>
          <b>{run.stable ? 'Stable.' : 'Chatter.'}</b> Vibration {run.growthPerTurn < 0 ? 'decays' : 'grows'}{' '}
          by {Math.abs(100 * (Math.exp(run.growthPerTurn) - 1)).toFixed(0)}% per revolution.
        </p>
      )}
    </section>
  );
}
