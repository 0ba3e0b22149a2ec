import type { EdgeForce, ForceLaw } from './force-law.ts';

/** Nodes of the tabulated force law: linear between them is within 0.1% from a hundredth of the max chip thickness up. */
const LAW_NODES = 512;

/**
 * Tangential, radial and axial force per mm of edge by thickness of chip. A node holds each value and its rise to the
 * next node, so that one stretch of memory serves a reading: six numbers a node, `perMm` nodes a mm of chip.
 */
export interface ForceTable {
  readonly table: Float64Array;
  readonly perMm: number;
}

/** A force law read from a table, because a logarithm a slice would cost most of the time. */
export function tabulate(law: ForceLaw, thickest: number): ForceTable {
  const out: EdgeForce = { tangential: 0, radial: 0, axial: 0 };
  const table = new Float64Array((LAW_NODES + 1) * 6);
  for (let i = LAW_NODES; i >= 0; i--) {
    law.at(Math.max(1e-9, (thickest * i) / LAW_NODES), out);
    const a = i * 6;
    table[a] = out.tangential;
    table[a + 2] = out.radial;
    table[a + 4] = out.axial;
    if (i === LAW_NODES) continue;
    table[a + 1] = table[a + 6]! - table[a]!;
    table[a + 3] = table[a + 8]! - table[a + 2]!;
    table[a + 5] = table[a + 10]! - table[a + 4]!;
  }
  return { table, perMm: LAW_NODES / thickest };
}
