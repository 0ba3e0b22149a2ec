import * as yup from 'yup';
import { within, thing, maybe, numbers, chip, GROUPS, named, slug } from './parts.ts';

/** Longest tool a machine turns, mm. */
const LONGEST = 3000;
const WIDEST = 500;
/** Symbols of sizes and angles with what they may be; each is given or not. */
const SYMBOLS: Readonly<
  Record<string, readonly [low: number, high: number, unit?: string, whole?: boolean]>
> = {
  DC: [0.05, WIDEST, 'mm'],
  DCX: [0.05, WIDEST, 'mm'],
  DN: [0.03, WIDEST, 'mm'],
  DCONMS: [0.5, WIDEST, 'mm'],
  DMIN: [0.05, 1000, 'mm'],
  APMX: [0.01, LONGEST, 'mm'],
  LU: [0.05, LONGEST, 'mm'],
  LCF: [0.05, LONGEST, 'mm'],
  LH: [0.05, LONGEST, 'mm'],
  OAL: [3, LONGEST, 'mm'],
  LF: [3, LONGEST, 'mm'],
  LPR: [0.5, LONGEST, 'mm'],
  IC: [1, 60, 'mm'],
  TP: [0.05, 25, 'mm'],
  RPMX: [10, 300_000, 'rpm'],
  RE: [0, 250, 'mm'],
  PL: [0, 250, 'mm'],
  BS: [0, 100, 'mm'],
  KAPR: [0, 180, '°'],
  FHA: [-75, 75, '°'],
  GAMF: [-75, 75, '°'],
  SIG: [10, 180, '°'],
  RMPX: [0, 90, '°'],
  CP: [0, 1500, 'bar'],
  CICT: [0, 500],
  CW: [0.05, 200, 'mm'],
  NOF: [1, 60, 'teeth', true],
  ZEFP: [1, 60, 'teeth', true],
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
export const cutterSchema = thing({
  ...named,
  type: yup.string().strict().required().max(60),
  properties: thing({})
    .test('ranges', 'ranges', function (v) {
      // One look at all symbols: a schema of its own for each makes a file of thousands of tools wait for seconds.
      const wrong = Object.entries(SYMBOLS).flatMap(([symbol, [low, high, unit = '', whole]]) => {
        const value = (v as Record<string, unknown>)[symbol];
        if (value === undefined) return [];
        const stands =
          typeof value === 'number' && value >= low && value <= high && (!whole || Number.isInteger(value));
        const kind = typeof value === 'number' ? (whole ? 'a whole number, ' : '') : 'a number, ';
        const allowed = `${kind}${low} to ${high}${unit && ` ${unit}`}`;
        return stands
          ? []
          : [
              this.createError({
                path: `${this.path}.${symbol}`,
                message: `\${path} must be ${allowed}`,
                params: { value },
              }),
            ];
      });
      return wrong.length === 0 || new yup.ValidationError(wrong);
    })
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
  extended: thing({
    coating: slug(),
    substrate: slug(),
    core_ratio: maybe(within(0.05, 1)),
    effective_bending_diameter_ratio: maybe(within(0.2, 1.5)),
    chip_gullet_area_mm2: maybe(within(0, 20_000, 'mm²')),
    edge_radius_um: maybe(numbers(3, () => within(0, 500, 'µm'))),
    pitch: maybe(yup.string().strict().max(60)),
    serrated: yup.boolean().strict().optional(),
    pitch_angles_deg: maybe(
      yup
        .array()
        .of(within(1, TURN, '°'))
        .max(60)
        .test(
          'turn',
          `\${path} must together be ${TURN}°`,
          (v) => !v || v.length === 0 || Math.abs(v.reduce((sum, a) => sum + Number(a), 0) - TURN) < 1,
        ),
    ),
    helix_variation_deg: maybe(
      yup
        .array()
        .of(within(-75, 75, '°'))
        .max(60),
    ),
    centre_cutting: yup.boolean().strict().optional(),
    through_coolant: yup.boolean().strict().optional(),
    plunge_ok: yup.boolean().strict().optional(),
    fz_window_mm: maybe(numbers(2, chip)),
    fr_window_mm_per_rev: maybe(numbers(2, () => within(0.0001, 20, 'mm/rev'))),
    f_window_mm_per_rev: maybe(numbers(2, () => within(0.0001, 20, 'mm/rev'))),
    stock_on_diameter_mm: maybe(numbers(3, () => within(0, 20, 'mm'))),
    hole_tolerance: yup.string().strict().max(20).optional(),
    bar_E_gpa: maybe(within(10, 1300, 'GPa')),
    max_ld_recommended: maybe(within(0.5, 100)),
    price: maybe(within(0, 1e6)),
  }),
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
