import type { System } from '@burl/core';
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';

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

/** Puts the page's colours on before anything draws with them: charts read them while they are drawn. */
function worn(theme: Theme): Theme {
  document.documentElement.dataset['theme'] = theme;
  return theme;
}

/** Units and theme of this browser. */
export function PreferencesProvider({ children }: { children: ReactNode }) {
  const [system, setSystem] = useState<System>(
    () => stored('burl.units', ['metric', 'inch'] as const) ?? 'metric',
  );
  const [theme, keepTheme] = useState<Theme>(() =>
    worn(
      stored('burl.theme', ['light', 'dark'] as const) ??
        (matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'),
    ),
  );
  const setTheme = useCallback((next: Theme) => keepTheme(worn(next)), []);
  useEffect(() => {
    localStorage.setItem('burl.theme', theme);
    localStorage.setItem('burl.units', system);
  }, [theme, system]);
  const value = useMemo(() => ({ system, setSystem, theme, setTheme }), [system, theme, setTheme]);
  return <PreferencesContext value={value}>{children}</PreferencesContext>;
}

export function usePreferences(): Preferences {
  const value = useContext(PreferencesContext);
  if (!value) throw new Error('PreferencesProvider is missing');
  return value;
}

export const useSystem = (): System => usePreferences().system;
