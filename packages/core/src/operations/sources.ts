import type { Alloy } from '../crib/alloy.ts';
import type { MillingOperation } from './milling/milling-operation.ts';
import type { Operation } from './operation.ts';
import type { OperationContext } from './context.ts';
import { sigmaOfSpan, type Source } from '../judging/estimate.ts';
import { learntDriveOf, learntForceOf } from './learnt-here.ts';

/** Log standard deviation of a force predicted by a mechanistic model with the right coefficients. */
const FORCE_MODEL_SIGMA = 0.08;
const MEASURED_KC_SIGMA = 0.06;
/** Judgement rule G-181: one own wear-measured trial. */
const MEASURED_LIFE_SPEED_SIGMA = 0.1;

export const FORCE_MODEL: Source = {
  id: 'force-model',
  label: 'mechanistic force model',
  kind: 'model',
  sigma: FORCE_MODEL_SIGMA,
  narrowBy: 'compare spindle power in a trial cut',
};

/** Mean chip, mm, from which on a power law of the chip and the linear one agree, and where they are this far apart. */
const THIN_FROM = 0.1;
const THIN_MM = 0.03;
const THIN_CHIP_SIGMA = 0.2;

/**
 * Doubt of a power law below the chips it was fitted to: at 0.03 mm it lies 17% (titanium) to 60% (718) above linear models.
 * Null where the chip is thick enough or the law is another.
 */
export function thinChipSource(
  { forceLaw }: Pick<MillingOperation, 'forceLaw'>,
  meanChipMm: number,
): Source | null {
  if (forceLaw !== 'kienzle' || meanChipMm >= THIN_FROM || meanChipMm <= 0) return null;
  const share = Math.min(1, Math.log(THIN_FROM / meanChipMm) / Math.log(THIN_FROM / THIN_MM));
  return {
    id: 'thin-chip',
    label: 'power law of the force at thin chips',
    kind: 'model',
    sigma: THIN_CHIP_SIGMA * share,
    narrowBy: 'identify kc from spindle power in one trial cut at this chip',
  };
}

/** Friction of a worn flank: the crib marks it as an estimate. */
export const WEAR_FORCE: Source = {
  id: 'wear-force',
  label: 'force of the worn flank',
  kind: 'assumed',
  sigma: 0.3,
  narrowBy: 'compare spindle power of a fresh and a worn edge',
};

const DRIVE_EFFICIENCY: Source = {
  id: 'drive-efficiency',
  label: 'drive efficiency 0.80 (0.75 to 0.90)',
  kind: 'assumed',
  sigma: 0.07,
  narrowBy: 'read idle and cutting power at the machine',
};

/** Share of the power drawn that reaches the edge where nobody read the spindle's meter. */
export const USUAL_DRIVE_EFFICIENCY = 0.8;

/** Efficiency of this spindle: learnt from its load meter, or the usual one. */
export const driveEfficiency = (
  context: OperationContext,
): { readonly value: number; readonly source: Source } =>
  learntDriveOf(context) ?? { value: USUAL_DRIVE_EFFICIENCY, source: DRIVE_EFFICIENCY };

export const BEAM_MODEL: Source = {
  id: 'beam-model',
  label: 'effective diameter of the fluted part',
  kind: 'model',
  sigma: 0.12,
  narrowBy: 'push the tip with a force gauge and a dial',
};

export const SPINDLE_STIFFNESS: Source = {
  id: 'spindle-stiffness',
  label: 'class value of the spindle’s stiffness',
  kind: 'assumed',
  sigma: 0.2,
  narrowBy: 'tap test at a bare holder',
};

/** Points of Rockwell C a hardness stands off the alloy's typical value; Brinell by the crib's rule of 9 a point. */
export function hardnessOffset(alloy: Alloy, hardness: number): number {
  const difference = hardness - alloy.hardness.typical;
  return alloy.hardness.scale === 'HRC' ? difference : alloy.hardness.scale === 'HB' ? difference / 9 : 0;
}

/** The unmeasured hardness as a source for something that moves `perPoint` in logs with a Rockwell point. */
function hardnessSource(alloy: Alloy, id: string, perPoint: number): Source {
  const range = hardnessOffset(alloy, alloy.hardness.high) - hardnessOffset(alloy, alloy.hardness.low);
  return {
    id,
    label: `hardness taken as ${alloy.hardness.typical} ${alloy.hardness.scale}, not measured`,
    kind: 'assumed',
    sigma: Math.max(1e-6, (perPoint * range) / 2.56),
    narrowBy: 'measure the hardness of this lot',
  };
}

/** Sources of the specific cutting force and its middle value, N/mm², corrected for measured hardness. */
export function cuttingForceSources(
  op: Operation,
  context: OperationContext,
): { kc11: number; sources: Source[] } {
  const { alloy } = context;
  if (op.measured.kc11NMm2 !== null) {
    return {
      kc11: op.measured.kc11NMm2,
      sources: [
        {
          id: 'kc',
          label: `kc1.1 identified here, ${op.measured.kc11NMm2} N/mm²`,
          kind: 'measured',
          sigma: MEASURED_KC_SIGMA,
          narrowBy: 'repeat on another lot',
        },
        FORCE_MODEL,
      ],
    };
  }
  const learnt = learntForceOf(op, context);
  const { kc11_n_mm2: span } = alloy.kienzle;
  if (learnt) return { kc11: span.typical * learnt.factor, sources: [learnt.source, FORCE_MODEL] };
  const sources: Source[] = [
    {
      id: 'kc',
      label: `kc1.1 of the crib, ${span.low} to ${span.high} N/mm²`,
      kind: 'library',
      sigma: sigmaOfSpan(span.low, span.high),
      narrowBy: 'identify kc from spindle power in one trial cut',
    },
    FORCE_MODEL,
  ];
  const perPoint = alloy.hardness_scaling.kc_per_hrc;
  if (op.measured.hardness === null) {
    sources.push(hardnessSource(alloy, 'hardness-force', perPoint));
    return { kc11: span.typical, sources };
  }
  return { kc11: span.typical * Math.exp(perPoint * hardnessOffset(alloy, op.measured.hardness)), sources };
}

/** Factor on cutting speed from the measured hardness; 1 when it was not measured. */
export const speedHardnessFactor = (op: Operation, { alloy }: OperationContext): number =>
  op.measured.hardness === null
    ? 1
    : Math.exp(-alloy.hardness_scaling.vc_per_hrc * hardnessOffset(alloy, op.measured.hardness));

/** Sources of the cutting speed that gives a stated life. */
export function lifeSpeedSources(op: Operation, { alloy }: OperationContext, librarySigma: number): Source[] {
  if (op.measured.lifeSpeed30MMin !== null) {
    return [
      {
        id: 'life-speed',
        label: `30-minute speed from an own trial, ${op.measured.lifeSpeed30MMin} m/min`,
        kind: 'measured',
        sigma: MEASURED_LIFE_SPEED_SIGMA,
        narrowBy: 'a second wear-measured edge',
      },
    ];
  }
  const sources: Source[] = [
    {
      id: 'life-speed',
      label: '30-minute speed of the crib, scatter between shops',
      kind: 'library',
      sigma: librarySigma,
      narrowBy: 'measure wear on one edge in a trial',
    },
  ];
  if (op.measured.hardness === null) {
    sources.push(hardnessSource(alloy, 'hardness-speed', alloy.hardness_scaling.vc_per_hrc));
  }
  return sources;
}

/** Runout at tool tip (TIR), µm, and how sure it is. */
export function runoutSource(
  op: Operation,
  { holder }: OperationContext,
): { runoutUm: number; source: Source } {
  if (op.measured.runoutUm !== null) {
    return {
      runoutUm: op.measured.runoutUm,
      source: {
        id: 'runout',
        label: 'runout measured at the tip',
        kind: 'measured',
        sigma: 0.1,
        narrowBy: '',
      },
    };
  }
  const span = holder.runout_at_3xd_um;
  return {
    runoutUm: span.typical,
    source: {
      id: 'runout',
      label: `runout of this kind of holder, ${span.low} to ${span.high} µm`,
      kind: 'library',
      sigma: sigmaOfSpan(span.low, span.high),
      narrowBy: 'measure runout at the tip with a dial',
    },
  };
}

/** Stiffness of the joint between holder and shank. */
export const clampSource = ({ holder }: OperationContext): Source => ({
  id: 'clamp-stiffness',
  label: `stiffness of the holder joint, ${holder.kind.replaceAll('_', ' ')}`,
  kind: 'library',
  sigma: sigmaOfSpan(
    holder.clamp_rotation_stiffness_knm_rad.low,
    holder.clamp_rotation_stiffness_knm_rad.high,
  ),
  narrowBy: 'push the tip with a force gauge and a dial',
});

/** Rupture strength of the cutting material. */
export const ruptureSource = ({ substrate }: OperationContext): Source => ({
  id: 'rupture-strength',
  label: `rupture strength, ${substrate.name}`,
  kind: 'library',
  sigma: sigmaOfSpan(substrate.transverse_rupture_mpa[0], substrate.transverse_rupture_mpa[2]),
  narrowBy: 'ask the maker for the grade’s certificate',
});

/** Cook's steady rise against thermocouples. */
export const HEAT_MODEL: Source = {
  id: 'heat-model',
  label: 'cutting temperature model',
  kind: 'model',
  sigma: 0.12,
  narrowBy: 'compare wear at two engagements',
};
