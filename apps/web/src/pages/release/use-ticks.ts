import { type Release, type ReleaseCheck, releaseChecks } from '@burl/contract';
import { useMemo, useState } from 'react';

/** What an approver has ticked of what a release has to be ticked for. */
export interface Ticks {
  readonly checks: readonly ReleaseCheck[];
  readonly ticked: ReadonlySet<string>;
  /** Null where nobody may tick: one’s own request, or another role. */
  readonly tick: ((id: string, on: boolean) => void) | null;
  readonly left: number;
}

/** Ticks of one release; they begin anew with another. */
export function useTicks(release: Release | undefined, may: boolean): Ticks {
  const checks = useMemo(() => (release ? releaseChecks(release.snapshot) : []), [release]);
  const [all, setAll] = useState<{ readonly of: string; readonly ids: ReadonlySet<string> } | null>(null);
  const ticked = useMemo(
    () => (all && all.of === release?.id ? all.ids : new Set<string>()),
    [all, release?.id],
  );
  const tick = (id: string, on: boolean): void => {
    if (!release) return;
    const ids = new Set(ticked);
    if (on) ids.add(id);
    else ids.delete(id);
    setAll({ of: release.id, ids });
  };
  return { checks, ticked, tick: may ? tick : null, left: checks.filter((c) => !ticked.has(c.id)).length };
}
