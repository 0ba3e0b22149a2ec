import { parentPort, workerData } from 'node:worker_threads';
import type { CribKind } from '@burl/contract';
import { holdEntries } from './entries.ts';
import { partnersOf, shippedCrib } from './shipped-crib.ts';

const { kind, count } = workerData as { readonly kind: CribKind; readonly count: number };
const crib = shippedCrib();
parentPort!.postMessage(holdEntries(kind, partnersOf(crib), crib, count));
