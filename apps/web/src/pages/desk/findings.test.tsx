import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { person, pretendServer, show } from '../../../test/page.tsx';
import { Findings } from './findings.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
  vi.unstubAllGlobals();
});

const session = { person: person('engineer'), demo: [], demoAccounts: false };

describe('what the floor found', () => {
  it('stands on the desk with its photo and the way to the diagnosis, and goes with an answer', async () => {
    const finding = {
      id: 'f1',
      jobId: 'j1',
      jobNumber: 'TT-0412',
      releaseId: 'r1',
      operationId: 'o1',
      operation: 'Rough lock pocket',
      kind: 'trial',
      sourceId: 't1',
      text: 'Edge 4 broken (corner) in feature 3.',
      hasPhoto: true,
      at: '2026-11-20T09:30:00.000Z',
      by: 'Mira Fontaine',
      answer: null,
      answeredBy: null,
      answeredAt: null,
    };
    const asked = pretendServer({
      'GET /api/session': session,
      'GET /api/findings': [finding],
      'POST /api/findings/f1/answer': { ...finding, answer: 'New change point' },
    });
    show(<Findings />);
    const found = within(await screen.findByRole('region', { name: 'From the floor' }));
    expect(found.getByRole('link', { name: 'What happened?' }).getAttribute('href')).toBe(
      '/logbook?trial=t1',
    );
    expect(found.getByRole('link', { name: 'Photo' }).getAttribute('href')).toBe('/api/floor-files/t1/photo');
    fireEvent.click(await found.findByRole('button', { name: 'Answer' }));
    const dialog = within(screen.getByRole('dialog'));
    fireEvent.change(dialog.getByRole('textbox'), { target: { value: 'New change point' } });
    fireEvent.click(dialog.getByRole('button', { name: 'Answer' }));
    await waitFor(() =>
      expect(asked.find((a) => a.method === 'POST')!.body).toEqual({ answer: 'New change point' }),
    );
  });
});
