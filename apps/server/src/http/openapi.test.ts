import { decisionSchema, jobFieldsSchema, operationInputSchema, routeOrderSchema } from '@burl/contract';
import { describe, expect, it } from 'vitest';
import { describeSchema } from './openapi.ts';

describe('description of a body', () => {
  it('carries types, bounds, patterns and what is required', () => {
    const d = describeSchema(jobFieldsSchema) as {
      required: string[];
      properties: Record<string, Record<string, unknown>>;
    };
    expect(d.required).toContain('quantity');
    expect(d.properties['quantity']).toEqual({ type: 'integer', minimum: 1, maximum: 100000 });
    expect(d.properties['number']).toMatchObject({ type: 'string', maxLength: 40 });
    expect(d.properties['due']).toMatchObject({ nullable: true, pattern: '^\\d{4}-\\d{2}-\\d{2}$' });
  });

  it('carries choices and nests lists', () => {
    const d = describeSchema(decisionSchema) as { properties: Record<string, unknown> };
    expect(d.properties['decision']).toEqual({ type: 'string', enum: ['release', 'return'] });
    const order = JSON.stringify(describeSchema(routeOrderSchema));
    expect(order).toContain('"items":{"type":"object","properties":{"id":{"type":"string"');
  });

  it('points at the file format for an operation', () => {
    const d = describeSchema(operationInputSchema) as { properties: Record<string, unknown> };
    expect(d.properties['document']).toEqual({ description: 'an operation, see the job file format' });
  });
});
