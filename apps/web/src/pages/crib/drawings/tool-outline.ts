import type { Cutter } from '@burl/core';

/** A point of a tool’s half outline, mm: from its tip along the axis, and out from it. */
export interface OutlinePoint {
  readonly z: number;
  readonly r: number;
}

export interface ToolOutline {
  readonly points: readonly OutlinePoint[];
  /** How far from the tip the edges reach, mm. */
  readonly cutTo: number;
  /** Where the shank or body begins, mm. */
  readonly shankFrom: number;
  readonly length: number;
}

const number = (v: unknown): number | undefined =>
  typeof v === 'number' && Number.isFinite(v) && v > 0 ? v : undefined;
const STEPS = 10;

/** A quarter circle of radius `re` from the bottom, `flat` away from the axis, to the side. */
const corner = (re: number, flat: number): OutlinePoint[] =>
  Array.from({ length: STEPS + 1 }, (_, i) => {
    const a = (Math.PI / 2) * (i / STEPS);
    return { z: re * (1 - Math.cos(a)), r: flat + re * Math.sin(a) };
  });

/** The cutting end of a tool by its type. */
function tip(type: string, p: Cutter['properties'], radius: number, length: number): OutlinePoint[] {
  const re = Math.min(number(p.RE) ?? 0, radius);
  const outer = (number(p.DCX) ?? 2 * radius) / 2;
  if (type.startsWith('drill') || type === 'spot_drill') {
    const half = (((number(p.SIG) ?? 140) / 2) * Math.PI) / 180;
    return [
      { z: 0, r: 0 },
      { z: Math.min(length, radius / Math.tan(half)), r: radius },
    ];
  }
  if (type === 'chamfer_mill' || type === 'face_mill_45' || type === 'face_mill_45_wiper')
    return [
      { z: 0, r: radius },
      { z: length, r: Math.max(radius, outer) },
    ];
  if (type === 'lollipop_mill') {
    const neck = Math.min((number(p.DN) ?? 1.2 * radius) / 2, radius);
    const last = Math.PI - Math.asin(neck / radius);
    return Array.from({ length: 2 * STEPS + 1 }, (_, i) => {
      const a = (last * i) / (2 * STEPS);
      return { z: radius * (1 - Math.cos(a)), r: radius * Math.sin(a) };
    });
  }
  if (type.startsWith('tap_'))
    return [
      { z: 0, r: 0.8 * radius },
      { z: Math.min(length, (number(p.TP) ?? 1) * 3), r: radius },
    ];
  return re > 0 ? corner(re, radius - re) : [{ z: 0, r: radius }];
}

/** The half outline of a rotating tool; null where too little is known to draw it. */
export function toolOutline({
  type,
  properties: p,
}: Pick<Cutter, 'type' | 'properties'>): ToolOutline | null {
  const d = number(p.DC);
  const all = number(p.OAL) ?? number(p.LF);
  if (d === undefined || all === undefined) return null;
  const radius = d / 2;
  const cut = Math.min(all, number(p.LCF) ?? number(p.APMX) ?? d);
  const begin = tip(type, p, radius, Math.min(cut, number(p.APMX) ?? cut));
  const widest = Math.max(...begin.map((q) => q.r));
  const shank = (number(p.DCONMS) ?? d) / 2;
  if (type.startsWith('face_mill'))
    // A body on a bore: it goes straight up from where the inserts end.
    return { points: [...begin, { z: all, r: 0.86 * widest }], cutTo: cut, shankFrom: all, length: all };
  const neck = (number(p.DN) ?? 2 * Math.min(widest, shank)) / 2;
  const reach = Math.min(all, Math.max(cut, number(p.LU) ?? cut));
  const out = Math.min(all, Math.max(reach, number(p.LPR) ?? reach));
  const points = [
    ...begin,
    { z: Math.max(cut, begin.at(-1)!.z), r: begin.at(-1)!.r },
    ...(type === 'lollipop_mill' ? [] : [{ z: cut, r: neck }]),
    { z: reach, r: neck },
    { z: Math.min(out, reach + Math.abs(shank - neck)), r: shank },
    { z: all, r: shank },
  ];
  return { points, cutTo: cut, shankFrom: out, length: all };
}
