export interface CurvePoint {
  readonly rpm: number;
  readonly kw: number;
  readonly nm: number;
}

export interface SpindleCurves {
  /** Continuous rating. */
  readonly s1: readonly CurvePoint[];
  /** 40% duty in a ten-minute cycle. */
  readonly s6_40: readonly CurvePoint[];
}

export interface Axis {
  readonly max_feed_mm_min: number;
  readonly max_accel_m_s2: number;
  readonly travel_mm?: number;
}

export interface StructureMode {
  readonly freq_hz: number;
  readonly stiffness_n_um: number;
  readonly damping_ratio: number;
  readonly rotation_per_translation_rad_per_m: number;
}

/** A machine tool, with its spindle's power and torque against speed and the structure at a bare holder. */
export interface Machine {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly spindle_interface: string;
  readonly max_rpm: number;
  readonly min_rpm?: number;
  readonly power_torque: SpindleCurves;
  readonly axes: { readonly x: Axis; readonly y?: Axis; readonly z: Axis };
  readonly block_processing_ms: number;
  readonly tool_change_s: number;
  readonly coolant: {
    readonly flood: boolean;
    readonly through_spindle: boolean;
    readonly mql: boolean;
    readonly air_blast: boolean;
    readonly pressure_bar: { readonly flood?: number; readonly tsc?: number; readonly air?: number };
  };
  readonly frf_at_bare_holder?: {
    readonly modes_x: readonly StructureMode[];
    readonly modes_y: readonly StructureMode[];
    /** Rotation the taper gives beyond the modes; absent is that of a 40 taper. */
    readonly nose_rotation_stiffness_knm_rad?: number;
    readonly residual_stiffness_n_um: { readonly x: number; readonly y: number };
    readonly static_stiffness_n_um: { readonly x: number; readonly y: number };
  };
  /** Of a mill-turn centre: the spindle that turns the part; `power_torque` is then that of the milling spindle. */
  readonly turning_spindle?: {
    readonly max_rpm: number;
    readonly power_torque: SpindleCurves;
    readonly chuck_mm?: number;
    readonly through_bore_mm?: number;
  };
  /** Of a lathe: highest speed of the spindle that takes parts over from the first; absent where it has none. */
  readonly sub_spindle_max_rpm?: number;
  /** Of a lathe: where its turret stands, before the axis or behind it; absent is behind. */
  readonly turret?: 'front' | 'rear';
  /** Of a lathe: what turns its driven tools; `power_torque` is then that of the spindle that turns the part. */
  readonly driven_tools?: { readonly max_rpm: number; readonly power_torque: SpindleCurves };
  readonly notes: string;
  readonly work: string;
}
