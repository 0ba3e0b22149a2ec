import type * as yup from 'yup';
import type { CribKind } from './crib-kinds.ts';
import { alloySchema } from './crib-schema/alloy.ts';
import { cutterSchema } from './crib-schema/cutter.ts';
import { holderSchema } from './crib-schema/holder.ts';
import { machineSchema } from './crib-schema/machine.ts';

export { coatingSchema, keyed, substrateSchema } from './crib-schema/materials.ts';
export { slug } from './crib-schema/parts.ts';
export { rangeOf } from './crib-schema/ranges.ts';

/** What an entry must have for the core to reckon with it; other fields are carried as they are. */
export const CRIB_SCHEMAS: Readonly<Record<CribKind, yup.ObjectSchema<Record<string, unknown>>>> = {
  alloys: alloySchema,
  machines: machineSchema,
  cutters: cutterSchema,
  holders: holderSchema,
};
