import {
  type Cutter,
  isDrill,
  isMillingCutter,
  type MillingFeatureKind,
  PLAIN_IN_LATHE,
  problemInWords,
  problemsOf,
  type System,
} from '@burl/core';
import type { Crib, JobFields, OperationInput, TurnedSize } from '@burl/contract';
import { blankOperation } from '@burl/contract';
import { contextOf } from './context.ts';
import { offered } from './offer.ts';
import { EDGES } from './edge-sizes.ts';
import { FINISHES } from './finish-sizes.ts';
import { GROOVES } from './groove-sizes.ts';
import type { OwnMade, TypedSizes } from './own-made.ts';
import { type Turned, TURNED } from './turned-sizes.ts';

/** What is cut: a feature to mill, or a hole to drill. */
export type Made = MillingFeatureKind | 'hole';

/** What is milled with sizes and tools of its own. */
export const MILLED = { ...FINISHES, ...GROOVES, ...EDGES };
type Milled = keyof typeof MILLED;
const OWN: Readonly<Record<string, OwnMade<ReturnType<(typeof MILLED)[Milled]['size']> | TurnedSize>>> = {
  ...TURNED,
  ...MILLED,
};

/** How something with sizes and tools of its own is made; null of a feature or a hole. */
export const ownMade = (made: string) => OWN[made] ?? null;

/** A new operation as it is typed. */
export interface NewOperation extends TypedSizes {
  readonly made: Made | Turned | Milled;
  readonly name: string;
  readonly cornerRadiusMm: number | null;
  readonly count: number;
  readonly through: boolean;
  /** Of a hole on a lathe: off the axis, by a driven tool. */
  readonly offAxis: boolean;
  readonly cutterId: string;
}

export const FIRST: NewOperation = {
  made: 'pocket',
  name: '',
  lengthMm: 60,
  widthMm: 40,
  depthMm: 20,
  cornerRadiusMm: 8,
  diameterMm: 8,
  count: 1,
  through: false,
  startMm: 55,
  endMm: 48,
  overhangMm: 80,
  fromEndMm: 12,
  offAxis: false,
  thread: 'M24',
  slopeDeg: 30,
  scallopMm: 0.005,
  cutterId: '',
};

/** The name it gets when none is typed. */
export function nameOf(n: NewOperation): string {
  const typed = n.name.trim();
  if (typed) return typed;
  const own = ownMade(n.made);
  if (own) return own.name(n);
  if (n.made === 'face') return 'Face';
  return n.made === 'hole' ? `Drill ${n.diameterMm} × ${n.depthMm}` : `Rough ${n.made}`;
}

/** Another thing to cut, with the sizes one would begin with. */
export const withMade = (n: NewOperation, made: NewOperation['made']): NewOperation => ({
  ...n,
  ...ownMade(made)?.begins,
  made,
});

/** Diameter a feature is roughed with, mm: rolls in its corners (rule G-08), and has room beside it. */
function usualDiameter({ made, widthMm, lengthMm, cornerRadiusMm, diameterMm }: NewOperation): number {
  if (made === 'hole') return diameterMm;
  if (made === 'face') return 1.4 * Math.min(widthMm, lengthMm);
  if (made === 'slot') return widthMm;
  const narrow = Math.min(widthMm, lengthMm);
  return made === 'pocket' ? Math.min(1.6 * (cornerRadiusMm ?? 10), 0.6 * narrow, 20) : 16;
}

/** Cutters that could do it: those rated for the alloy first, that reach, of the nearest diameter, and lie on the shelf. */
export function cuttersFor(crib: Crib, n: NewOperation, suits: (groups: readonly string[]) => boolean) {
  const hole = n.made === 'hole';
  const own = ownMade(n.made);
  const usual = usualDiameter(n);
  const inStock = new Set(crib.stock.filter((s) => s.edges > 0).map((s) => s.cutterId));
  const rank = (c: Cutter): readonly number[] => {
    const { DC = 0, LU = Infinity } = c.properties;
    return [
      Number(!suits(c.suits_iso_groups)),
      Number(!own && LU < n.depthMm),
      own ? own.near(c, n) : 0,
      // A ball nose leaves no flat floor, a face mill goes into no pocket.
      Number(!hole && c.type !== 'end_mill_flat' && c.type !== 'end_mill_bull' && n.made !== 'face'),
      Number(n.made === 'slot' && DC > n.widthMm),
      Math.abs(DC - usual),
      Number(!inStock.has(c.id)),
      LU,
    ];
  };
  return offered(crib.cutters)
    .map((c) => c.document)
    .filter((c) => (own ? own.tool(c, n) : hole ? isDrill(c) : isMillingCutter(c)))
    .map((cutter) => ({ cutter, rank: rank(cutter) }))
    .sort((a, b) => {
      const at = a.rank.findIndex((v, i) => v !== b.rank[i]);
      return at < 0 ? 0 : a.rank[at]! - b.rank[at]!;
    })
    .map(({ cutter }) => cutter);
}

/** What to send, or why it cannot be. */
export function inputOf(
  crib: Crib,
  job: Pick<JobFields, 'alloyId' | 'machineId' | 'quantity' | 'heatLot'>,
  n: NewOperation,
  setupId: string,
  system: System,
): OperationInput | string {
  if (!n.cutterId) return 'Choose a cutter from the list.';
  const { made, lengthMm, widthMm, depthMm, cornerRadiusMm, diameterMm, through, count } = n;
  const machine = crib.machines.find((m) => m.id === job.machineId)?.document;
  const part = machine?.kind === 'lathe' && {
    part: {
      ...PLAIN_IN_LATHE,
      turns: made === 'hole' && !n.offAxis ? ('part' as const) : ('tool' as const),
      diameterMm: n.startMm,
      overhangMm: n.overhangMm,
    },
  };
  const own = ownMade(made);
  const document = blankOperation(
    crib,
    job,
    n.cutterId,
    made === 'hole'
      ? { diameterMm, depthMm, through, count, ...part }
      : own
        ? { ...own.size(n), ...part }
        : {
            kind: made as MillingFeatureKind,
            lengthMm,
            widthMm,
            depthMm,
            cornerRadiusMm: made === 'pocket' ? cornerRadiusMm : null,
            ...part,
          },
  );
  if (!document)
    return 'No holder in the crib takes this tool and fits the machine. Copy a holder in the crib, or choose another cutter.';
  const context = contextOf(crib, document, job);
  const problems = context ? problemsOf(document, context) : [];
  return problems.length > 0
    ? problems.map((p) => problemInWords(p, system)).join('; ')
    : { setupId, name: nameOf(n), document };
}
