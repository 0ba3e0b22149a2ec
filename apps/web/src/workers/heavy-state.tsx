import type { Heavy } from './use-heavy.ts';
import { Button } from '../ui/button.tsx';

/** Progress of work in a worker, with a way to stop it; nothing while the answer is there. */
export function HeavyState({ what, heavy }: { what: string; heavy: Heavy<unknown> }) {
  if (heavy.error)
    return (
      <p role="alert" className="text-over">
        {what} could not be worked out: {heavy.error}
      </p>
    );
  if (!heavy.busy) {
    return heavy.data === null || heavy.stale ? (
      <p className="flex items-center gap-2 text-soft">
        Stopped. <Button onClick={heavy.again}>Calculate</Button>
      </p>
    ) : null;
  }
  return (
    <p role="status" className="flex items-center gap-2 text-[13px] text-soft">
      Calculating {what}
      <progress
        aria-label={`Calculating ${what}`}
        className="h-2 w-24"
        {...(heavy.part === null ? {} : { value: heavy.part })}
      />
      <Button look="quiet" onClick={heavy.cancel} aria-label={`Stop calculating ${what}`}>
        Stop
      </Button>
    </p>
  );
}
