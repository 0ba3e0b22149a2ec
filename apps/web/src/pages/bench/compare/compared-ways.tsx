import { type Operation, speak, verdictOfWays, type Way } from '@burl/core';
import { useMemo } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { WaysTable } from './ways-table.tsx';

/** Ways side by side, what each is best at, and why. */
export function ComparedWays<O extends Operation>({
  ways,
  about,
  searched = false,
  disabled,
  onTake,
  onKeep,
}: {
  ways: readonly Way<O>[];
  /** How their numbers were come by. */
  about: string;
  /** Speed and feed of each are the best of many. */
  searched?: boolean;
  disabled: boolean;
  onTake: (next: O) => void;
  onKeep: (next: O) => void;
}) {
  const system = useSystem();
  const verdict = useMemo(() => verdictOfWays(ways, searched), [ways, searched]);
  return (
    <>
      {ways.length > 0 && (
        <WaysTable
          ways={ways}
          about={about}
          verdict={verdict}
          disabled={disabled}
          onTake={onTake}
          onKeep={onKeep}
        />
      )}
      {verdict.because.length > 0 && (
        <section aria-label="Why" className="rounded-lg border border-line bg-card p-3">
          <h3 className="mb-1">Why</h3>
          <ul className="list-outside list-disc space-y-1 pl-4">
            {verdict.because.map((s, i) => (
              <li key={i}>{speak(s, system)}</li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
