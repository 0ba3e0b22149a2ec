import { ARC_SIDES, PROFILE_KINDS, type ProfileElement, type TurnedProfile } from '@burl/core';
import Papa from 'papaparse';
import { type DrawnPoint, profileOfPoints, type ReadProfile, refused } from './profile-of-points.ts';

const HEADS = ['kind', 'to diameter mm', 'length mm', 'radius mm', 'side'] as const;

/** A profile as a file: a line a piece, from the free end towards the jaws; the first line tells where it begins. */
export const profileCsv = ({ startMm, elements }: TurnedProfile): string =>
  `${Papa.unparse(
    [
      [...HEADS],
      ['start', startMm, 0, '', ''],
      ...elements.map((e) => [e.kind, e.toMm, e.lengthMm, e.radiusMm ?? '', e.kind === 'arc' ? e.side : '']),
    ],
    { newline: '\r\n' },
  )}\r\n`;

type Row = Readonly<Record<string, string | undefined>>;

/** A number of a cell, decimal comma allowed; NaN where there is none. */
const numberOf = (cell: string | undefined): number =>
  cell === undefined || cell.trim() === '' ? NaN : Number(cell.trim().replace(',', '.'));

/**
 * Reads a profile: either pieces as `profileCsv` writes them, or points with columns `z` and `d` (diameter) or `r` (radius), all in mm,
 * from the free end towards the jaws.
 */
export function profileFromCsv(text: string, inside: boolean): ReadProfile {
  const { data, meta } = Papa.parse<Row>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim().toLowerCase(),
  });
  const heads = meta.fields ?? [];
  if (heads.includes('kind')) return fromPieces(data);
  const across = ['d', 'diameter', 'd mm', 'x', 'r', 'radius', 'r mm'].find((h) => heads.includes(h));
  const along = ['z', 'z mm'].find((h) => heads.includes(h));
  if (!across || !along)
    return refused(
      `columns are ${heads.slice(0, 8).join(', ') || 'missing'}; allowed: z with d or r, or ${HEADS.join(', ')}`,
    );
  const factor = across.startsWith('r') ? 2 : 1;
  const points: DrawnPoint[] = [];
  for (const [i, row] of data.entries()) {
    const [z, d] = [numberOf(row[along]), factor * numberOf(row[across])];
    if (!Number.isFinite(z) || !Number.isFinite(d))
      return refused(`line ${i + 2}: ${along} and ${across} must be numbers, in mm`);
    points.push({ zMm: z, diameterMm: Math.abs(d), bulge: 0 });
  }
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return refused('a profile needs two points or more');
  // Towards the jaws z usually falls below the face, which is 0.
  const way = last.zMm < first.zMm ? -1 : 1;
  return profileOfPoints(
    points.map((p) => ({ ...p, zMm: way * (p.zMm - first.zMm) })),
    inside,
  );
}

function fromPieces(rows: readonly Row[]): ReadProfile {
  const elements: ProfileElement[] = [];
  let startMm = NaN;
  for (const [i, row] of rows.entries()) {
    const kind = row['kind']?.trim().toLowerCase();
    const [toMm, lengthMm] = [numberOf(row['to diameter mm']), numberOf(row['length mm'])];
    const radius = numberOf(row['radius mm']);
    if (!Number.isFinite(toMm)) return refused(`line ${i + 2}: “to diameter mm” must be a number`);
    if (kind === 'start' && i === 0) {
      startMm = toMm;
      continue;
    }
    const known = PROFILE_KINDS.find((k) => k === kind);
    if (!known)
      return refused(`line ${i + 2}: kind is ${kind || 'missing'}; allowed: ${PROFILE_KINDS.join(', ')}`);
    if (!Number.isFinite(lengthMm)) return refused(`line ${i + 2}: “length mm” must be a number`);
    if (known === 'arc' && !Number.isFinite(radius))
      return refused(`line ${i + 2}: “radius mm” of an arc must be a number`);
    const side = ARC_SIDES.find((s) => s === row['side']?.trim().toLowerCase()) ?? 'bulging';
    elements.push({ kind: known, toMm, lengthMm, radiusMm: known === 'arc' ? radius : null, side });
  }
  if (elements.length === 0) return refused('a profile needs a step, cone or arc');
  return {
    ok: true,
    profile: {
      startMm: Number.isFinite(startMm) ? startMm : elements[0]!.toMm,
      elements,
      skinMm: null,
      cornerMm: null,
    },
  };
}
