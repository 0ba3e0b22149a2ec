import { evaluate, type MillingOperation, PLAIN_FINISHING } from '@burl/core';
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { CRIB, example } from '../../../test/crib.ts';
import { PreferencesProvider } from '../../frame/preferences.tsx';
import { ElevationView } from './elevation-view.tsx';
import { PlanView } from './plan-view.tsx';
import { touchingPoint } from './surface-work.tsx';

afterEach(cleanup);

const pocket = example('Rough seal pocket A');
const rough = pocket.op as MillingOperation;
const cutterOf = (id: string) => CRIB.cutters.find((c) => c.id === id)!.document;
const fillet = (cutterId: string, slopeDeg: number, tiltDeg: number): MillingOperation => ({
  ...rough,
  tooling: { ...rough.tooling, cutterId },
  feature: {
    ...rough.feature,
    kind: 'side',
    lengthMm: 80,
    widthMm: 12,
    depthMm: 0.2,
    cornerRadiusMm: null,
    allowanceMm: 0,
    slopeDeg,
    scallopMm: 0.005,
    finishing: { ...PLAIN_FINISHING, face: 'surface', floorMm: 15, surface: { tiltDeg, hollowMm: null } },
  },
  cut: { ...rough.cut, axialDepthMm: 0.2, radialEngagementMm: 0.4 },
});
function show(op: MillingOperation) {
  const context = { ...pocket.context, cutter: cutterOf(op.tooling.cutterId) };
  const props = {
    op,
    context,
    evaluation: evaluate(op, context),
    readOnly: false,
    onParameter: vi.fn(),
    onChange: vi.fn(),
  };
  return render(
    <PreferencesProvider>
      <PlanView {...props} />
      <ElevationView {...props} />
    </PreferencesProvider>,
  ).container;
}
/** Corners of the work's outline: foot, top of the slope, and on along the level. */
const cornersOf = (container: HTMLElement): (readonly [number, number])[] =>
  [
    ...container
      .querySelector('[data-surface] path')!
      .getAttribute('d')!
      .matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g),
  ].map((m) => [Number(m[1]), Number(m[2])] as const);
const angle = ([a, b]: readonly (readonly [number, number])[]): number =>
  (Math.atan2(a![1] - b![1], b![0] - a![0]) * 180) / Math.PI;

describe('a curved surface as it is drawn', () => {
  it('lies under the cutter at its slope, goes on level at its top, and the cutter is what it is', () => {
    const container = show(fillet('ball-10-z4-var', 30, 0));
    const [foot, top, beyond] = cornersOf(container);
    expect(angle([foot!, top!])).toBeCloseTo(30, 3);
    expect(angle([top!, beyond!])).toBeCloseTo(0, 3);
    expect(container.querySelector('[data-end="end_mill_ball"]')).not.toBeNull();
    expect(screen.getByRole('img', { name: /^Ridges 0\.004/ })).toBeTruthy();
    // Half as large as the ball, at 30°.
    const contact = Number(container.querySelector('[data-contact]')!.getAttribute('r'));
    const body = Math.max(
      ...[...container.querySelectorAll('circle')].map((c) => Number(c.getAttribute('r'))),
    );
    expect(contact / body).toBeCloseTo(0.5, 2);
  });

  it('a tilted cutter sees it steeper by its tilt, and the level tilted', () => {
    const [foot, top, beyond] = cornersOf(show(fillet('barrel-12-z6', 60, 26)));
    expect(angle([foot!, top!])).toBeCloseTo(86, 3);
    expect(angle([top!, beyond!])).toBeCloseTo(26, 3);
  });

  it('touches a ball where its normal leans as far, a barrel half way up its flank', () => {
    const ball = touchingPoint(cutterOf('ball-10-z4-var'), 20, 30);
    expect(ball.radiusMm).toBeGreaterThan(5 * Math.sin((20 * Math.PI) / 180));
    expect(ball.radiusMm).toBeLessThan(5 * Math.sin((40 * Math.PI) / 180));
    const barrel = touchingPoint(cutterOf('barrel-12-z6'), 22, 89);
    expect(barrel.heightMm).toBeGreaterThan(7);
    expect(barrel.heightMm).toBeLessThan(15);
  });

  it('has no handle on its stock, and one on its step', () => {
    show(fillet('ball-10-z4-var', 30, 0));
    expect(screen.queryByRole('slider', { name: 'Stock' })).toBeNull();
    expect(screen.getByRole('slider', { name: 'Step' })).toBeTruthy();
  });
});
