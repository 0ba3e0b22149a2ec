import { InputError } from '@burl/core';
import { render, type RenderResult } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { SWRConfig } from 'swr';
import { vi } from 'vitest';
import { ActionsProvider } from '../src/frame/actions.tsx';
import { PreferencesProvider } from '../src/frame/preferences.tsx';

export interface Request {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

type Answers = Readonly<Record<string, unknown>>;

/** Stands in for the server: answers by method and path, and writes down what was asked. An Error answer refuses. */
export function pretendServer(answers: Answers): Request[] {
  const asked: Request[] = [];
  vi.stubGlobal('fetch', async (path: string, init: { method?: string; body?: string } = {}) => {
    const method = init.method ?? 'GET';
    asked.push({
      method,
      path,
      body: init.body === undefined ? undefined : (JSON.parse(init.body) as unknown),
    });
    const answer = answers[`${method} ${path}`];
    if (answer instanceof Error)
      return new Response(
        JSON.stringify({
          error: 'refused',
          message: answer.message,
          ...(answer instanceof InputError ? { problems: answer.problems } : {}),
        }),
        { status: 422 },
      );
    return answer === undefined
      ? new Response(JSON.stringify({ error: 'not-found', message: 'nothing here' }), { status: 404 })
      : new Response(JSON.stringify(answer), { status: 200 });
  });
  return asked;
}

/** Renders a part of the interface with router, preferences and a cache of its own. */
export function show(element: ReactNode): RenderResult {
  localStorage.setItem('burl.theme', 'light');
  return render(
    <PreferencesProvider>
      <SWRConfig value={{ provider: () => new Map(), dedupingInterval: 0 }}>
        <ActionsProvider>
          <MemoryRouter>{element}</MemoryRouter>
        </ActionsProvider>
      </SWRConfig>
    </PreferencesProvider>,
  );
}

/** A demo person of a role. */
export const person = (role: 'engineer' | 'approver' | 'floor', id: string = role) => ({
  id,
  name: { engineer: 'Ada Eder', approver: 'Leo Lindqvist', floor: 'Mira Fontaine' }[role],
  email: `${role}@burl.example`,
  role,
});
