import type { IsoGroup } from '../../crib/alloy.ts';

/** How a material hangs together at an edge: burr root over chip and edge radius, and height over root. Judgement after Gillespie. */
const BURRS: Readonly<
  Record<IsoGroup, { readonly root: number; readonly height: number; readonly words: string }>
> = {
  P: { root: 0.8, height: 2.5, words: 'rolls over' },
  M: { root: 1.3, height: 3.3, words: 'ductile: rolls over long and tough' },
  K: { root: 0.25, height: 0.6, words: 'breaks out rather than rolls over' },
  N: { root: 1, height: 3, words: 'soft: smears over the edge' },
  S: { root: 1.2, height: 3, words: 'tough: a thin burr that work-hardens' },
  H: { root: 0.35, height: 0.8, words: 'short: chips rather than burrs' },
};

/** Where a burr forms against the tooth. */
export type BurrSide = 'exit' | 'rim' | 'feed-end';

/** Height at each side over that where teeth leave the part. */
const SIDES: Readonly<Record<BurrSide, number>> = { exit: 1, rim: 0.35, 'feed-end': 0.7 };

export interface Burr {
  /** Thickness at its root, mm: what an edge break has to take off. */
  readonly rootMm: number;
  readonly heightMm: number;
  readonly words: string;
}

/**
 * Burr left at an edge, mm: the root grows with the chip where the tooth leaves and with how blunt the edge is, the height with how
 * ductile the material is. Roll-over burrs after Gillespie & Blotter 1976; factors are judgement; no burr was measured against them.
 */
export function burrAt(
  side: BurrSide,
  cut: {
    readonly group: IsoGroup;
    readonly chipMm: number;
    readonly edgeRadiusMm: number;
    readonly wearMm: number;
  },
): Burr {
  const { root, height, words } = BURRS[cut.group];
  const rootMm = root * SIDES[side] * (0.5 * cut.chipMm + cut.edgeRadiusMm + 0.25 * cut.wearMm);
  return { rootMm, heightMm: rootMm * height, words };
}
