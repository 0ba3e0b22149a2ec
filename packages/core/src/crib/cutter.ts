import type { IsoGroup } from './alloy.ts';

export const MILLING_CUTTER_TYPES = [
  'end_mill_flat',
  'end_mill_bull',
  'end_mill_ball',
  'end_mill_barrel',
  'end_mill_lens',
  'high_feed_mill',
  'face_mill_round',
  'face_mill_45',
  'face_mill_45_wiper',
  'face_mill_90',
] as const;

export const DRILL_TYPES = ['drill_solid', 'drill_hss', 'drill_indexable'] as const;
export const TAP_TYPES = ['tap_spiral_point', 'tap_spiral_flute', 'tap_forming'] as const;

/** A cutting tool. `properties` carries ISO 13399 symbols in mm and degrees, `extended` what the standard lacks. */
export interface Cutter {
  readonly id: string;
  readonly name: string;
  readonly type: string;
  readonly properties: {
    readonly DC?: number;
    readonly DCX?: number;
    readonly APMX?: number;
    readonly LU?: number;
    readonly LCF?: number;
    readonly DN?: number;
    readonly LH?: number;
    readonly OAL?: number;
    readonly LF?: number;
    readonly LPR?: number;
    readonly PL?: number;
    readonly DCONMS?: number;
    readonly NOF?: number;
    readonly ZEFP?: number;
    readonly RE?: number;
    readonly KAPR?: number;
    readonly FHA?: number;
    readonly GAMF?: number;
    readonly SIG?: number;
    readonly RMPX?: number;
    readonly RPMX?: number;
    readonly IC?: number;
    readonly CICT?: number;
    readonly BS?: number;
    readonly CP?: number;
    readonly [symbol: string]: number | string | undefined;
  };
  readonly extended: {
    readonly core_ratio?: number | null;
    readonly effective_bending_diameter_ratio?: number | null;
    readonly chip_gullet_area_mm2?: number | null;
    readonly edge_radius_um?: readonly [number, number, number];
    readonly coating: string;
    readonly substrate: string;
    readonly centre_cutting?: boolean;
    readonly through_coolant?: boolean;
    /** `variable` where the teeth stand unequally, whether or not the angles are listed. */
    readonly pitch?: string | null;
    readonly pitch_angles_deg?: readonly number[] | null;
    /** Serrated edge of a rougher: about half of the wave is cut again. */
    readonly serrated?: boolean;
    /** Helix of each flute where they differ, degrees. */
    readonly helix_variation_deg?: readonly number[] | null;
    readonly plunge_ok?: boolean;
    readonly fz_window_mm?: readonly [number, number];
    readonly fr_window_mm_per_rev?: readonly [number, number];
    /** ISO 286 grades a drill holds, like `IT8-IT10`. */
    readonly hole_tolerance?: string;
    /** Allowance on the diameter a reamer wants, mm: least, usual, most. */
    readonly stock_on_diameter_mm?: readonly [number, number, number];
    readonly bar_E_gpa?: number;
    readonly max_ld_recommended?: number;
    /** Price of the tool, estimated by its family, in the shop’s money. */
    readonly price?: number;
    readonly f_window_mm_per_rev?: readonly [number, number];
    /** Depth of cut an insert is made for, mm. */
    readonly ap_window_mm?: readonly [number, number];
    readonly [field: string]: unknown;
  };
  readonly suits_iso_groups: readonly IsoGroup[];
  readonly max_slot_depth_over_d?: number;
  readonly max_ae_over_d_at_full_apmx?: number;
  readonly note?: string;
}

/** Cutting-tool material: what the body or edge is made of. */
export interface Substrate {
  readonly name: string;
  readonly E_gpa: number;
  readonly transverse_rupture_mpa: readonly [number, number, number];
  readonly density_kg_m3: number;
  readonly poisson: number;
  readonly thermal_conductivity_w_mk?: number;
  readonly use: string;
  readonly confidence: string;
}

export interface Coating {
  readonly name: string;
  readonly max_service_c: number;
  readonly good_for: readonly string[];
  readonly avoid_for: readonly string[];
  readonly adds_edge_radius_um: number;
}

export const isMillingCutter = (cutter: Pick<Cutter, 'type'>): boolean =>
  (MILLING_CUTTER_TYPES as readonly string[]).includes(cutter.type);

/** Heads on a neck that go under a wall. */
export const isUndercutter = ({ type }: Pick<Cutter, 'type'>): boolean =>
  type === 'disc_slot_cutter' || type === 'dovetail_mill';

export const isDrill = (cutter: Pick<Cutter, 'type'>): boolean =>
  (DRILL_TYPES as readonly string[]).includes(cutter.type);

export const isTap = (cutter: Pick<Cutter, 'type'>): boolean =>
  (TAP_TYPES as readonly string[]).includes(cutter.type);

/** Inserts that turn, groove, part or cut threads on a lathe. */
export const LATHE_INSERT_TYPES = [
  'turning_insert',
  'grooving_insert',
  'parting_insert',
  'threading_insert',
] as const;
const isLatheInsert = ({ type }: Pick<Cutter, 'type'>): boolean =>
  (LATHE_INSERT_TYPES as readonly string[]).includes(type);

/** An insert on a square shank that stands in a turning block; one with a round shank goes into a sleeve as a bar does. */
export const isTurningInsert = (cutter: Pick<Cutter, 'type' | 'properties'>): boolean =>
  isLatheInsert(cutter) && cutter.properties.DCONMS === undefined;

/** A round bar that does not turn: it bores, or carries an insert into a bore. */
export const isRoundBar = (cutter: Pick<Cutter, 'type' | 'properties'>): boolean =>
  cutter.type === 'boring_bar' || (isLatheInsert(cutter) && cutter.properties.DCONMS !== undefined);

/** Indexable bodies carry inserts on a steel body and are judged by the insert's chip window. */
export const isIndexable = (cutter: Cutter): boolean => (cutter.properties.CICT ?? 0) > 0;

/** Diameter the cutter occupies on the wall, mm: the outer circle where the edge is inclined, else DC. */
export const outerDiameter = (cutter: Pick<Cutter, 'properties'>): number =>
  Math.max(cutter.properties.DC ?? 0, cutter.properties.DCX ?? 0);

/** Usual spread of a mill that says its teeth stand unequally and does not list how. */
const USUAL_SPREAD = [1.05, 0.95, 1.03, 0.97] as const;

/** Angle from each tooth to the one that cut before it, degrees; sums to 360. */
export function pitchAnglesDeg(
  { extended }: { readonly extended: Pick<Cutter['extended'], 'pitch' | 'pitch_angles_deg'> },
  teeth: number,
): number[] {
  const listed = extended.pitch_angles_deg?.length === teeth ? extended.pitch_angles_deg : null;
  const variable = extended.pitch === 'variable' && teeth > 1;
  const angles = new Array<number>(teeth);
  let sum = 0;
  for (let j = 0; j < teeth; j++) {
    const share = listed ? listed[j]! : variable ? USUAL_SPREAD[j % USUAL_SPREAD.length]! : 1;
    angles[j] = share;
    sum += share;
  }
  for (let j = 0; j < teeth; j++) angles[j]! *= 360 / sum;
  return angles;
}
