import { CRIB_KINDS } from '@burl/contract';
import { holdEntries } from './entries.ts';
import { partnersOf, shippedCrib } from './shipped-crib.ts';

const kind = CRIB_KINDS.find((k) => k === process.argv[2])!;
const crib = shippedCrib();
process.send!(holdEntries(kind, partnersOf(crib), crib, Number(process.argv[3])));
