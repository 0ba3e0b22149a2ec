import type { Crib, CribEntry } from '@burl/contract';
import { powerAt } from '@burl/core';

/** Power of the machine most shops have many of, kW. */
const MIDDLING_KW = 15;

/** The machine a question without one is answered on: a milling machine of middling power. */
export const usualMachine = (crib: Crib): CribEntry<'machines'> | undefined =>
  crib.machines
    .filter((m) => !m.retired && /vertical|three|3-axis/i.test(m.document.kind))
    .map((m) => ({ m, off: Math.abs(Math.log(strongest(m) / MIDDLING_KW)) }))
    .sort((a, b) => a.off - b.off)[0]?.m ?? crib.machines.find((m) => !m.retired);

const strongest = ({ document }: CribEntry<'machines'>): number =>
  Math.max(
    0.1,
    ...[0.2, 0.4, 0.6, 0.8, 1].map((share) => powerAt(document.power_torque.s1, share * document.max_rpm)),
  );
