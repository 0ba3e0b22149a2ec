import { it } from 'vitest';
import { readFileSync } from 'node:fs';
import { crib } from './test/crib.ts';
it('x', () => {
  console.log(Object.keys(crib));
});
