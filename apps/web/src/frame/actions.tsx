import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';

/** Something a page can do, offered in the command palette and, with `keys`, on the keyboard help. */
export interface Action {
  readonly id: string;
  readonly label: string;
  readonly keys?: string;
  readonly run: () => void;
}

interface Registry {
  readonly actions: readonly Action[];
  readonly offer: (owner: string, actions: readonly Action[]) => () => void;
}

const ActionsContext = createContext<Registry | null>(null);

export function ActionsProvider({ children }: { children: ReactNode }) {
  const [owners, setOwners] = useState<ReadonlyMap<string, readonly Action[]>>(new Map());
  const offer = useCallback((owner: string, actions: readonly Action[]) => {
    setOwners((now) => new Map(now).set(owner, actions));
    return () =>
      setOwners((now) => {
        const next = new Map(now);
        next.delete(owner);
        return next;
      });
  }, []);
  const value = useMemo(() => ({ actions: [...owners.values()].flat(), offer }), [owners, offer]);
  return <ActionsContext value={value}>{children}</ActionsContext>;
}

export function useActions(): readonly Action[] {
  return useContext(ActionsContext)?.actions ?? [];
}

/** Offers actions while the calling component is shown. `actions` must be stable (useMemo). */
export function useOffer(owner: string, actions: readonly Action[]): void {
  const offer = useContext(ActionsContext)?.offer;
  useEffect(() => offer?.(owner, actions), [offer, owner, actions]);
}
