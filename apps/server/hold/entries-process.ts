import { join } from 'node:path';
import { CRIB_KINDS } from '@burl/contract';
import { holdEntries } from './entries.ts';
import { shippedCrib } from '../../../packages/contract/test/shipped-crib.ts';
import { repositoryRoot } from '../src/repository.ts';
import { partnersIn } from '../src/work/try-entry.ts';

const kind = CRIB_KINDS.find((k) => k === process.argv[2])!;
const crib = shippedCrib(join(repositoryRoot(), 'packages/core/data'));
process.send!(holdEntries(kind, partnersIn(crib), crib, Number(process.argv[3])));
