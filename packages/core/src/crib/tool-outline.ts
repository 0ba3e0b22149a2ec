import type { Cutter } from './cutter.ts';
import { endOutline, type OutlinePoint } from './end-outline.ts';

/** The half outline of a whole tool, from its tip to the end of its shank. */
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

/** The cutting end of a tool by its type, without its point on the axis where it is flat. */
function tip(cutter: Pick<Cutter, 'type' | 'properties'>, radius: number, length: number): OutlinePoint[] {
  const { type, properties: p } = cutter;
  if (type.startsWith('tap_'))
    return [
      { heightMm: 0, radiusMm: 0.8 * radius },
      { heightMm: Math.min(length, (number(p.TP) ?? 1) * 3), radiusMm: radius },
    ];
  const [axis, ...end] = endOutline(cutter, length);
  return /drill|ball/.test(type) ? [axis!, ...end] : end;
}

/** The half outline of a rotating tool; null where too little is known to draw it. */
export function toolOutline(cutter: Pick<Cutter, 'type' | 'properties'>): ToolOutline | null {
  const { type, properties: p } = cutter;
  const d = number(p.DC);
  const all = number(p.OAL) ?? number(p.LF);
  if (d === undefined || all === undefined) return null;
  const radius = d / 2;
  const cut = Math.min(all, number(p.LCF) ?? number(p.APMX) ?? d);
  const begin: readonly OutlinePoint[] = tip(cutter, radius, Math.min(cut, number(p.APMX) ?? cut));
  const widest = Math.max(...begin.map((q) => q.radiusMm));
  const shank = (number(p.DCONMS) ?? d) / 2;
  if (type.startsWith('face_mill'))
    // A body on a bore: it goes straight up from where the inserts end.
    return {
      points: [...begin, { heightMm: all, radiusMm: 0.86 * widest }],
      cutTo: cut,
      shankFrom: all,
      length: all,
    };
  const neck = (number(p.DN) ?? 2 * Math.min(widest, shank)) / 2;
  const reach = Math.min(all, Math.max(cut, number(p.LU) ?? cut));
  const out = Math.min(all, Math.max(reach, number(p.LPR) ?? reach));
  const points = [
    ...begin,
    { heightMm: Math.max(cut, begin.at(-1)!.heightMm), radiusMm: begin.at(-1)!.radiusMm },
    ...(type === 'lollipop_mill' ? [] : [{ heightMm: cut, radiusMm: neck }]),
    { heightMm: reach, radiusMm: neck },
    { heightMm: Math.min(out, reach + Math.abs(shank - neck)), radiusMm: shank },
    { heightMm: all, radiusMm: shank },
  ];
  return { points, cutTo: cut, shankFrom: out, length: all };
}
