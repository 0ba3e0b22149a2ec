import type * as yup from 'yup';

interface Described {
  readonly type: string;
  readonly nullable?: boolean;
  readonly oneOf?: readonly unknown[];
  readonly fields?: Readonly<Record<string, Described>>;
  readonly innerType?: Described;
  readonly tests?: readonly { readonly name?: string; readonly params?: Readonly<Record<string, unknown>> }[];
  readonly optional?: boolean;
}

/** JSON Schema of a Yup schema, for the API's description. A lazy schema is described as an open object. */
export function describeSchema(schema: yup.Schema): Record<string, unknown> {
  return fromDescription(schema.describe() as unknown as Described);
}

function fromDescription(d: Described): Record<string, unknown> {
  const out: Record<string, unknown> = {};
  switch (d.type) {
    case 'object': {
      out['type'] = 'object';
      const fields = Object.entries(d.fields ?? {});
      out['properties'] = Object.fromEntries(fields.map(([name, field]) => [name, fromDescription(field)]));
      const required = fields.filter(([, f]) => f.optional === false).map(([name]) => name);
      if (required.length > 0) out['required'] = required;
      break;
    }
    case 'array':
      out['type'] = 'array';
      out['items'] = d.innerType ? fromDescription(d.innerType) : {};
      break;
    case 'number':
      out['type'] = d.tests?.some((t) => t.name === 'integer') ? 'integer' : 'number';
      break;
    case 'string':
    case 'boolean':
      out['type'] = d.type;
      break;
    default:
      return { description: d.type === 'lazy' ? 'an operation, see the job file format' : 'any' };
  }
  for (const test of d.tests ?? []) {
    if (test.name === 'min' && d.type === 'number') out['minimum'] = test.params?.['min'];
    if (test.name === 'max' && d.type === 'number') out['maximum'] = test.params?.['max'];
    if (test.name === 'max' && d.type === 'string') out['maxLength'] = test.params?.['max'];
    if (test.name === 'matches')
      out['pattern'] = String(test.params?.['regex']).replace(/^\/|\/[a-z]*$/g, '');
  }
  if (d.oneOf && d.oneOf.length > 0) out['enum'] = d.oneOf;
  if (d.nullable) out['nullable'] = true;
  return out;
}
