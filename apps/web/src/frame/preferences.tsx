import type { System } from '@burl/core';
import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';

type Theme = 'light' | 'dark';

export interface Preferences {
  readonly system: System;
  readonly setSystem: (system: System) => void;
  readonly theme: Theme;
  readonly setTheme: (theme: Theme) => void;
}

const PreferencesContext = createContext<Preferences | null>(null);

function stored<T extends string>(key: string, allowed: readonly T[]): T | null {
  const value = localStorage.getItem(key);
  return allowed.find((a) => a === value) ?? null;
}

/** Units and theme of this browser. */
export function PreferencesProvider({ children }: { children: ReactNode }) {
  const [system, setSystem] = useState<System>(
    () => stored('burl.units', ['metric', 'inch'] as const) ?? 'metric',
  );
  const [theme, setTheme] = useState<Theme>(
    () =>
      stored('burl.theme', ['light', 'dark'] as const) ??
      (matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'),
  );
  useEffect(() => {
    document.documentElement.dataset['theme'] = theme;
    localStorage.setItem('burl.theme', theme);
    localStorage.setItem('burl.units', system);
  }, [theme, system]);
  const value = useMemo(() => ({ system, setSystem, theme, setTheme }), [system, theme]);
  return <PreferencesContext value={value}>{children}</PreferencesContext>;
}

export function usePreferences(): Preferences {
  const value = useContext(PreferencesContext);
  if (!value) throw new Error('PreferencesProvider is missing');
  return value;
}

export const useSystem = (): System => usePreferences().system;
