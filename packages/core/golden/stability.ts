import type { ChatterCut } from '../src/physics/dynamics/chatter-cut.ts';
import type { TipMode, TipStructure } from '../src/physics/dynamics/tip-structure.ts';
import { immersion } from '../src/physics/cutting/engagement.ts';
import { given, type GoldenCase } from './compare.ts';

const RAD = Math.PI / 180;

interface Stated {
  readonly dir: string;
  readonly fn_Hz: number;
  readonly zeta: number;
  readonly k_N_per_m: number;
}

/** The cut of a worked stability case. */
export function cutOf(c: GoldenCase): ChatterCut {
  const teeth = given(c, 'N');
  const pitch = (c.inputs['pitch_deg'] as unknown as number[] | undefined) ?? Array<number>(teeth).fill(360 / teeth);
  const diameterMm = Number(c.inputs['D_mm'] ?? 10);
  const ae = given(c, 'ae_over_D') * diameterMm;
  const arc =
    given(c, 'ae_over_D') >= 1
      ? { entry: 0, exit: Math.PI }
      : immersion(ae, diameterMm, (c.inputs['mode'] as unknown) === 'down' ? 'climb' : 'conventional');
  return {
    pitch: pitch.map((p) => p * RAD),
    entry: arc.entry,
    exit: arc.exit,
    tangential: Number(c.inputs['Ktc_MPa'] ?? c.inputs['Kt_MPa']),
    radial: Number(c.inputs['Krc_MPa'] ?? c.inputs['Kn_MPa']),
    diameterMm,
    ...(c.inputs['helix_deg'] === undefined ? {} : { helix: pitch.map(() => given(c, 'helix_deg') * RAD) }),
  };
}

/** The modes of a worked stability case. */
export function structureOf(c: GoldenCase): TipStructure {
  const stated = c.inputs['modes'] as unknown as Stated[] | undefined;
  if (!stated) {
    const hz = given(c, 'fn_Hz');
    const stiffness = given(c, 'm_kg') * (2 * Math.PI * hz) ** 2;
    const mode = { hz, damping: given(c, 'zeta'), stiffness };
    return String(c.inputs['flexible_dir'] ?? 'x').startsWith('y') ? { x: [], y: [mode] } : { x: [mode], y: [] };
  }
  const along = (dir: string): TipMode[] =>
    stated
      .filter((m) => m.dir === dir)
      .map((m) => ({ hz: m.fn_Hz, damping: m.zeta, stiffness: m.k_N_per_m }));
  return { x: along('x'), y: along('y') };
}
