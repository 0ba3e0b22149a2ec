import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SHIPPED } from '../../../fixtures/crib.ts';
import type { Cutter } from '../../crib/cutter.ts';
import { endOutline } from '../../crib/end-outline.ts';
import { type EdgeAsked, edgeContact, EDGE_CUTTER_TYPES, edgePlace } from './edge-contact.ts';

const cutters = SHIPPED.cutters.filter(({ type }) => (EDGE_CUTTER_TYPES as readonly string[]).includes(type));
const named = (id: string): Cutter => cutters.find((c) => c.id === id)!;
const met = (id: string, asked: Partial<EdgeAsked>, off = 0.3) => {
  const contact = edgeContact(named(id), { form: 'chamfer', face: 'near', sizeMm: 0.5, ...asked }, off);
  if (typeof contact === 'string') throw new Error(contact);
  return contact;
};

/** Radius of a cutter's own outline at a height, the widest where it has several there. */
function radiusAt(cutter: Cutter, height: number): number {
  const points = endOutline(cutter, cutter.properties.APMX ?? 5);
  let widest = 0;
  for (const [i, b] of points.entries()) {
    const a = points[i - 1];
    if (
      !a ||
      height < Math.min(a.heightMm, b.heightMm) - 1e-9 ||
      height > Math.max(a.heightMm, b.heightMm) + 1e-9
    )
      continue;
    const share = b.heightMm === a.heightMm ? 1 : (height - a.heightMm) / (b.heightMm - a.heightMm);
    widest = Math.max(widest, a.radiusMm + share * (b.radiusMm - a.radiusMm));
  }
  return widest;
}

describe('how a cutter meets an edge', () => {
  it('both ends of the contact lie on the cutter as it is drawn', () => {
    for (const cutter of cutters)
      for (const face of ['near', 'far'] as const)
        for (const sizeMm of [0.1, 0.2]) {
          const contact = edgeContact(cutter, { form: 'chamfer', face, sizeMm }, 0.1);
          if (typeof contact === 'string' || contact.mostMm < sizeMm) continue;
          const [low, high] =
            face === 'near' ? [contact.innerMm, contact.outerMm] : [contact.outerMm, contact.innerMm];
          const slack = /ball|lolli/.test(cutter.type) ? 0.02 * (cutter.properties.DC ?? 1) : 0.01;
          expect(Math.abs(radiusAt(cutter, contact.lowMm) - low), `${cutter.id} ${face} low`).toBeLessThan(
            slack,
          );
          expect(Math.abs(radiusAt(cutter, contact.highMm) - high), `${cutter.id} ${face} high`).toBeLessThan(
            slack,
          );
        }
  });

  it('a break has the width that is asked, whatever makes it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...cutters),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (cutter, sizeMm) => {
          const contact = edgeContact(cutter, { form: 'chamfer', face: 'near', sizeMm }, 0.2);
          if (typeof contact === 'string' || contact.mostMm < sizeMm) return;
          expect(contact.outerMm - contact.innerMm).toBeCloseTo(sizeMm, 6);
          const alpha = (contact.halfAngleDeg * Math.PI) / 180;
          if (contact.hollowMm === 0)
            expect((contact.highMm - contact.lowMm) * Math.tan(alpha)).toBeCloseTo(sizeMm, 6);
        },
      ),
    );
  });

  it('a ball hollows its break by the sagitta of the chord', () => {
    // Chord √2·0.5 in a 3 mm radius.
    const { hollowMm } = met('lollipop-6-z4', {});
    expect(hollowMm).toBeCloseTo(3 - Math.sqrt(9 - (Math.SQRT2 * 0.5) ** 2 / 4), 9);
  });

  it('only heads on a neck go behind, and only as far as their neck leaves them', () => {
    expect(
      edgeContact(named('chamfer-90-10-z4'), { form: 'chamfer', face: 'far', sizeMm: 0.3 }, 0.3),
    ).toMatch(/does not reach/);
    expect(edgeContact(named('ball-6-z2'), { form: 'chamfer', face: 'far', sizeMm: 0.3 }, 0)).toMatch(
      /straight shank/,
    );
    // 8 mm head, 4.8 mm neck: 1.6 mm of cone, 0.3 clear, a little off the neck.
    expect(met('backchamfer-8-z4', { face: 'far', sizeMm: 0.3 }).mostMm).toBeCloseTo(1.6 - 0.3 - 0.05, 9);
  });

  it('the tip stands below the face by the height of the contact, behind the far face by its low end', () => {
    const near = met('chamfer-90-10-z4', {});
    expect(edgePlace(near, { form: 'chamfer', face: 'near', sizeMm: 0.5 }, 0).tipZMm).toBeCloseTo(-0.8, 9);
    const far = met('backchamfer-8-z4', { face: 'far' });
    expect(edgePlace(far, { form: 'chamfer', face: 'far', sizeMm: 0.5 }, 12).tipZMm).toBeCloseTo(
      -(12 + far.lowMm),
      9,
    );
  });
});
