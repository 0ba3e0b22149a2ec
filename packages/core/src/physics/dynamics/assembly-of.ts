import { contentOf, memoryOf } from '../../numerics/memory.ts';
import { isIndexable } from '../../crib/cutter.ts';
import type { ToolAssembly } from '../../crib/tool-assembly.ts';
import { bareGaugeLength, clampStiffness, noseRotation } from '../structure/support-compliance.ts';
import { toolBeam } from '../structure/tool-beam.ts';
import { type Assembly, assemblyModes } from './coupling/assembly-modes.ts';
import type { BeamPiece } from './coupling/beam.ts';
import type { NoseMode } from './coupling/couple.ts';
import type { TipStructure } from './tip-structure.ts';

const STEEL: Pick<BeamPiece, 'modulusGPa' | 'densityKgM3'> = { modulusGPa: 207, densityKgM3: 7850 };
/** Damping ratio of steel and carbide as such; joints do the rest. The crib's honesty note: beam loss factor 0.01. */
const MATERIAL_DAMPING = 0.005;

/** Modes of the spindle at the nose of a short holder, mass-normalised. */
export function noseModes({ machine }: Pick<ToolAssembly, 'machine'>, axis: 'x' | 'y'): NoseMode[] {
  const structure = machine.frf_at_bare_holder;
  if (!structure) return [];
  return (axis === 'x' ? structure.modes_x : structure.modes_y).map((m) => {
    const mass = (m.stiffness_n_um * 1e6) / (2 * Math.PI * m.freq_hz) ** 2;
    const move = 1 / Math.sqrt(mass);
    return {
      hz: m.freq_hz,
      damping: m.damping_ratio,
      move,
      turn: move * m.rotation_per_translation_rad_per_m,
    };
  });
}

/** The tool as it stands out of the holder, root first. */
export function toolPieces({ cutter, substrate }: ToolAssembly, stickOutMm: number): BeamPiece[] {
  const indexable = isIndexable(cutter);
  return toolBeam(cutter, stickOutMm, substrate.E_gpa).map((s) => ({
    lengthMm: s.lengthMm,
    diameterMm: s.diameterMm,
    modulusGPa: s.modulusGPa,
    densityKgM3: indexable ? STEEL.densityKgM3 : substrate.density_kg_m3,
    poisson: substrate.poisson,
  }));
}

/** The holder's body beyond the short holder the spindle's modes were stated at, tapering to its nose. */
export function bodyPieces({ machine, holder }: ToolAssembly): BeamPiece[] {
  const length = holder.gauge_length_mm - bareGaugeLength(machine.spindle_interface);
  if (length < 1) return [];
  const middle = (holder.body_diameter_mm + holder.nose_diameter_mm) / 2;
  return [
    { ...STEEL, lengthMm: length / 2, diameterMm: (holder.body_diameter_mm + middle) / 2 },
    { ...STEEL, lengthMm: length / 2, diameterMm: (holder.nose_diameter_mm + middle) / 2 },
  ];
}

/** The combination as a model of beams, joints and the spindle's modes, in one plane. */
export function assemblyOf(parts: ToolAssembly, stickOutMm: number, axis: 'x' | 'y'): Assembly {
  const { machine, holder, cutter } = parts;
  const joint = clampStiffness(holder, cutter.properties.DCONMS ?? cutter.properties.DC ?? 12);
  const residual = machine.frf_at_bare_holder?.residual_stiffness_n_um[axis] ?? 1e4;
  return {
    spindle: noseModes(parts, axis),
    nose: { translation: residual * 1e6, rotation: noseRotation(machine), damping: 0.02 },
    body: bodyPieces(parts),
    clamp: { ...joint, damping: holder.joint_damping_ratio.typical },
    tool: toolPieces(parts, stickOutMm),
    toolDamping: MATERIAL_DAMPING,
  };
}

/** Tips of the library kept: a search asks again and again. */
const generic = memoryOf<TipStructure>(1000);

/**
 * Modes of the tip from the crib's class values alone: the library's guess, for a combination nobody has measured.
 * Throws when the stick-out is nothing.
 */
export function genericStructure(parts: ToolAssembly, stickOutMm: number): TipStructure {
  const { machine, holder, cutter, substrate } = parts;
  const content = [machine, holder, cutter, substrate].map(contentOf).join();
  return generic.recall(`${stickOutMm}|${content}`, () => {
    const [x, y] = (['x', 'y'] as const).map(
      (axis) => assemblyModes(assemblyOf(parts, stickOutMm, axis)).modes,
    );
    return { x: x!, y: y! };
  });
}
