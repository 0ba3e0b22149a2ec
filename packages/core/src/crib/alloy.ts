import type { Confidence, Span } from './span.ts';

export type IsoGroup = 'P' | 'M' | 'K' | 'N' | 'S' | 'H';
export type HardnessScale = 'HRC' | 'HB' | 'ShoreD';

/** Extended Taylor model of coated carbide milling; `vc = vc30 (30/T)^n (h/h0)^-a (ae/D / x0)^-b (ap/D / y0)^-c`. */
export interface MillingLifeModel {
  readonly reference: {
    readonly fz_mm: number;
    readonly hmax_mm: number;
    readonly ae_over_d: number;
    readonly ap_over_d: number;
    readonly vb_mean_mm: number;
    readonly wear_criterion: string;
  };
  readonly vc_m_min: {
    readonly life_15_min: number;
    readonly life_30_min: number;
    readonly life_60_min: number;
  };
  readonly n: number;
  readonly hmax_exponent: number;
  readonly ae_exponent: number;
  readonly ap_exponent: number;
  readonly valid: {
    readonly vc_over_vc30: readonly [number, number];
    readonly ae_over_d: readonly [number, number];
    readonly hmax_over_ref: readonly [number, number];
    readonly ap_over_d: readonly [number, number];
  };
  readonly log_std_vc30_between_shops: number;
  readonly log_std_life_within_one_setup: number;
}

export type SpeedWindow = readonly [number, number] | 'not used' | null;

/** A work material in one condition. Fields and units as in the crib's open JSON format. */
export interface Alloy {
  readonly id: string;
  readonly name: string;
  readonly uns: string | null;
  readonly en: string | null;
  readonly standard: string | null;
  readonly iso513_group: IsoGroup;
  readonly family: string;
  readonly condition: string;
  readonly hardness: {
    readonly scale: HardnessScale;
    readonly low: number;
    readonly typical: number;
    readonly high: number;
  };
  readonly density_kg_m3: number;
  readonly youngs_modulus_gpa?: number;
  readonly yield_strength_mpa?: Span | null;
  readonly tensile_strength_mpa: Span | null;
  readonly thermal_conductivity_w_mk: number;
  readonly specific_heat_j_kgk?: number;
  readonly work_hardening: {
    readonly tendency: string;
    readonly hardened_layer_depth_mm: { readonly fresh_edge: number; readonly worn_edge: number };
  };
  readonly kienzle: {
    readonly kc11_n_mm2: Span;
    readonly mc: Span;
    readonly valid_h_mm: readonly [number, number];
    readonly reference_rake_deg: number;
    readonly radial_to_tangential: Span;
    readonly linear_edge_equivalent: {
      readonly ktc_n_mm2: number;
      readonly kte_n_mm: number;
      readonly kre_over_kte: number;
      readonly fit_h_mm: readonly [number, number];
    };
    readonly wear_force: { readonly add_n_per_mm_edge_per_mm_vb: number };
  };
  /** What an edge's land presses the wave with, N/m³. */
  readonly process_damping?: {
    readonly indentation_coefficient_n_m3: Span;
  };
  readonly hardness_scaling: { readonly kc_per_hrc: number; readonly vc_per_hrc: number };
  readonly ratings_0_3: {
    readonly notch: number;
    readonly built_up_edge: number;
    readonly segmented_chip: number;
    readonly fire: number;
  };
  readonly coatings: { readonly prefer: readonly string[]; readonly avoid: readonly string[] };
  readonly coolant: string;
  readonly hazards: {
    readonly ignition: string;
    readonly fire_class: string;
    readonly actions: readonly string[];
    readonly dust_toxicity: string;
  };
  readonly notes: string;
  readonly taylor_milling_coated_carbide: MillingLifeModel | null;
  readonly vc_windows_m_min: {
    readonly carbide_milling: {
      readonly heavy_ae_over_0_5: SpeedWindow;
      readonly moderate_ae_0_2_0_4: SpeedWindow;
      readonly low_ae_under_0_1: SpeedWindow;
    };
    readonly hss_milling: SpeedWindow;
    readonly drill_hss: SpeedWindow;
    readonly drill_carbide: SpeedWindow;
    readonly tap_hss_e?: SpeedWindow;
    readonly carbide_turning?: SpeedWindow;
    readonly ceramic_turning?: SpeedWindow;
    readonly cbn_turning?: SpeedWindow;
  };
  readonly hm_window: {
    readonly c_mm: number;
    readonly p: number;
    readonly low_multiplier: number;
    readonly high_multiplier: number;
    readonly d_range_mm: readonly [number, number];
    readonly indexable_hmax_mm: readonly [number, number];
  };
  readonly sources: readonly {
    readonly field_group: string;
    readonly kind: string;
    readonly confidence: Confidence;
  }[];
  readonly estimated_fields: readonly string[];
}

/** Plastics: they melt and creep where metals wear a tool. */
export const isPolymer = ({ family }: Pick<Alloy, 'family'>): boolean => family === 'polymer';

/** Its record wants air or nothing where it is milled. */
export const wantsDry = ({ coolant }: Pick<Alloy, 'coolant'>): boolean => /^(Air|Dry)/.test(coolant);
