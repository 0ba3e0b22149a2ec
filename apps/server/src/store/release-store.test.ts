import { readFileSync } from 'node:fs';
import { evaluate } from '@burl/core';
import { fileSource, operationsOf, parseJobFile, type ReleaseSnapshot, requireContext } from '@burl/contract';
import { describe, expect, it } from 'vitest';
import { compare } from './release-store.ts';

const file = parseJobFile(
  readFileSync(new URL('../../../../docs/examples/wellhead-bonnet.burl.json', import.meta.url), 'utf8'),
);
const snapshot: ReleaseSnapshot = {
  job: file.job,
  operations: operationsOf(file)
    .filter((o) => o.selected)
    .map(({ name, operation }, i) => ({
      operationId: `op${i}`,
      setup: 'Setup 1',
      name,
      variant: 'A',
      document: operation,
      context: requireContext(operation, fileSource(file)),
      evaluation: evaluate(operation, requireContext(operation, fileSource(file))),
    })),
};
const [first, ...others] = snapshot.operations as [
  (typeof snapshot.operations)[0],
  ...(typeof snapshot.operations)[0][],
];

describe('differences between releases', () => {
  it('are none between equals', () => {
    expect(compare(snapshot, snapshot)).toEqual([]);
  });

  it('name what was changed by its path, operation by operation, and facts of the job first', () => {
    const changed = { ...first, name: 'Face it', document: { ...first.document, coolant: 'mist' as const } };
    const after: ReleaseSnapshot = {
      job: { ...snapshot.job, quantity: 99 },
      operations: [changed, ...others],
    };
    expect(compare(snapshot, after)).toEqual([
      {
        operationId: 'job',
        name: 'Job',
        kind: 'changed',
        differences: [{ path: 'quantity', before: 12, after: 99 }],
      },
      {
        operationId: 'op0',
        name: 'Face it',
        kind: 'changed',
        differences: [
          { path: 'coolant', before: 'flood', after: 'mist' },
          { path: 'name', before: first.name, after: 'Face it' },
        ],
      },
    ]);
  });

  it('show what came and what went', () => {
    const fewer: ReleaseSnapshot = { ...snapshot, operations: others };
    expect(compare(snapshot, fewer)).toEqual([
      { operationId: 'op0', name: first.name, kind: 'removed', differences: [] },
    ]);
    expect(compare(fewer, snapshot)).toEqual([
      { operationId: 'op0', name: first.name, kind: 'added', differences: [] },
    ]);
  });
});
