import { describe, expect, it } from 'vitest';
import { endOutline } from '../crib/end-outline.ts';
import { edgeContact } from '../physics/edges/edge-contact.ts';
import { bendSteppedBeam } from '../physics/structure/stepped-beam.ts';
import { toolBeam } from '../physics/structure/tool-beam.ts';
import { surfaceContact, wantedTilts } from '../physics/surface/surface-contact.ts';
import { ballNoseFamily } from './ball-nose.ts';
import { ofFamily } from './family.ts';

const made = (given: Record<string, number | string>) =>
  ofFamily(ballNoseFamily, { ground: 'titanium', diameter: 4, flutes: 4, reach: 20, ...given }).cutter;
const straight = made({});
const tapered = made({ taper: 5 });

describe('a ball on a cone', () => {
  it('has the same ball, a name and an id of its own, and the shank its top asks for', () => {
    expect(tapered.properties.DC).toBe(4);
    expect(tapered.properties.RE).toBe(2);
    expect(tapered.id).not.toBe(straight.id);
    expect(tapered.name).toMatch(/^Taper ball-nose end mill 5° a side/);
    // 4 mm and twice 20·tan 5° is 7.5 mm at its top.
    expect(tapered.properties.DCONMS).toBe(8);
  });

  it('bends less than a straight one that reaches as far', () => {
    const bend = (c: typeof straight) => bendSteppedBeam(toolBeam(c, 22, 600), 100, 1).tipMm;
    expect(bend(tapered)).toBeLessThan(bend(straight) / 2);
  });

  it('is drawn as its ball up to where the cone touches it, and on at its angle', () => {
    const points = endOutline(tapered, 10);
    const [a, b] = [points.at(-2)!, points.at(-1)!];
    expect(((b.radiusMm - a.radiusMm) / (b.heightMm - a.heightMm)).toFixed(4)).toBe(
      Math.tan((5 * Math.PI) / 180).toFixed(4),
    );
    expect(a.radiusMm).toBeCloseTo(2 * Math.cos((5 * Math.PI) / 180), 9);
    // A straight ball ends at its widest circle.
    expect(endOutline(straight, 10).at(-1)!.radiusMm).toBeCloseTo(2, 9);
  });

  it('breaks an edge like a straight one, and leans off a wall that its cone would dig into', () => {
    const asked = { form: 'chamfer', face: 'near', sizeMm: 0.4 } as const;
    expect(edgeContact(tapered, asked, 0.2)).toEqual(edgeContact(straight, asked, 0.2));
    expect(surfaceContact(straight, 88)!.radiusMm).toBe(2);
    expect(surfaceContact(tapered, 88)).toBeNull();
    expect(wantedTilts(tapered, 88)[0]!.tiltDeg).toBeCloseTo(85 - 2 - 88, 9);
  });
});
