import { outerDiameter } from '../../crib/cutter.ts';
import type { Operation } from '../../operations/operation.ts';
import { block, type Stock } from '../engage/stock.ts';
import type { ProgramOperation } from '../find/expected.ts';
import { type ProgramFrame, USUAL_FRAME } from './frame.ts';
import type { Place } from './place.ts';
import type { WriteSettings } from './write-settings.ts';

/** Room left of the material round what is cut, mm. */
export const ROOM = 10;

/** A block round places, its top at zero. */
export const around = (places: readonly Place[], reach: number, low: number, holes: Stock['holes']): Stock =>
  block(
    [Math.min(...places.map((p) => p.x)) - reach, Math.min(...places.map((p) => p.y)) - reach, low],
    [Math.max(...places.map((p) => p.x)) + reach, Math.max(...places.map((p) => p.y)) + reach, 0],
    holes,
  );

/** Everything a written program is made of. Lengths in mm. */
export interface WriteCase<O extends Operation = Operation> {
  readonly operation: ProgramOperation;
  readonly document: O;
  readonly settings: WriteSettings;
  readonly frame: ProgramFrame;
  readonly toolMm: number;
  readonly teeth: number;
  /** Of a mill, mm/min: of the straight cut, or where the edge cuts the wall. */
  readonly feedMmMin: number;
}

export function writeCase(operation: ProgramOperation, settings: WriteSettings): WriteCase {
  const { document, context } = operation;
  const { cutter } = context;
  const teeth = cutter.properties.ZEFP ?? cutter.properties.NOF ?? 1;
  const fz = 'feedPerToothMm' in document.cut ? document.cut.feedPerToothMm : 0;
  return {
    operation,
    document,
    settings,
    frame: {
      ...USUAL_FRAME,
      number: settings.number,
      title: settings.title,
      tool: operation.tool ?? 1,
      workOffset: operation.workOffset || 'G54',
      speedRpm: document.cut.speedRpm,
      coolant: document.coolant !== 'dry',
    },
    toolMm: outerDiameter(cutter),
    teeth,
    feedMmMin: document.cut.speedRpm * teeth * fz,
  };
}
