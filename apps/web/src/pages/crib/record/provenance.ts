import type { CribKind, EntryDeed } from '@burl/contract';

export interface Provenance {
  readonly sources?: readonly {
    readonly field_group: string;
    readonly kind: string;
    readonly confidence: string;
  }[];
  readonly estimated_fields?: readonly string[];
  readonly confidence?: string;
  readonly estimate?: boolean;
  readonly extended?: { readonly confidence?: string; readonly estimate?: boolean };
}

/** A key of a record as words. */
export const words = (key: string): string => key.replaceAll('_', ' ').replaceAll('.', ', ');

/** Which source group of the record vouches for a field. */
const GROUP_OF: Readonly<Record<string, string>> = {
  density_kg_m3: 'physical',
  thermal_conductivity_w_mk: 'physical',
  specific_heat_j_kgk: 'physical',
  youngs_modulus_gpa: 'physical',
  derived: 'physical',
  hardness: 'mechanical',
  tensile_strength_mpa: 'mechanical',
  yield_strength_mpa: 'mechanical',
  kienzle: 'kienzle',
  hardness_scaling: 'kienzle',
  taylor_milling_coated_carbide: 'taylor',
  vc_windows_m_min: 'taylor',
  hm_window: 'hm',
  work_hardening: 'work_hardening',
  process_damping: 'process_damping',
};
/** Fields that are judgement or designation rather than measured values. */
const JUDGEMENT: Readonly<Record<string, string>> = {
  uns: 'designation',
  en: 'designation',
  standard: 'designation',
  iso513_group: 'ISO 513',
  family: 'designation',
  condition: 'designation',
  coatings: 'judgement rule G-20',
  coolant: 'judgement rules G-30 to G-33',
  ratings_0_3: 'judgement, medium',
  notes: 'judgement, medium',
};
/** What the reference data say of whole kinds, where a record carries no confidence of its own. */
const OF_KIND: Readonly<Record<CribKind, string>> = {
  alloys: 'medium: general engineering knowledge',
  cutters: 'medium: typical; ramp, speed, core estimated',
  holders: 'medium',
  machines: 'estimate: plausible class values, not any real machine',
};

const day = (at: string): string =>
  new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** The last deed that touched a value, if any did. */
const deedAt = (path: string, deeds: readonly EntryDeed[]): EntryDeed | undefined =>
  deeds.find((d) =>
    d.changes.some((c) => c.path === path || c.path.startsWith(`${path}.`) || path.startsWith(`${c.path}.`)),
  );

/** Where a value comes from and how far it is to be trusted: who set it, else what the record says of it. */
export function provenanceOf(
  path: string,
  value: unknown,
  record: Provenance,
  kind: CribKind,
  deeds: readonly EntryDeed[] = [],
): string {
  const deed = deedAt(path, deeds);
  if (deed) return `${deed.person}, ${day(deed.at)}${deed.reason ? `: ${deed.reason}` : ''}`;
  const [field = path] = path.split('.');
  const inside = record.estimated_fields?.filter((f) => f === path || f.startsWith(`${path}.`)) ?? [];
  const part = inside.filter((f) => f !== path).map((f) => words(f.slice(path.length + 1)));
  const estimate = inside.includes(path) ? '; estimate' : part.length ? `; estimate: ${part.join(', ')}` : '';
  const own = (value as { confidence?: string } | null)?.confidence;
  const group = record.sources?.find((s) => s.field_group === GROUP_OF[field]);
  if (group) return `${group.confidence}: ${group.kind}${estimate}`;
  if (own) return `${own}${estimate}`;
  if (JUDGEMENT[field] && kind === 'alloys') return JUDGEMENT[field];
  const whole = record.confidence ?? record.extended?.confidence ?? OF_KIND[kind];
  return `${whole}${record.estimate ? ', estimate' : ''}${estimate}`;
}
