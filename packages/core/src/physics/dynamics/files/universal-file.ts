import { InputError } from '../../../units/input-error.ts';
import type { Receptance } from '../tip-structure.ts';
import { fromReceptance, requireResponse, type ResponseKind, toReceptance } from './response-file.ts';

/** One data set 58 of a universal file. */
export interface UniversalSet {
  readonly name: string;
  /** 4 is a frequency response, 1 a time record. */
  readonly functionType: number;
  /** Ordinate: what was measured per what. */
  readonly kind: ResponseKind | null;
  readonly receptance: Receptance | null;
  /** For a time record: seconds between samples and the samples. */
  readonly time: { readonly step: number; readonly values: Float64Array } | null;
  /** Response and reference node and direction, as `12 +X`. */
  readonly response: string;
  readonly reference: string;
}

const DIRECTIONS: Readonly<Record<number, string>> = {
  1: '+X',
  2: '+Y',
  3: '+Z',
  [-1]: '-X',
  [-2]: '-Y',
  [-3]: '-Z',
};
/** Codes of specific data types for ordinates: displacement, velocity, acceleration. */
const ORDINATE: Readonly<Record<number, ResponseKind>> = {
  8: 'receptance',
  11: 'mobility',
  12: 'accelerance',
};
const ORDINATE_CODE = { receptance: 8, mobility: 11, accelerance: 12 } as const;

function problem(field: string, value: unknown, allowed: string): InputError {
  return new InputError([{ field, value, allowed }]);
}

/**
 * Reads the data sets 58 (function at nodal degree of freedom, ASCII) of a universal file: real or complex, even or
 * uneven abscissa, single or double precision. SI units unless a data set 164 before it gives factors.
 * After the public description of the universal file format. Throws InputError naming set and record.
 */
export function readUniversalFile(text: string): UniversalSet[] {
  const lines = text.split(/\r\n|\r|\n/);
  const found: UniversalSet[] = [];
  let lengthFactor = 1;
  let forceFactor = 1;
  for (let i = 0; i < lines.length; i++) {
    if (lines[i]!.trim() !== '-1') continue;
    const id = lines[i + 1]?.trim() ?? '';
    let end = i + 2;
    while (end < lines.length && lines[end]!.trim() !== '-1') end++;
    if (end >= lines.length) throw problem(`data set at line ${i + 1}`, 'no end', 'a closing −1');
    const body = lines.slice(i + 2, end);
    if (id === '164') {
      const factors = numbersOf(body.slice(1).join(' '));
      lengthFactor = factors[0] || 1;
      forceFactor = factors[1] || 1;
    } else if (id.startsWith('58b')) {
      throw problem(`data set at line ${i + 1}`, '58b', '58 in ASCII');
    } else if (id === '58') found.push(readSet(body, found.length + 1, forceFactor / lengthFactor));
    i = end;
  }
  if (found.length === 0) throw problem('universal file', 'no data set 58', 'at least one function');
  return found;
}

/** Numbers of fixed or free columns; Fortran's D exponents too, and columns that touch. */
function numbersOf(text: string): number[] {
  return (text.match(/[-+]?\d*\.?\d+(?:[EDed][-+]?\d+)?/g) ?? []).map((t) => Number(t.replace(/[dD]/, 'e')));
}

function readSet(body: readonly string[], number: number, toSi: number): UniversalSet {
  const where = `data set ${number}`;
  if (body.length < 12) throw problem(where, `${body.length} records`, 'a heading of 11 records and data');
  const place = body[5]!;
  const functionType = Number(place.slice(0, 5));
  // Names may hold blanks: the node numbers are read from their fixed columns, or from the end of the record.
  const tail = /(\S+)\s+(-?\d+)\s+(-?\d+)\s+(\S+)\s+(-?\d+)\s+(-?\d+)\s*$/.exec(place);
  const [type, count, even, start, step] = numbersOf(body[6]!);
  if (type === undefined || count === undefined || !(count > 0)) {
    throw problem(`${where}, record 7`, body[6]!.trim(), 'data type, number of points, spacing');
  }
  const complexData = type === 5 || type === 6;
  const evenly = even === 1;
  const ordinate = numbersOf(body[8]!)[0] ?? 0;
  const data = numbersOf(body.slice(11).join(' '));
  const each = (complexData ? 2 : 1) + (evenly ? 0 : 1);
  if (data.length < count * each) {
    throw problem(`${where}, data`, `${data.length} numbers`, `${count * each} for ${count} points`);
  }
  const node = (group: number): string =>
    tail ? `${tail[group]} ${DIRECTIONS[Number(tail[group + 1])] ?? '?'}` : '?';
  const common = {
    name: body[0]!.trim(),
    functionType,
    response: node(2),
    reference: node(5),
  };
  const abscissa = (k: number): number => (evenly ? (start ?? 0) + k * (step ?? 1) : data[k * each]!);
  if (!complexData) {
    const values = Float64Array.from({ length: count }, (_, k) => data[k * each + (evenly ? 0 : 1)]!);
    return {
      ...common,
      kind: null,
      receptance: null,
      time: { step: evenly ? step! : abscissa(1) - abscissa(0), values },
    };
  }
  const kind = ORDINATE[ordinate];
  if (!kind) throw problem(`${where}, record 9`, ordinate, '8 displacement, 11 velocity or 12 acceleration');
  const at = (k: number, part: number): number => data[k * each + (evenly ? 0 : 1) + part]! * toSi;
  const receptance = toReceptance(kind, {
    hz: Float64Array.from({ length: count }, (_, k) => abscissa(k)),
    re: Float64Array.from({ length: count }, (_, k) => at(k, 0)),
    im: Float64Array.from({ length: count }, (_, k) => at(k, 1)),
  });
  requireResponse(receptance);
  return { ...common, kind, receptance, time: null };
}

const sci = (v: number, width = 13, digits = 5): string => {
  const [mantissa, exponent] = v.toExponential(digits).split('e');
  const e = Number(exponent);
  return `${mantissa}E${e < 0 ? '-' : '+'}${String(Math.abs(e)).padStart(2, '0')}`.padStart(width);
};

/** One frequency response as a universal file in SI units: data set 58, complex double precision. */
export function writeUniversalFile(
  g: Receptance,
  { name, kind = 'receptance', direction }: { name: string; kind?: ResponseKind; direction: 'x' | 'y' },
): string {
  const out = fromReceptance(kind, g);
  const steps = out.hz.length > 1 ? out.hz[1]! - out.hz[0]! : 1;
  const even = out.hz.every(
    (f, i) => i === 0 || Math.abs(f - out.hz[0]! - i * steps) < 1e-6 * steps * out.hz.length,
  );
  const axis = direction === 'x' ? 1 : 2;
  const int = (v: number, width: number): string => String(v).padStart(width);
  const kindRecord = (code: number, text: string): string =>
    `${int(code, 10)}${int(0, 5)}${int(0, 5)}${int(0, 5)} ${text.padEnd(20)} ${'NONE'.padEnd(20)}`;
  const data: string[] = [];
  out.hz.forEach((f, i) => {
    data.push((even ? '' : sci(f, 20, 11)) + sci(out.re[i]!, 20, 11) + sci(out.im[i]!, 20, 11));
  });
  const si = [
    '    -1',
    '   164',
    `${int(1, 10)}${'SI: Meter (newton)'.padEnd(20)}${int(2, 10)}`,
    [1, 1, 1].map((v) => sci(v, 25, 17).replace('E', 'D')).join(''),
    sci(273.15, 25, 17).replace('E', 'D'),
    '    -1',
  ];
  return [
    ...si,
    '    -1',
    '    58',
    name.slice(0, 80),
    'NONE',
    'NONE',
    'NONE',
    'NONE',
    `${int(4, 5)}${int(0, 10)}${int(0, 5)}${int(0, 10)} ${'NONE'.padEnd(10)}${int(1, 10)}${int(axis, 4)} ${'NONE'.padEnd(10)}${int(1, 10)}${int(axis, 4)}`,
    `${int(6, 10)}${int(out.hz.length, 10)}${int(even ? 1 : 0, 10)}${sci(out.hz[0]!)}${sci(even ? steps : 0)}${sci(0)}`,
    kindRecord(18, 'Frequency'),
    kindRecord(ORDINATE_CODE[kind], 'Response'),
    kindRecord(13, 'Force'),
    kindRecord(0, 'NONE'),
    ...data,
    '    -1',
    '',
  ].join('\n');
}
