import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type ContextSource, fileSource, requireContext, resolveContext } from './context.ts';
import { operationsOf, parseJobFile } from './job-file.ts';

const file = parseJobFile(
  readFileSync(new URL('../../../docs/examples/wellhead-bonnet.burl.json', import.meta.url), 'utf8'),
);
const { operation } = operationsOf(file)[0]!;
const source = fileSource(file);
/** The source with the operation's cutter made of something else. */
const madeOfOther = (change: { substrate?: string; coating?: string }): ContextSource => ({
  ...source,
  cutters: source.cutters.map((c) =>
    c.id === operation.tooling.cutterId ? { ...c, extended: { ...c.extended, ...change } } : c,
  ),
});
const missing = (from: ContextSource, op = operation) => {
  const found = resolveContext(op, from);
  return 'missing' in found ? found.missing : [];
};

describe('context of an operation', () => {
  it('has the entries the operation names, and the batch', () => {
    const context = requireContext(operation, { ...source, quantity: 7 });
    expect(context.alloy.id).toBe(operation.alloyId);
    expect(context.cutter.id).toBe(operation.tooling.cutterId);
    expect(context.substrate).toBe(source.substrates[context.cutter.extended.substrate]);
    expect(context.quantity).toBe(7);
    expect('resonance' in context).toBe(false);
  });

  it('names everything that is missing at once, with what is there', () => {
    const found = missing({ ...source, alloys: [], holders: [] });
    expect(found.map((p) => p.field)).toEqual(['alloyId', 'tooling.holderId']);
    expect(found[0]).toMatchObject({
      value: operation.alloyId,
      allowed: 'an entry of the crib (none is there)',
    });
    expect(() => requireContext(operation, { ...source, machines: [] }, 'setups[0]')).toThrow(
      /setups\[0\]\.machineId/,
    );
  });

  it.each(['constructor', '__proto__', 'toString', 'no-such'])(
    'takes own keys only: nothing is made or coated of %s',
    (id) => {
      expect(missing(madeOfOther({ substrate: id }))).toMatchObject([
        { field: 'cutter.extended.substrate', value: id },
      ]);
      expect(missing(madeOfOther({ substrate: id, coating: id })).map((p) => p.field)).toEqual([
        'cutter.extended.substrate',
        'cutter.extended.coating',
      ]);
    },
  );
});
