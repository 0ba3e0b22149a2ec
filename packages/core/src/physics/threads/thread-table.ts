import type { ThreadForm } from '../holes/hole.ts';
import { InputError } from '../../units/input-error.ts';

/** A family of threads by its standard. */
export interface ThreadSeries {
  readonly id: string;
  readonly name: string;
  readonly standard: string;
  readonly threads: readonly ThreadForm[];
}

const INCH = 25.4;
const metric = (rows: string): ThreadForm[] =>
  rows
    .trim()
    .split(/\s+/)
    .map((row) => {
      const [designation = '', pitch] = row.split('/');
      const [major, fine] = designation.slice(1).split('x').map(Number);
      return { designation, majorMm: major!, pitchMm: fine ?? Number(pitch), flankDeg: 60, taper: 0 };
    });

/** Rows of `name:diameter in inches:threads per inch`. */
const inch = (label: string, rows: string, more: Partial<ThreadForm> = {}): ThreadForm[] =>
  rows
    .trim()
    .split(/\s+/)
    .map((row) => {
      const [size = '', diameter, tpi] = row.split(':');
      return {
        designation: more.taper ? `${size} ${label}` : `${size}-${tpi} ${label}`,
        majorMm: Number(diameter) * INCH,
        pitchMm: INCH / Number(tpi),
        flankDeg: 60,
        taper: 0,
        ...more,
      };
    });

/** Rows of `size:diameter in mm:threads per inch`; ISO 228-1. */
const pipe = (rows: string): ThreadForm[] =>
  rows
    .trim()
    .split(/\s+/)
    .map((row) => {
      const [size = '', diameter, tpi] = row.split(':');
      return {
        designation: `G ${size}`,
        majorMm: Number(diameter),
        pitchMm: INCH / Number(tpi),
        flankDeg: 55,
        taper: 0,
      };
    });

/** Sizes of the open standards; every other dimension is computed from diameter and pitch. */
export const THREAD_SERIES: readonly ThreadSeries[] = [
  {
    id: 'metric-coarse',
    name: 'Metric coarse',
    standard: 'ISO 261, ISO 724',
    threads: metric(
      'M1.6/0.35 M2/0.4 M2.5/0.45 M3/0.5 M4/0.7 M5/0.8 M6/1 M8/1.25 M10/1.5 M12/1.75 M14/2 M16/2 M18/2.5 M20/2.5 M22/2.5 M24/3 M27/3 M30/3.5 M33/3.5 M36/4',
    ),
  },
  {
    id: 'metric-fine',
    name: 'Metric fine',
    standard: 'ISO 261, ISO 724',
    threads: metric(
      'M8x1 M10x1 M10x1.25 M12x1.25 M12x1.5 M14x1.5 M16x1.5 M18x1.5 M20x1.5 M20x2 M24x2 M27x2 M30x2 M36x3',
    ),
  },
  {
    id: 'unc',
    name: 'UNC',
    standard: 'ASME B1.1',
    threads: inch(
      'UNC',
      '#4:0.112:40 #6:0.138:32 #8:0.164:32 #10:0.19:24 1/4:0.25:20 5/16:0.3125:18 3/8:0.375:16 7/16:0.4375:14 1/2:0.5:13 9/16:0.5625:12 5/8:0.625:11 3/4:0.75:10 7/8:0.875:9 1:1:8',
    ),
  },
  {
    id: 'unf',
    name: 'UNF',
    standard: 'ASME B1.1',
    threads: inch(
      'UNF',
      '#4:0.112:48 #6:0.138:40 #8:0.164:36 #10:0.19:32 1/4:0.25:28 5/16:0.3125:24 3/8:0.375:24 7/16:0.4375:20 1/2:0.5:20 9/16:0.5625:18 5/8:0.625:18 3/4:0.75:16 7/8:0.875:14 1:1:12',
    ),
  },
  {
    id: 'unef',
    name: 'UNEF',
    standard: 'ASME B1.1',
    threads: inch(
      'UNEF',
      '#12:0.216:32 1/4:0.25:32 5/16:0.3125:32 3/8:0.375:32 7/16:0.4375:28 1/2:0.5:28 9/16:0.5625:24 5/8:0.625:24 3/4:0.75:20 7/8:0.875:20 1:1:20',
    ),
  },
  {
    id: 'g',
    name: 'G (BSPP)',
    standard: 'ISO 228-1',
    threads: pipe(
      '1/8:9.728:28 1/4:13.157:19 3/8:16.662:19 1/2:20.955:14 5/8:22.911:14 3/4:26.441:14 1:33.249:11 1-1/4:41.91:11 1-1/2:47.803:11 2:59.614:11',
    ),
  },
  {
    id: 'npt',
    name: 'NPT',
    standard: 'ASME B1.20.1',
    threads: inch(
      'NPT',
      '1/16:0.3125:27 1/8:0.405:27 1/4:0.54:18 3/8:0.675:18 1/2:0.84:14 3/4:1.05:14 1:1.315:11.5 1-1/4:1.66:11.5 1-1/2:1.9:11.5 2:2.375:11.5',
      { taper: 1 / 16 },
    ),
  },
];

const bare = (designation: string): string =>
  designation
    .toUpperCase()
    .replace(/[×*]/g, 'X')
    .replace(/[\s-]/g, '')
    .replace(/(?:UNC|UNF|UNEF)$/, '');

/**
 * A thread by its designation, as people write it: `M6`, `M8x1`, `M8 × 1.25`, `1/4-20 UNC`, `G 1/4`, `1/8 NPT`.
 * Throws an InputError for anything that is none of the tables'.
 */
export function threadOf(designation: string): ThreadForm {
  const wanted = bare(designation);
  for (const { threads } of THREAD_SERIES) {
    for (const t of threads) {
      const coarse = t.flankDeg === 60 && t.taper === 0 && t.designation.startsWith('M');
      if (bare(t.designation) === wanted || (coarse && wanted === `M${t.majorMm}X${t.pitchMm}`)) return t;
    }
  }
  throw new InputError([
    {
      field: 'thread',
      value: designation,
      allowed: 'a thread of the tables, like M6, M8x1, 1/4-20 UNC, G 1/4, 1/8 NPT',
    },
  ]);
}
