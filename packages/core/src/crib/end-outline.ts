import { type Cutter, outerDiameter } from './cutter.ts';

/** A point of a cutter's outline: height over its tip and radius, mm. */
export interface OutlinePoint {
  readonly heightMm: number;
  readonly radiusMm: number;
}

const STEPS = 10;
const RAD = Math.PI / 180;

/** A quarter of a circle from its foot at a radius up to the flank. */
const quarter = (footMm: number, radiusMm: number): OutlinePoint[] =>
  Array.from({ length: STEPS + 1 }, (_, i) => {
    const angle = (i / STEPS) * (Math.PI / 2);
    return { heightMm: radiusMm * (1 - Math.cos(angle)), radiusMm: footMm + radiusMm * Math.sin(angle) };
  });

/** A cone from the tip's radius outwards at the angle of its edge to the face. */
function cone(tipMm: number, outerMm: number, kaprDeg: number): OutlinePoint[] {
  const high = (outerMm - tipMm) * Math.tan(kaprDeg * RAD);
  return [
    { heightMm: 0, radiusMm: tipMm },
    { heightMm: high, radiusMm: outerMm },
  ];
}

/** A ball that goes over into its flank where the flank touches it, on a cone where it is tapered. */
function taperedBall(radiusMm: number, taperDeg: number, edgeMm: number): OutlinePoint[] {
  if (taperDeg <= 0) return quarter(0, radiusMm);
  const last = Math.PI / 2 - taperDeg * RAD;
  const ball = Array.from({ length: STEPS + 1 }, (_, i) => {
    const angle = (last * i) / STEPS;
    return { heightMm: radiusMm * (1 - Math.cos(angle)), radiusMm: radiusMm * Math.sin(angle) };
  });
  const end = ball.at(-1)!;
  const heightMm = Math.max(edgeMm, end.heightMm);
  return [
    ...ball,
    { heightMm, radiusMm: end.radiusMm + (heightMm - end.heightMm) * Math.tan(taperDeg * RAD) },
  ];
}

/** A ball on a neck: round from the tip to where the neck begins. */
function lollipop(radiusMm: number, neckMm: number): OutlinePoint[] {
  const last = Math.PI - Math.asin(Math.min(1, neckMm / radiusMm));
  return Array.from({ length: 2 * STEPS + 1 }, (_, i) => {
    const angle = (last * i) / (2 * STEPS);
    return { heightMm: radiusMm * (1 - Math.cos(angle)), radiusMm: radiusMm * Math.sin(angle) };
  });
}

/** Two cones tip to tip on a neck, and the band between. */
function doubleCone(outerMm: number, neckMm: number, halfAngleDeg: number, edgeMm: number): OutlinePoint[] {
  const high = (outerMm - neckMm) / Math.tan(halfAngleDeg * RAD);
  const end = Math.max(edgeMm, 2 * high);
  return [
    { heightMm: 0, radiusMm: neckMm },
    { heightMm: high, radiusMm: outerMm },
    { heightMm: end - high, radiusMm: outerMm },
    { heightMm: end, radiusMm: neckMm },
  ];
}

/** A concave quarter: thin at its foot, out to the rim it leaves a radius under. */
const hollow = (footMm: number, radiusMm: number): OutlinePoint[] =>
  Array.from({ length: STEPS + 1 }, (_, i) => {
    const angle = (i / STEPS) * (Math.PI / 2);
    return { heightMm: radiusMm * Math.sin(angle), radiusMm: footMm + radiusMm * (1 - Math.cos(angle)) };
  });

/** A barrel's flank: an arc as large as its profile, widest half way up its edge, over a small corner. */
function barrel(cutter: Pick<Cutter, 'properties'>, edgeMm: number): OutlinePoint[] {
  const p = cutter.properties;
  const widest = (p.DC ?? 0) / 2;
  const arc = Math.max(edgeMm, Number(p['PRFRAD'] ?? 10 * widest));
  const corner = Math.min(p.RE ?? 0, edgeMm / 4);
  // A taper barrel leans in towards its tip.
  const lean = Math.tan(Number(p['TA'] ?? 0) * RAD);
  const at = (heightMm: number): number =>
    Math.max(
      corner,
      widest - (arc - Math.sqrt(arc ** 2 - (heightMm - edgeMm / 2) ** 2)) - (edgeMm - heightMm) * lean,
    );
  const foot = at(corner) - corner;
  return [
    ...quarter(foot, corner),
    ...Array.from({ length: STEPS }, (_, i) => {
      const heightMm = corner + ((edgeMm - corner) * (i + 1)) / STEPS;
      return { heightMm, radiusMm: at(heightMm) };
    }),
  ];
}

/** A lens: its end an arc as large as its profile, out to a small corner. */
function lens(p: Cutter['properties']): OutlinePoint[] {
  const widest = (p.DC ?? 0) / 2;
  const arc = Math.max(widest, Number(p['PRFRAD'] ?? 8 * widest));
  const corner = Math.min(p.RE ?? 0, widest / 2);
  const flat = widest - corner;
  const end = Array.from({ length: STEPS + 1 }, (_, i) => {
    const radiusMm = (flat * i) / STEPS;
    return { heightMm: arc - Math.sqrt(arc ** 2 - radiusMm ** 2), radiusMm };
  });
  const rise = end.at(-1)!.heightMm;
  return [
    ...end.slice(1),
    ...quarter(flat, corner)
      .slice(1)
      .map((q) => ({ ...q, heightMm: q.heightMm + rise })),
  ];
}

/** The cutting end of a rotating cutter as it is, half of it, from its axis at the tip up to the end of its edge. */
export function endOutline(
  cutter: Pick<Cutter, 'type' | 'properties'>,
  edgeMm: number,
): readonly OutlinePoint[] {
  const p = cutter.properties;
  const [tip, outer] = [(p.DC ?? 0) / 2, outerDiameter(cutter) / 2];
  const round = Math.min(p.RE ?? 0, tip);
  const point = /drill/.test(cutter.type) ? Number(p['SIG'] ?? 0) : 0;
  const axis = { heightMm: 0, radiusMm: 0 };
  const end: OutlinePoint[] = (() => {
    switch (cutter.type) {
      case 'end_mill_ball':
        return taperedBall(tip, Number(p['TA'] ?? 0), edgeMm);
      case 'end_mill_barrel':
        return barrel(cutter, edgeMm);
      case 'end_mill_lens':
        return lens(p);
      case 'face_mill_round':
        return quarter(tip, (p.IC ?? 0) / 2);
      case 'face_mill_45':
      case 'face_mill_45_wiper':
      case 'high_feed_mill':
        return cone(tip, outer, p.KAPR ?? 45);
      case 'chamfer_mill':
      case 'engraving_cutter':
        return cone(tip, outer, 90 - Number(p.SIG ?? 90) / 2);
      case 'lollipop_mill':
        return lollipop(tip, (p.DN ?? p.DC ?? 0) / 2);
      case 'back_chamfer_mill':
        return doubleCone(tip, (p.DN ?? p.DC ?? 0) / 2, p.KAPR ?? 45, p.APMX ?? 0);
      case 'corner_rounding_mill':
        return hollow(tip, Number(p['PRFRAD'] ?? 0));
      case 'dovetail_mill': {
        const high = p.APMX ?? 0;
        return [
          { heightMm: 0, radiusMm: tip },
          { heightMm: high, radiusMm: tip - high / Math.tan((p.KAPR ?? 60) * RAD) },
        ];
      }
      default:
        if (point > 0) return [axis, { heightMm: tip / Math.tan((point / 2) * RAD), radiusMm: tip }];
        return round > 0 ? quarter(tip - round, round) : [{ heightMm: 0, radiusMm: tip }];
    }
  })();
  return cutAt([axis, ...end], edgeMm);
}

/** An outline up to a height: cut off there, or carried straight on. */
function cutAt(points: readonly OutlinePoint[], heightMm: number): OutlinePoint[] {
  const over = points.findIndex((q) => q.heightMm > heightMm + 1e-9);
  if (over < 0) {
    const last = points.at(-1)!;
    return last.heightMm < heightMm - 1e-9 ? [...points, { heightMm, radiusMm: last.radiusMm }] : [...points];
  }
  const [a, b] = [points[over - 1]!, points[over]!];
  const share = (heightMm - a.heightMm) / (b.heightMm - a.heightMm);
  return [...points.slice(0, over), { heightMm, radiusMm: a.radiusMm + share * (b.radiusMm - a.radiusMm) }];
}
