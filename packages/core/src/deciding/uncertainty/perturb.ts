import type { OperationContext } from '../../operations/context.ts';
import type { Alloy, MillingLifeModel } from '../../crib/alloy.ts';
import type { Machine } from '../../crib/machine.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import type { Span } from '../../crib/span.ts';
import { cuttingForceSources, runoutSource } from '../../operations/sources.ts';

/** A world in which some sources came out otherwise: factor on each, by source id. */
export type Draw = ReadonlyMap<string, number>;

/** Sources that are put into the model itself; every other one multiplies the share it enters. */
export const IN_THE_MODEL: ReadonlySet<string> = new Set([
  'kc',
  'hardness-force',
  'hardness-speed',
  'life-speed',
  'runout',
  'clamp-stiffness',
  'spindle-stiffness',
  'beam-model',
  'rupture-strength',
  'holder-grip',
]);

const scaledSpan = (span: Span, by: number): Span => ({ ...span, typical: span.typical * by });

function stiffer(machine: Machine, by: number): Machine {
  const frf = machine.frf_at_bare_holder;
  if (!frf || by === 1) return machine;
  const scaled = (modes: typeof frf.modes_x) =>
    modes.map((m) => ({ ...m, stiffness_n_um: m.stiffness_n_um * by }));
  const { x, y } = frf.residual_stiffness_n_um;
  return {
    ...machine,
    frf_at_bare_holder: {
      ...frf,
      modes_x: scaled(frf.modes_x),
      modes_y: scaled(frf.modes_y),
      residual_stiffness_n_um: { x: x * by, y: y * by },
    },
  };
}

const faster = (alloy: Alloy, model: MillingLifeModel, by: number): Alloy => ({
  ...alloy,
  taylor_milling_coated_carbide: {
    ...model,
    vc_m_min: { ...model.vc_m_min, life_30_min: model.vc_m_min.life_30_min * by },
  },
});

/**
 * The same operation in a world where the sources came out as drawn. Forces follow kc and its hardness;
 * life follows the 30-minute speed; lean follows joint, spindle and tool: so that sums and runout act as they really do and
 * not as their first-order share. Nothing is written to what comes in.
 */
export function perturb(
  op: MillingOperation,
  context: OperationContext,
  draw: Draw,
): { readonly op: MillingOperation; readonly context: OperationContext } {
  const factor = (id: string): number => draw.get(id) ?? 1;
  const { alloy, cutter, holder, machine, substrate } = context;
  const kc11 = cuttingForceSources(op, context).kc11;
  const model = alloy.taylor_milling_coated_carbide;
  // An own figure moves by itself; else the library's does, and what was learnt or what an insert adds moves with it.
  const speed = factor('life-speed') * factor('hardness-speed');
  const own = op.measured.lifeSpeed30MMin;
  const grip = holder.grip_torque_nm_at_12mm;
  const clamp = 1 / factor('clamp-stiffness');
  const [low, typical, high] = substrate.transverse_rupture_mpa;
  const bending = cutter.extended.effective_bending_diameter_ratio ?? 0.82;
  return {
    op: {
      ...op,
      measured: {
        ...op.measured,
        kc11NMm2: kc11 * factor('kc') * factor('hardness-force'),
        runoutUm: runoutSource(op, context).runoutUm * factor('runout'),
        lifeSpeed30MMin: own === null ? null : own * speed,
      },
    },
    context: {
      ...context,
      ...(own === null && model ? { alloy: faster(alloy, model, speed) } : {}),
      machine: stiffer(machine, 1 / factor('spindle-stiffness')),
      cutter: {
        ...cutter,
        // The beam model's factor is on the bend, which goes with the fourth power of the diameter.
        extended: {
          ...cutter.extended,
          effective_bending_diameter_ratio: bending * factor('beam-model') ** -0.25,
        },
      },
      holder: {
        ...holder,
        clamp_translation_stiffness_n_um: scaledSpan(holder.clamp_translation_stiffness_n_um, clamp),
        clamp_rotation_stiffness_knm_rad: scaledSpan(holder.clamp_rotation_stiffness_knm_rad, clamp),
        grip_torque_nm_at_12mm: grip && [grip[0], grip[1] * factor('holder-grip'), grip[2]],
      },
      substrate: {
        ...substrate,
        transverse_rupture_mpa: [low, typical * factor('rupture-strength'), high],
      },
    },
  };
}
