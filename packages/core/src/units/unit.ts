/** Every unit the core reports in, and how it is shown in either system. */
export type System = 'metric' | 'inch';

export type Unit =
  | 'mm'
  | 'mm-fine'
  | 'mm-deflection'
  | 'um'
  | 'um-fine'
  | 'mm/tooth'
  | 'mm/rev'
  | 'm/min'
  | 'mm/min'
  | 'rpm'
  | 'Hz'
  | 'cm3/min'
  | 'mm2'
  | 'mm2-fine'
  | 'm'
  | 'J/mm3'
  | 'N'
  | 'N-fine'
  | 'Nm'
  | 'kW'
  | 'MPa'
  | 'N/mm2'
  | 'N/mm'
  | 'N/um'
  | 'bar'
  | 'deg'
  | 'degC'
  | 'degC-fine'
  | 'K'
  | 'hours'
  | 'min'
  | 'min-life'
  | 's'
  | 's-fine'
  | 'm/s2'
  | 'HRC'
  | 'HB'
  | 'ShoreD'
  | 'money'
  | 'percent'
  | 'pieces'
  | 'ratio';

/** How a number is rounded to be read; what is stored stays exact. */
type Digits =
  /** Digits after the point; more where fewer than two figures were left of a small number. */
  | { readonly decimals: number; readonly trim?: true }
  /** Figures that count, whatever the size: an estimate does not know more. */
  | { readonly figures: number }
  /** One digit after the point below this, none from there. */
  | { readonly wholeFrom: number }
  /** To the nearest of these from `from` on, whole below. */
  | { readonly nearest: number; readonly from: number };

interface Shown {
  readonly label: string;
  /** Shown value = core value × factor + offset. */
  readonly factor: number;
  readonly offset: number;
  readonly digits: Digits;
}

const shown = (label: string, factor: number, digits: Digits, offset = 0): Shown => ({
  label,
  factor,
  offset,
  digits,
});

const pair = (metric: Shown, inch: Shown): Record<System, Shown> => ({ metric, inch });

const same = (label: string, digits: Digits): Record<System, Shown> =>
  pair(shown(label, 1, digits), shown(label, 1, digits));

const decimals = (n: number): Digits => ({ decimals: n });
const trimmed = (n: number): Digits => ({ decimals: n, trim: true });
const figures = (n: number): Digits => ({ figures: n });
const IN = 1 / 25.4;
const THOU = 1000 / 25.4;

/** Money is the shop's: what it is called is said once, where rates are read. */
const money: { label: string } & Omit<Shown, 'label'> = {
  label: '',
  factor: 1,
  offset: 0,
  digits: decimals(2),
};

/** What amounts are shown in from now on, three letters; without it they stand bare. */
export function showMoneyIn(currency: string): void {
  money.label = currency;
}

export const UNITS: Readonly<Record<Unit, Record<System, Shown>>> = {
  mm: pair(shown('mm', 1, trimmed(2)), shown('in', IN, trimmed(3))),
  'mm-fine': pair(shown('mm', 1, decimals(3)), shown('in', IN, decimals(4))),
  'mm-deflection': pair(shown('mm', 1, decimals(3)), shown('thou', THOU, decimals(1))),
  um: pair(shown('µm', 1, trimmed(1)), shown('thou', THOU / 1000, figures(2))),
  'um-fine': pair(shown('µm', 1, figures(2)), shown('µin', 1 / 0.0254, decimals(0))),
  'mm/tooth': pair(shown('mm/tooth', 1, decimals(3)), shown('ipt', IN, decimals(4))),
  'mm/rev': pair(shown('mm/rev', 1, decimals(3)), shown('ipr', IN, decimals(4))),
  'm/min': pair(shown('m/min', 1, { wholeFrom: 20 }), shown('SFM', 1 / 0.3048, decimals(0))),
  'mm/min': pair(shown('mm/min', 1, decimals(0)), shown('ipm', IN, decimals(1))),
  Hz: same('Hz', decimals(0)),
  rpm: same('rpm', { nearest: 10, from: 1000 }),
  'cm3/min': pair(shown('cm³/min', 1, figures(3)), shown('in³/min', 1 / 16.387064, figures(3))),
  m: pair(shown('m', 1, figures(2)), shown('ft', 1 / 0.3048, figures(2))),
  'J/mm3': pair(shown('J/mm³', 1, figures(2)), shown('hp·min/in³', 1 / 2.73, figures(2))),
  mm2: pair(shown('mm²', 1, figures(2)), shown('in²', 1 / 645.16, figures(2))),
  'mm2-fine': pair(shown('mm²', 1, trimmed(1)), shown('in²', 1 / 645.16, trimmed(3))),
  'N-fine': pair(shown('N', 1, decimals(0)), shown('lbf', 1 / 4.4482216153, decimals(0))),
  N: pair(shown('N', 1, figures(2)), shown('lbf', 1 / 4.4482216153, figures(2))),
  Nm: pair(shown('N·m', 1, figures(2)), shown('ft·lbf', 0.7375621493, figures(2))),
  kW: pair(shown('kW', 1, figures(2)), shown('hp', 1 / 0.7456998716, figures(2))),
  MPa: pair(shown('MPa', 1, decimals(0)), shown('ksi', 1 / 6.894757293, decimals(1))),
  'N/mm2': pair(shown('N/mm²', 1, decimals(0)), shown('ksi', 1 / 6.894757293, decimals(0))),
  'N/mm': pair(shown('N/mm', 1, figures(2)), shown('lbf/in', 5.710147, figures(2))),
  'N/um': pair(shown('N/µm', 1, figures(2)), shown('lbf/thou', 5.710147, figures(2))),
  bar: pair(shown('bar', 1, decimals(0)), shown('psi', 14.50377, { nearest: 10, from: 0 })),
  deg: same('°', trimmed(1)),
  degC: pair(shown('°C', 1, { nearest: 10, from: 0 }), shown('°F', 1.8, { nearest: 20, from: 0 }, 32)),
  'degC-fine': pair(shown('°C', 1, decimals(0)), shown('°F', 1.8, decimals(0), 32)),
  K: pair(shown('°C', 1, decimals(0)), shown('°F', 1.8, decimals(0))),
  hours: same('h', trimmed(1)),
  min: same('min', decimals(1)),
  'min-life': same('min', figures(2)),
  s: same('s', decimals(1)),
  's-fine': same('s', figures(2)),
  'm/s2': pair(shown('m/s²', 1, decimals(1)), shown('ft/s²', 1 / 0.3048, decimals(1))),
  HRC: same('HRC', trimmed(1)),
  HB: same('HB', decimals(0)),
  ShoreD: same('Shore D', decimals(0)),
  money: pair(money, money),
  percent: same('%', decimals(0)),
  pieces: same('', decimals(0)),
  ratio: same('', trimmed(2)),
};

/** From the core's unit to the shown one. */
export const toShown = (value: number, unit: Unit, system: System): number =>
  value * UNITS[unit][system].factor + UNITS[unit][system].offset;

/** From the shown unit back to the core's. */
export const fromShown = (value: number, unit: Unit, system: System): number =>
  (value - UNITS[unit][system].offset) / UNITS[unit][system].factor;

/** Digits after the point that leave `n` figures of a number; never more than five. */
const decimalsFor = (value: number, n: number): number =>
  Math.max(0, Math.min(5, n - 1 - Math.floor(Math.log10(Math.abs(value)) + 1e-12)));

const withoutZeros = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text);

/** To `n` figures; noughts after the point that say nothing are kept, as in 2.0. */
function toFigures(value: number, n: number): string {
  if (value === 0) return '0';
  const kept = Number(value.toPrecision(n));
  return kept.toFixed(Math.min(4, decimalsFor(kept, n)));
}

function toDecimals(value: number, n: number, trim: boolean): string {
  // A small number keeps two figures: 0.00026 in is never read as 0.0002.
  const small = n >= 2 && value !== 0 && Math.abs(value) < 10 ** (1 - n);
  if (small) {
    const text = withoutZeros(value.toFixed(decimalsFor(value, 2)));
    return trim || text.length > n + 2 ? text : value.toFixed(n);
  }
  return trim ? withoutZeros(value.toFixed(n)) : value.toFixed(n);
}

function rounded(value: number, digits: Digits): string {
  if ('figures' in digits) return toFigures(value, digits.figures);
  if ('wholeFrom' in digits) return value.toFixed(Math.abs(value) < digits.wholeFrom ? 1 : 0);
  if ('nearest' in digits) {
    const step = Math.abs(value) >= digits.from ? digits.nearest : 1;
    return (Math.round(value / step) * step).toFixed(0);
  }
  return toDecimals(value, digits.decimals, digits.trim === true);
}

/** The number alone, with the digits its unit deserves and commas between thousands. */
export function formatNumber(value: number, unit: Unit, system: System): string {
  if (!Number.isFinite(value)) return '–';
  const [whole = '', fraction] = rounded(toShown(value, unit, system), UNITS[unit][system].digits).split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, ',');
  return fraction === undefined ? grouped : `${grouped}.${fraction}`;
}

/** Figures of a number worked out where a field shows it. */
const FIELD_FIGURES = 3;

function fieldDecimals(number: number, digits: Digits): number {
  if ('figures' in digits) return decimalsFor(number, FIELD_FIGURES);
  if ('wholeFrom' in digits) return 1;
  if ('nearest' in digits) return 0;
  // One more than is read elsewhere: what was typed to the usual step comes back as typed.
  return digits.decimals === 0 ? 0 : Math.max(digits.decimals + 1, decimalsFor(number, 2));
}

/** The number as a field holds it: a digit finer than it is read elsewhere, without commas and without trailing noughts. */
export function formatField(value: number, unit: Unit, system: System): string {
  const number = toShown(value, unit, system);
  if (!Number.isFinite(number)) return '';
  if (number === 0) return '0';
  return withoutZeros(number.toFixed(fieldDecimals(number, UNITS[unit][system].digits)));
}

/** Torques under this are said in inch-pounds where inches are read. */
const INCH_POUNDS_BELOW = 10;

/** Minutes under this are said in seconds: a hole drilled in 1.6 s does not take none. */
const SECONDS_BELOW = 0.1;

/** Number and unit. */
export function formatMeasure(value: number, unit: Unit, system: System): string {
  const { label } = UNITS[unit][system];
  if (unit === 'min' && value !== 0 && Math.abs(value) < SECONDS_BELOW)
    return formatMeasure(60 * value, 's-fine', system);
  const footPounds = unit === 'Nm' && system === 'inch' ? toShown(value, unit, system) : null;
  if (footPounds !== null && Math.abs(footPounds) < INCH_POUNDS_BELOW)
    return `${toFigures(12 * footPounds, 2)}\u00a0in·lbf`;
  const number = formatNumber(value, unit, system);
  if (label === '') return number;
  return label === '°' || label === '%' ? `${number}${label}` : `${number}\u00a0${label}`;
}
