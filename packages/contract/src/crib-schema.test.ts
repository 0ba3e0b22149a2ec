import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type * as yup from 'yup';
import { changed as changedAt } from '../test/tree.ts';
import { CRIB_KINDS, type CribKind } from './crib-kinds.ts';
import { coatingSchema, CRIB_SCHEMAS, keyed, substrateSchema } from './crib-schema.ts';

type Entry = Record<string, unknown> & { id: string };
const file = (name: string): Record<string, never> =>
  JSON.parse(readFileSync(new URL(`../../core/data/${name}.json`, import.meta.url), 'utf8')) as Record<
    string,
    never
  >;
const shipped = (kind: CribKind): Entry[] => file(kind)[kind]!;

/** What a schema names as wrong, first by first. */
function wrong(schema: yup.Schema, value: unknown): string[] {
  try {
    schema.validateSync(value, { strict: true, abortEarly: false });
    return [];
  } catch (error) {
    return (error as yup.ValidationError).inner.map((e) => e.message).concat((error as Error).message);
  }
}
/** An entry with one place changed; a dotted path, undefined takes it away. */
const changed = (entry: Entry, path: string, value: unknown): Entry =>
  changedAt(entry, path.split('.'), value);
/** An entry without what it need not have keeps to the schema; without anything else it does not. */
const OPTIONAL: Readonly<Record<CribKind, readonly string[]>> = {
  alloys: ['process_damping', 'taylor_milling_coated_carbide', 'yield_strength_mpa', 'youngs_modulus_gpa'],
  machines: ['min_rpm', 'axes.y', 'frf_at_bare_holder', 'coolant.pressure_bar.tsc'],
  cutters: ['properties.DN', 'extended.core_ratio', 'extended.pitch_angles_deg', 'extended.through_coolant'],
  holders: ['grip_torque_nm_at_12mm'],
};
const NEEDED: Readonly<Record<CribKind, readonly string[]>> = {
  alloys: [
    'id',
    'name',
    'iso513_group',
    'hardness.scale',
    'kienzle.mc',
    'kienzle.wear_force',
    'hm_window.d_range_mm',
    'hazards.actions',
    'ratings_0_3.fire',
    'vc_windows_m_min.carbide_milling',
    'sources',
  ],
  machines: [
    'max_rpm',
    'power_torque.s1',
    'axes.z',
    'coolant.pressure_bar',
    'block_processing_ms',
    'tool_change_s',
  ],
  cutters: ['type', 'properties', 'extended.coating', 'extended.substrate', 'suits_iso_groups'],
  holders: [
    'bore_diameter_mm',
    'joint_damping_ratio',
    'max_rpm',
    'coolant',
    'clamp_rotation_stiffness_knm_rad',
  ],
};

describe.each(CRIB_KINDS)('%s', (kind) => {
  const schema = CRIB_SCHEMAS[kind];

  it('of the shipped crib keep to what the core reckons with', () => {
    const entries = shipped(kind);
    expect(entries.length).toBeGreaterThan(5);
    for (const entry of entries) expect([entry.id, wrong(schema, entry)]).toEqual([entry.id, []]);
  });

  it.each(OPTIONAL[kind])('may do without %s', (path) => {
    for (const entry of shipped(kind))
      expect([entry.id, wrong(schema, changed(entry, path, undefined))]).toEqual([entry.id, []]);
  });

  it.each(NEEDED[kind])(
    'have to have %s, and it is named when it is missing, empty or of another kind',
    (path) => {
      const [entry] = shipped(kind);
      for (const value of [undefined, null, true]) {
        const said = wrong(schema, changed(entry!, path, value));
        expect(said.join()).toContain(path.split('.').at(-1));
      }
    },
  );
});

describe('numbers of an entry', () => {
  it.each<[CribKind, string, unknown, RegExp]>([
    ['alloys', 'kienzle.kc11_n_mm2', { low: 2000, typical: 1900, high: 2500 }, /rise from low over typical/],
    ['alloys', 'kienzle.mc.typical', -0.2, /0.01 to 0.8/],
    ['alloys', 'kienzle.valid_h_mm', [0.3, 0.02], /must rise/],
    ['alloys', 'vc_windows_m_min.drill_hss', [20], /two speeds that rise/],
    ['alloys', 'vc_windows_m_min.drill_hss', 'seldom', /"not used"/],
    ['alloys', 'hm_window.indexable_hmax_mm', [0.1, 0.2, 0.3], /must hold 2 numbers/],
    ['alloys', 'ratings_0_3.fire', 4, /0 to 3/],
    ['alloys', 'sources', [{ field_group: 'x', kind: 'y', confidence: 'sure' }], /high, medium, low/],
    ['machines', 'power_torque.s1', [{ rpm: 100, kw: 5, nm: 50 }], /two points or more/],
    [
      'machines',
      'power_torque.s6_40',
      [
        { rpm: 900, kw: 5, nm: 50 },
        { rpm: 100, kw: 5, nm: 50 },
      ],
      /rise in rpm/,
    ],
    ['machines', 'frf_at_bare_holder.modes_x', [], /a mode or more/],
    ['machines', 'frf_at_bare_holder.modes_y', [null], /modes_y/],
    [
      'machines',
      'frf_at_bare_holder.modes_x',
      [{ freq_hz: 800, stiffness_n_um: 0, damping_ratio: 0.03, rotation_per_translation_rad_per_m: 0 }],
      /0.1 to 100000 N\/µm/,
    ],
    ['machines', 'coolant.flood', 'yes', /boolean/],
    ['machines', 'tool_change_s', Infinity, /0 to 3600 s/],
    ['cutters', 'properties.DC', 0, /0.05 to 500 mm/],
    ['cutters', 'properties.RE', 80, /half the diameter/],
    ['cutters', 'properties.APMX', 2500, /overall length/],
    ['cutters', 'properties.OAL', 60_000, /3 to 3000 mm/],
    ['cutters', 'properties', { DC: 0.1, DCONMS: 3, OAL: 2900, ZEFP: 2 }, /400 diameters/],
    ['cutters', 'extended.pitch_angles_deg', [72, 72, 72, 72, 72, 72], /one for each tooth|together be 360/],
    ['cutters', 'properties.ZEFP', 2.5, /integer|whole number/],
    ['cutters', 'properties.RPMX', '15000', /number/],
    ['cutters', 'properties.XYZ', [1], /numbers and words only/],
    ['cutters', 'extended.pitch_angles_deg', [90, -90], /1 to 360/],
    ['cutters', 'extended.fz_window_mm', [0.2, 0.1], /must rise/],
    ['cutters', 'suits_iso_groups', ['Q'], /P, M, K, N, S, H/],
    ['holders', 'gauge_length_mm', 6000, /5 to 800 mm/],
    ['holders', 'gauge_length_mm', 60_000, /5 to 800 mm/],
    ['holders', 'nose_diameter_mm', 0.5, /1 to 400 mm/],
    ['holders', 'interfaces', [], /at least 1/],
    ['holders', 'grip_torque_nm_at_12mm', [50, 40, 60], /must rise/],
    ['holders', 'runout_at_3xd_um.high', 'ten', /number/],
  ])('%s: %s of %j is refused', (kind, path, value, message) => {
    const [entry] = shipped(kind);
    expect(wrong(CRIB_SCHEMAS[kind], changed(entry!, path, value)).join('; ')).toMatch(message);
  });
});

describe('tool materials', () => {
  const { substrates, coatings } = file('cutters') as unknown as Record<string, Record<string, Entry>>;

  it('of the shipped crib keep to it, each under its id', () => {
    expect(wrong(keyed(substrateSchema), substrates)).toEqual([]);
    expect(wrong(keyed(coatingSchema), coatings)).toEqual([]);
  });

  it('are refused by id and field', () => {
    const [id, first] = Object.entries(substrates!)[0]!;
    expect(wrong(keyed(substrateSchema), { [id]: changed(first, 'E_gpa', null) }).join()).toContain('E_gpa');
    expect(wrong(keyed(substrateSchema), { [id]: changed(first, 'poisson', 0.9) }).join()).toContain(
      'poisson',
    );
    for (const none of [null, 7, [], 'steel'])
      expect(wrong(keyed(coatingSchema), none).length).toBeGreaterThan(0);
  });
});
