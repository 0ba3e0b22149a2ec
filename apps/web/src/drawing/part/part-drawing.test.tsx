import { EMPTY_JOB_PLAN, type JobPlan } from '@burl/core';
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { PartDrawing } from './part-drawing.tsx';

afterEach(cleanup);

const PLAN: JobPlan = {
  ...EMPTY_JOB_PLAN,
  part: { lengthMm: 100, widthMm: 50, heightMm: 20 },
  stock: { top: 2, bottom: 1, left: 5, right: 10, front: 3, back: 4 },
};
/** Rectangles of a view: blank, part. */
function rectangles(): { x: number; y: number; width: number; height: number }[] {
  return [...document.querySelectorAll('rect')].map((r) => ({
    x: Number(r.getAttribute('x')),
    y: Number(r.getAttribute('y')),
    width: Number(r.getAttribute('width')),
    height: Number(r.getAttribute('height')),
  }));
}

describe('the part in its blank', () => {
  it('stands in it to scale, with what is on each side', () => {
    render(<PartDrawing plan={PLAN} system="metric" />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(
      /^Blank 115\smm × 57\smm × 23\smm with the part/,
    );
    const [blank, part, front, partFront] = rectangles();
    const scale = blank!.width / 115;
    expect(part!.width / scale).toBeCloseTo(100, 6);
    expect((part!.x - blank!.x) / scale).toBeCloseTo(5, 6);
    // Seen from above the back is at the top.
    expect((part!.y - blank!.y) / scale).toBeCloseTo(4, 6);
    expect(front!.height / scale).toBeCloseTo(23, 6);
    expect((partFront!.y - front!.y) / scale).toBeCloseTo(2, 6);
    for (const text of [/^10\smm$/, /^5\smm$/, /^4\smm$/, /^3\smm$/])
      expect(screen.getByText(text)).toBeTruthy();
  });

  it('speaks inch where the page does, and asks for sizes where there are none', () => {
    render(<PartDrawing plan={PLAN} system="inch" />);
    expect(screen.getByText(/^Blank 4\.528\sin/)).toBeTruthy();
    cleanup();
    render(
      <PartDrawing plan={{ ...PLAN, part: { lengthMm: 100, widthMm: 0, heightMm: 20 } }} system="metric" />,
    );
    expect(screen.queryByRole('img')).toBeNull();
    expect(screen.getByText(/Enter the size of the part/)).toBeTruthy();
  });
});
