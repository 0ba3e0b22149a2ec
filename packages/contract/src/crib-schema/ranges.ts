import * as yup from 'yup';
import { valueAt } from '../crib-fields/entry-field.ts';
import type { CribKind } from '../crib-kinds.ts';
import { alloySchema } from './alloy.ts';
import { CUTTER_VALUES, cutterSchema } from './cutter.ts';
import { holderSchema } from './holder.ts';
import { machineSchema } from './machine.ts';
import type { Allowed } from './values.ts';

const SCHEMAS = {
  alloys: alloySchema,
  machines: machineSchema,
  cutters: cutterSchema,
  holders: holderSchema,
};

/** Smallest and largest a schema lets through; those of its first value where it is of several. */
function boundsOf(schema: yup.AnySchema): readonly [number, number] | null {
  const { tests } = schema.describe() as yup.SchemaDescription;
  const bound = (name: string): number | undefined => {
    const found = tests.find((t) => t.name === name)?.params?.[name];
    return typeof found === 'number' ? found : undefined;
  };
  const [low, high] = [bound('min'), bound('max')];
  return low === undefined || high === undefined ? null : [low, high];
}

/** What a number of an entry may be, in the core’s unit; null where the schema sets no bounds or the value is no number. */
export function rangeOf(kind: CribKind, path: string): readonly [low: number, high: number] | null {
  if (kind === 'cutters') {
    const [group = '', key = ''] = path.split('.');
    const { low, high } = (valueAt(CUTTER_VALUES, `${group}.${key}`) ?? {}) as Allowed;
    return low === undefined || high === undefined ? null : [low, high];
  }
  try {
    const at = yup.reach(SCHEMAS[kind], path) as yup.AnySchema;
    // Of a span what its middle may be.
    return boundsOf(at.type === 'object' ? (yup.reach(at, 'typical') as yup.AnySchema) : at);
  } catch {
    return null;
  }
}
