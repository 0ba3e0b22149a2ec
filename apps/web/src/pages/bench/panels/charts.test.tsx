import type { MillingOperation } from '@burl/core';
import { cleanup, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { example } from '../../../../test/crib.ts';
import { useDirectly } from '../../../../test/direct-work.ts';
import { show } from '../../../../test/page.tsx';
import { panelsOf } from '../kind-views.tsx';
import { Charts } from './charts.tsx';
import type { PanelProps } from './panel-props.ts';

vi.mock('../../../workers/use-heavy.ts', () => ({ useHeavy: useDirectly }));
vi.mock('comlink', () => ({ proxy: (f: unknown) => f }));
beforeEach(() => sessionStorage.setItem('burl.chart', 'wall'));
afterEach(() => {
  sessionStorage.clear();
  cleanup();
});

const { op, context } = example('Rough seal pocket A');
const pocket = op as MillingOperation;
const face: MillingOperation = { ...pocket, feature: { ...pocket.feature, kind: 'face' } };
const names = (of: MillingOperation): string[] => panelsOf(of).map(({ name }) => name);

describe('charts under a cut', () => {
  it('of a face have no wall, those of a pocket do', () => {
    expect(names(pocket)).toContain('Wall');
    expect(names(face)).toEqual(names(pocket).filter((name) => name !== 'Wall'));
  });

  it('show another one where the one last looked at is none of the cut’s', () => {
    const panel = { op: face, context } as unknown as PanelProps;
    show(<Charts {...panel} large={false} onLarge={() => undefined} />);
    expect(screen.queryByRole('tab', { name: 'Wall' })).toBeNull();
    expect(screen.getByRole('tab', { selected: true }).textContent).toBe('Spindle');
  });
});
