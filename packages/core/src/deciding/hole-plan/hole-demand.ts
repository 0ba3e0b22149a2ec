import { InputError, type InputProblem, outOfRange } from '../../units/input-error.ts';
import type { Unit } from '../../units/unit.ts';
import type { ThreadForm } from '../../physics/holes/hole.ts';
import { gradeWidth } from '../../physics/holes/hole-accuracy.ts';
import { threadOf } from '../../physics/threads/thread-table.ts';

/** How holes of one kind lie; lengths in mm. */
export type HolePattern =
  | { readonly kind: 'single' }
  | { readonly kind: 'row'; readonly count: number; readonly pitchMm: number }
  | { readonly kind: 'circle'; readonly count: number; readonly diameterMm: number }
  | {
      readonly kind: 'grid';
      readonly columns: number;
      readonly rows: number;
      readonly columnPitchMm: number;
      readonly rowPitchMm: number;
    }
  | { readonly kind: 'scattered'; readonly count: number; readonly betweenMm: number };

/** A kind of hole as the drawing and the part ask for it. */
export interface HoleDemand {
  readonly name: string;
  /** Designation by its standard; null for a plain hole. */
  readonly thread: string | null;
  /** Of a plain hole, mm; of a thread the designation decides. */
  readonly diameterMm: number;
  /** Depth of the full diameter, or of full threads, mm. */
  readonly depthMm: number;
  /** Depth of the hole below a thread, mm; null takes what the tool needs. */
  readonly drilledDepthMm: number | null;
  readonly through: boolean;
  /** ISO 286 grade of the diameter; null where any will do. */
  readonly grade: number | null;
  readonly raUm: number | null;
  readonly straightnessMm: number | null;
  readonly entrySurface: 'flat' | 'curved';
  readonly entryAngleDeg: number;
  readonly exitAngleDeg: number;
  readonly crossHoles: number;
  /** Width of the chamfer at the mouth, mm; 0 for none. */
  readonly chamferMm: number;
  readonly pattern: HolePattern;
  /** What the part is worth at that moment; null is not stated. */
  readonly partValue: number | null;
}

/** A hole one would begin with. */
export const PLAIN_DEMAND: HoleDemand = {
  name: 'Hole',
  thread: null,
  diameterMm: 8,
  depthMm: 24,
  drilledDepthMm: null,
  through: false,
  grade: null,
  raUm: null,
  straightnessMm: null,
  entrySurface: 'flat',
  entryAngleDeg: 0,
  exitAngleDeg: 0,
  crossHoles: 0,
  chamferMm: 0,
  pattern: { kind: 'single' },
  partValue: null,
};

export function countOf(p: HolePattern): number {
  return p.kind === 'single' ? 1 : p.kind === 'grid' ? p.columns * p.rows : p.count;
}

/** Mean way from one hole to the next, mm. */
export function wayBetween(p: HolePattern): number {
  switch (p.kind) {
    case 'single':
      return 40;
    case 'row':
      return p.pitchMm;
    case 'circle':
      return p.count > 1 ? p.diameterMm * Math.sin(Math.PI / p.count) : 40;
    case 'grid':
      // To and fro along the rows, one step down at each end.
      return p.columns > 1 ? (p.columnPitchMm * (p.columns - 1) + p.rowPitchMm) / p.columns : p.rowPitchMm;
    case 'scattered':
      return p.betweenMm;
  }
}

/** Thread of a demand; null for a plain hole. Throws on a designation no table knows. */
export const threadWanted = (d: HoleDemand): ThreadForm | null =>
  d.thread === null ? null : threadOf(d.thread);

/** Diameter the finished feature has, mm. */
export const nominalOf = (d: HoleDemand): number => threadWanted(d)?.majorMm ?? d.diameterMm;

/** Width of the tolerance, mm; null where none is asked. */
export const toleranceOf = (d: HoleDemand): number | null =>
  d.grade === null || d.thread !== null ? null : gradeWidth(d.grade, d.diameterMm);

/** Throws an InputError naming every field of a demand that cannot be. */
export function requireDemand(d: HoleDemand): void {
  const problems: InputProblem[] = [];
  const within = (field: string, value: number | null, least: number, most: number, unit: Unit): void => {
    if (value !== null && !(value >= least && value <= most))
      problems.push(outOfRange(field, value, { least, most, unit }));
  };
  within('diameterMm', d.diameterMm, 0.5, 500, 'mm');
  let size = d.diameterMm;
  try {
    size = nominalOf(d);
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    problems.push(...error.problems);
  }
  // Depth is measured by the hole's size; where that is nonsense it is the problem.
  within('depthMm', d.depthMm, 0.2, size > 0 ? Number((60 * size).toPrecision(6)) : 30_000, 'mm');
  within('drilledDepthMm', d.drilledDepthMm, d.depthMm, d.depthMm + 200, 'mm');
  within('grade', d.grade, 5, 14, 'ratio');
  within('raUm', d.raUm, 0.05, 50, 'um');
  within('straightnessMm', d.straightnessMm, 0.001, 10, 'mm');
  within('entryAngleDeg', d.entryAngleDeg, 0, 60, 'deg');
  within('exitAngleDeg', d.exitAngleDeg, 0, 80, 'deg');
  within('crossHoles', d.crossHoles, 0, 50, 'ratio');
  within('chamferMm', d.chamferMm, 0, 10, 'mm');
  within('partValue', d.partValue, 0, 1e8, 'money');
  within('pattern', countOf(d.pattern), 1, 5000, 'pieces');
  within('betweenMm', wayBetween(d.pattern), 0, 5000, 'mm');
  if (problems.length > 0) throw new InputError(problems);
}
