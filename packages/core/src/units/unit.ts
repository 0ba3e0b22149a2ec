/** Every unit the core reports in, and how it is shown in either system. */
export type System = 'metric' | 'inch';

export type Unit =
  | 'mm'
  | 'mm-fine'
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
  | 'm'
  | 'J/mm3'
  | 'N'
  | 'Nm'
  | 'kW'
  | 'MPa'
  | 'N/mm2'
  | 'N/mm'
  | 'N/um'
  | 'bar'
  | 'deg'
  | 'degC'
  | 'min'
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

interface Shown {
  readonly label: string;
  /** Shown value = core value × factor. */
  readonly factor: number;
  readonly digits: number | 'three';
}

const same = (label: string, digits: Shown['digits']): Record<System, Shown> => ({
  metric: { label, factor: 1, digits },
  inch: { label, factor: 1, digits },
});

const pair = (metric: Shown, inch: Shown): Record<System, Shown> => ({ metric, inch });

const shown = (label: string, factor: number, digits: Shown['digits']): Shown => ({ label, factor, digits });

export const UNITS: Readonly<Record<Unit, Record<System, Shown>>> = {
  mm: pair(shown('mm', 1, 2), shown('in', 1 / 25.4, 4)),
  'mm-fine': pair(shown('mm', 1, 'three'), shown('in', 1 / 25.4, 'three')),
  um: pair(shown('µm', 1, 0), shown('tenths', 1 / 2.54, 1)),
  'um-fine': pair(shown('µm', 1, 'three'), shown('µin', 1 / 0.0254, 'three')),
  'mm/tooth': pair(shown('mm/tooth', 1, 'three'), shown('in/tooth', 1 / 25.4, 'three')),
  'mm/rev': pair(shown('mm/rev', 1, 'three'), shown('in/rev', 1 / 25.4, 'three')),
  'm/min': pair(shown('m/min', 1, 'three'), shown('sfm', 1 / 0.3048, 0)),
  'mm/min': pair(shown('mm/min', 1, 0), shown('in/min', 1 / 25.4, 1)),
  Hz: same('Hz', 0),
  rpm: same('rpm', 0),
  'cm3/min': pair(shown('cm³/min', 1, 'three'), shown('in³/min', 1 / 16.387064, 'three')),
  m: pair(shown('m', 1, 'three'), shown('ft', 1 / 0.3048, 'three')),
  'J/mm3': pair(shown('J/mm³', 1, 'three'), shown('hp·min/in³', 1 / 2.73, 'three')),
  mm2: pair(shown('mm²', 1, 2), shown('in²', 1 / 645.16, 4)),
  N: pair(shown('N', 1, 0), shown('lbf', 1 / 4.4482216153, 0)),
  Nm: pair(shown('N·m', 1, 'three'), shown('lbf·ft', 0.7375621493, 'three')),
  kW: pair(shown('kW', 1, 'three'), shown('hp', 1 / 0.7456998716, 'three')),
  MPa: pair(shown('MPa', 1, 0), shown('ksi', 1 / 6.894757293, 1)),
  'N/mm2': pair(shown('N/mm²', 1, 0), shown('ksi', 1 / 6.894757293, 0)),
  'N/mm': pair(shown('N/mm', 1, 1), shown('lbf/in', 5.710147, 0)),
  'N/um': pair(shown('N/µm', 1, 1), shown('lbf/thou', 5.710147, 1)),
  bar: pair(shown('bar', 1, 0), shown('psi', 14.50377, 0)),
  deg: same('°', 1),
  degC: same('°C', 0),
  min: same('min', 'three'),
  s: same('s', 1),
  's-fine': same('s', 'three'),
  'm/s2': same('m/s²', 1),
  HRC: same('HRC', 1),
  HB: same('HB', 0),
  ShoreD: same('Shore D', 0),
  money: same('', 2),
  percent: same('%', 0),
  pieces: same('', 0),
  ratio: same('', 2),
};

/** From the core's unit to the shown one. */
export const toShown = (value: number, unit: Unit, system: System): number =>
  value * UNITS[unit][system].factor;

/** From the shown unit back to the core's. */
export const fromShown = (value: number, unit: Unit, system: System): number =>
  value / UNITS[unit][system].factor;

function threeSignificant(value: number): string {
  if (value === 0) return '0';
  const decimals = Math.max(0, Math.min(5, 2 - Math.floor(Math.log10(Math.abs(value)))));
  return value.toFixed(decimals);
}

/** The number alone, with the digits its unit deserves; thousands kept together by a thin space. */
export function formatNumber(value: number, unit: Unit, system: System): string {
  if (!Number.isFinite(value)) return '–';
  const { digits } = UNITS[unit][system];
  const number = toShown(value, unit, system);
  const text = digits === 'three' ? threeSignificant(number) : number.toFixed(digits);
  const [whole = '', fraction] = text.split('.');
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, '\u2009') : whole;
  return fraction === undefined ? grouped : `${grouped}.${fraction}`;
}

/** Number and unit. */
export function formatMeasure(value: number, unit: Unit, system: System): string {
  const { label } = UNITS[unit][system];
  const number = formatNumber(value, unit, system);
  if (label === '') return number;
  return label === '°' ? `${number}°` : `${number}\u00a0${label}`;
}
