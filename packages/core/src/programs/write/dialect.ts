/** How a program is written down. */
export interface Dialect {
  readonly units: 'mm' | 'inch';
  /** Digits behind the point; one more in inch. */
  readonly decimals: number;
  /** Whole numbers keep their point (`X10.`), as older controls want it. */
  readonly pointAlways: boolean;
  /** Drilling by canned cycles, or every move written out. */
  readonly cycles: 'cycles' | 'long hand';
  readonly arcs: 'centre' | 'radius';
  readonly lineNumbers: boolean;
}

export const PLAIN_DIALECT: Dialect = {
  units: 'mm',
  decimals: 3,
  pointAlways: false,
  cycles: 'cycles',
  arcs: 'centre',
  lineNumbers: false,
};

/** A coordinate or feed as the dialect writes it; `mm` in millimetres. */
export function numberText(dialect: Dialect, mm: number, digits = dialect.decimals): string {
  const inch = dialect.units === 'inch';
  const shown = (inch ? mm / 25.4 : mm).toFixed(digits + (inch ? 1 : 0));
  const short = shown.includes('.') ? shown.replace(/0+$/, '') : shown;
  const bare = short.endsWith('.') && !dialect.pointAlways ? short.slice(0, -1) : short;
  return bare === '-0' || bare === '-0.' ? bare.slice(1) : bare === '' ? '0' : bare;
}
