import { type LimitResult, speak } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { StateMark } from '../../ui/state-mark.tsx';

/** Limits one has to know of, each with its state and its sentence; without any, the words for that. */
export function MatterList({ limits, none }: { limits: readonly LimitResult[]; none: string }) {
  const system = useSystem();
  return (
    <ul className="space-y-1">
      {limits.map((l) => (
        <li key={l.id} className="flex items-start gap-2">
          <span className="mt-0.5">
            <StateMark state={l.state} />
          </span>
          <span>
            <b className="inline-block first-letter:uppercase">{l.name}</b>: {speak(l.why, system)}
          </span>
        </li>
      ))}
      {limits.length === 0 && (
        <li className="flex items-center gap-2">
          <StateMark state="clear" /> {none}
        </li>
      )}
    </ul>
  );
}
