import { isTurnedOperation } from '../../operations/lathe/turned-kinds.ts';
import { isHole } from '../../operations/hole-operation.ts';
import { InputError } from '../../units/input-error.ts';
import type { ProgramOperation } from '../find/expected.ts';
import { writeCase } from './write-case.ts';
import { writeHoles } from './write-holes.ts';
import { isRing, roundEdge } from './write-rings.ts';
import { MILLED } from './write-milling.ts';
import type { WriteSettings, Written, WrittenProgram } from './write-settings.ts';

/** What can be written for an operation. */
export function writtenFor({ document }: Pick<ProgramOperation, 'document'>): readonly Written[] {
  if (isTurnedOperation(document)) return [];
  if (document.kind === 'edge-milling') return document.edge.form === 'engraving' ? [] : ['round-edge'];
  if (document.kind !== 'milling') return ['holes'];
  if (document.feature.undercut) return isRing(document) ? ['ring-groove'] : [];
  // What a finisher finds is nothing a straight cut into full stock says.
  if (document.feature.finishing) return [];
  const slot = document.feature.kind === 'slot' || document.path.strategy === 'trochoidal';
  const inside = document.feature.kind === 'pocket' || document.feature.kind === 'slot';
  return [
    ...(document.feature.kind === 'pocket' ? (['round-pocket'] as const) : []),
    ...(slot ? (['trochoidal-slot'] as const) : []),
    ...(inside ? (['ramp', 'helix'] as const) : []),
    'speed-ladder',
  ];
}

/**
 * Writes a program with the numbers of an operation. Zero is on the part's top. Throws an InputError where there is nothing to write at,
 * or the operation has no such program.
 */
export function writeProgram(operation: ProgramOperation, settings: WriteSettings): WrittenProgram {
  const { what, places } = settings;
  if (places.length === 0)
    throw new InputError([{ field: 'places', value: 0, allowed: 'one place or more, X and Y in mm' }]);
  if (!writtenFor(operation).includes(what))
    throw new InputError([{ field: 'what', value: what, allowed: writtenFor(operation).join(', ') }]);
  const c = writeCase(operation, settings);
  const { document } = c;
  if (isHole(document)) return writeHoles({ ...c, document });
  if (document.kind === 'edge-milling') return roundEdge({ ...c, document });
  if (isTurnedOperation(document))
    throw new RangeError(`invalid kind; nothing is written for ${document.kind}`);
  if (what === 'holes' || what === 'round-edge')
    throw new RangeError(`invalid program; a mill has none of ${what}`);
  return MILLED[what]({ ...c, document });
}
