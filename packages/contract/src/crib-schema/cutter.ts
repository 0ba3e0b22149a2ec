import * as yup from 'yup';
import { GROUPS, named, slug, thing } from './parts.ts';
import { type Allowed, values } from './values.ts';

/** Longest tool a machine turns, mm. */
const LONGEST = 3000;
const WIDEST = 500;
/** Symbols of sizes and angles with what they may be; each is given or not. */
const SYMBOLS: Readonly<Record<string, Allowed>> = {
  DC: { low: 0.05, high: WIDEST, unit: 'mm' },
  DCX: { low: 0.05, high: WIDEST, unit: 'mm' },
  DN: { low: 0.03, high: WIDEST, unit: 'mm' },
  DCONMS: { low: 0.5, high: WIDEST, unit: 'mm' },
  DMIN: { low: 0.05, high: 1000, unit: 'mm' },
  APMX: { low: 0.01, high: LONGEST, unit: 'mm' },
  LU: { low: 0.05, high: LONGEST, unit: 'mm' },
  LCF: { low: 0.05, high: LONGEST, unit: 'mm' },
  LH: { low: 0.05, high: LONGEST, unit: 'mm' },
  OAL: { low: 3, high: LONGEST, unit: 'mm' },
  LF: { low: 3, high: LONGEST, unit: 'mm' },
  LPR: { low: 0.5, high: LONGEST, unit: 'mm' },
  IC: { low: 1, high: 60, unit: 'mm' },
  TP: { low: 0.05, high: 25, unit: 'mm' },
  RPMX: { low: 10, high: 300_000, unit: 'rpm' },
  RE: { low: 0, high: 250, unit: 'mm' },
  PL: { low: 0, high: 250, unit: 'mm' },
  BS: { low: 0, high: 100, unit: 'mm' },
  KAPR: { low: 0, high: 180, unit: '°' },
  FHA: { low: -75, high: 75, unit: '°' },
  GAMF: { low: -75, high: 75, unit: '°' },
  SIG: { low: 10, high: 180, unit: '°' },
  RMPX: { low: 0, high: 90, unit: '°' },
  CP: { low: 0, high: 1500, unit: 'bar' },
  CICT: { low: 0, high: 500 },
  CW: { low: 0.05, high: 200, unit: 'mm' },
  CDX: { low: 0.05, high: 300, unit: 'mm' },
  DAXN: { low: 1, high: 3000, unit: 'mm' },
  DAXX: { low: 1, high: 3000, unit: 'mm' },
  TPN: { low: 0.05, high: 25, unit: 'mm' },
  TPX: { low: 0.05, high: 25, unit: 'mm' },
  PNA: { low: 20, high: 120, unit: '°' },
  NOF: { low: 1, high: 60, unit: 'teeth', whole: true },
  ZEFP: { low: 1, high: 60, unit: 'teeth', whole: true },
};

/** Sizes that cannot stand together, each with the field it is said at. */
function clashing(
  properties: Record<string, unknown> | undefined,
): { field: string; allowed: string } | null {
  const of = (symbol: string): number | undefined =>
    typeof properties?.[symbol] === 'number' ? properties[symbol] : undefined;
  const widest = Math.max(of('DC') ?? 0, of('DCX') ?? 0);
  if (widest === 0) return null;
  const more = (symbol: string, most: number, what: string) =>
    (of(symbol) ?? 0) > most * 1.0001
      ? { field: symbol, allowed: `${Number(most.toPrecision(4))} mm at most, ${what}` }
      : null;
  const all = of('OAL') ?? LONGEST;
  return (
    more('DN', widest, 'its diameter: a wider neck rubs') ??
    more('RE', widest / 2, 'half the diameter') ??
    more('APMX', all, 'its overall length') ??
    more('LU', all, 'its overall length') ??
    more('LCF', all, 'its overall length') ??
    // Longer than any gun drill for its size: a decimal point was lost.
    more('OAL', 400 * Math.max(widest, of('DCONMS') ?? 0), '400 diameters')
  );
}

const TURN = 360;
const feed = (unit: string, high: number): Allowed => ({ low: 0.0001, high, unit, count: 2 });
/** What the standard has no symbol for. */
const EXTENDED: Readonly<Record<string, Allowed>> = {
  core_ratio: { low: 0.05, high: 1 },
  effective_bending_diameter_ratio: { low: 0.2, high: 1.5 },
  chip_gullet_area_mm2: { low: 0, high: 20_000, unit: 'mm²' },
  edge_radius_um: { low: 0, high: 500, unit: 'µm', count: 3 },
  pitch: { letters: 60 },
  pitch_angles_deg: { low: 1, high: TURN, unit: '°', count: 'any', sum: TURN },
  helix_variation_deg: { low: -75, high: 75, unit: '°', count: 'any' },
  serrated: { flag: true },
  centre_cutting: { flag: true },
  through_coolant: { flag: true },
  plunge_ok: { flag: true },
  fz_window_mm: feed('mm', 5),
  fr_window_mm_per_rev: feed('mm/rev', 20),
  f_window_mm_per_rev: feed('mm/rev', 20),
  stock_on_diameter_mm: { low: 0, high: 20, unit: 'mm', count: 3 },
  hole_tolerance: { letters: 20 },
  bar_E_gpa: { low: 10, high: 1300, unit: 'GPa' },
  max_ld_recommended: { low: 0.5, high: 100 },
  price: { low: 0, high: 1e6 },
};

/** What each value of a cutter may be, where it stands in the document. */
export const CUTTER_VALUES = { properties: SYMBOLS, extended: EXTENDED } as const;

export const cutterSchema = thing({
  ...named,
  type: yup.string().strict().required().max(60),
  properties: values({}, SYMBOLS, { empty: false })
    .test('symbols', '${path} may hold up to 80 numbers and words only', (v) => {
      const given = Object.values(v ?? {}).filter((x) => x !== undefined);
      return (
        given.length <= 80 &&
        given.every((x) =>
          typeof x === 'string' ? x.length <= 200 : Number.isFinite(x) && Math.abs(Number(x)) < 1e9,
        )
      );
    })
    .test('sizes', 'sizes', function (v) {
      const wrong = clashing(v);
      return (
        wrong === null ||
        this.createError({
          path: `${this.path}.${wrong.field}`,
          message: `\${path} must be ${wrong.allowed}`,
          params: { value: v[wrong.field] },
        })
      );
    }),
  extended: values({ coating: slug(), substrate: slug() }, EXTENDED, { empty: true }),
  suits_iso_groups: yup.array().of(yup.string().strict().oneOf(GROUPS).required()).min(1).max(12).required(),
}).test('teeth', 'teeth', function (cutter) {
  // Angles that are fewer or more than the teeth belong to another cutter.
  const { properties, extended } = cutter as {
    properties?: Record<string, unknown>;
    extended?: { pitch_angles_deg?: unknown[] | null; helix_variation_deg?: unknown[] | null };
  };
  const z = properties?.['ZEFP'] ?? properties?.['NOF'];
  const wrong = (['pitch_angles_deg', 'helix_variation_deg'] as const).find((key) => {
    const angles = extended?.[key];
    return Array.isArray(angles) && angles.length > 0 && typeof z === 'number' && angles.length !== z;
  });
  return (
    wrong === undefined ||
    this.createError({
      path: `${this.path ? `${this.path}.` : ''}extended.${wrong}`,
      message: `\${path} must hold ${String(z)} angles, one for each tooth`,
      params: { value: extended?.[wrong] },
    })
  );
});
