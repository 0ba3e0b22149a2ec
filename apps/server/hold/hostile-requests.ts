import fc from 'fast-check';
import type { HeldServer } from './held-server.ts';
import { below, none, type Row } from './row.ts';
import { jsonOf, signedIn, visitor } from './visitor.ts';

interface Schema {
  readonly type?: string;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly items?: Schema;
  readonly enum?: readonly unknown[];
}
interface Route {
  readonly method: string;
  readonly path: string;
  readonly body: Schema | null;
}
interface OpenApi {
  readonly paths: Record<
    string,
    Record<string, { requestBody?: { content?: Record<string, { schema?: Schema }> } }>
  >;
}

async function routesOf(url: string): Promise<Route[]> {
  const { paths } = jsonOf<OpenApi>(await visitor(url)('GET', '/api/openapi.json'));
  return Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, { requestBody }]) => ({
      method: method.toUpperCase(),
      path,
      body: Object.values(requestBody?.content ?? {})[0]?.schema ?? null,
    })),
  );
}

const anything: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    true,
    0,
    -1,
    1e308,
    -1e-308,
    2 ** 31,
    2 ** 53,
    '',
    ' ',
    '0',
    'NaN',
    '2026-02-31',
    '9999-99-99',
    '__proto__',
    "'; drop table jobs; --",
    '<script>alert(1)</script>',
    'a\u0000b',
    '\ud800',
    '../../etc/passwd',
    '\u202e',
    'x'.repeat(20_000),
    [],
    {},
    [[]],
    { constructor: { prototype: { x: 1 } } },
  ),
  fc.string({ unit: 'binary', maxLength: 40 }),
  fc.double(),
  fc.integer(),
  fc.array(fc.integer(), { maxLength: 30 }),
  fc.jsonValue({ maxDepth: 4 }),
);

/** A body of the right shape with anything in it, now and then with a field missing or one of its own. */
function bodyOf(schema: Schema | null): fc.Arbitrary<unknown> {
  if (!schema) return anything;
  if (schema.type === 'object' && schema.properties) {
    const fields = Object.fromEntries(Object.entries(schema.properties).map(([k, s]) => [k, bodyOf(s)]));
    return fc.oneof(
      { weight: 8, arbitrary: fc.record(fields, { requiredKeys: [] }) },
      { weight: 8, arbitrary: fc.record(fields) },
      { weight: 1, arbitrary: anything },
    );
  }
  if (schema.type === 'array')
    return fc.oneof(fc.array(bodyOf(schema.items ?? null), { maxLength: 6 }), anything);
  const usual = schema.enum
    ? fc.constantFrom(...schema.enum)
    : schema.type === 'string'
      ? fc.constantFrom('Ring', 'ti-6al-4v-annealed', 'axis5-24k', 'T-1')
      : fc.integer({ min: 0, max: 40 });
  return fc.oneof({ weight: 3, arbitrary: usual }, { weight: 2, arbitrary: anything });
}

const inPath = (ids: readonly string[]): fc.Arbitrary<string> =>
  fc.oneof(
    { weight: 5, arbitrary: fc.constantFrom(...ids) },
    {
      weight: 1,
      arbitrary: fc.constantFrom(
        '%00',
        '%ff',
        '..%2f..%2f',
        '0',
        'undefined',
        'a'.repeat(3000),
        '%F0%9F%92%A9',
        '__proto__',
      ),
    },
  );
const QUERIES = [
  '',
  '',
  '',
  '?paper=B5',
  '?units=cubits',
  '?a[]=1&a[]=2',
  '?__proto__[x]=1',
  `?${'q='.repeat(1000)}`,
];
const HEADERS: readonly Readonly<Record<string, string>>[] = [
  {},
  {},
  {},
  { 'content-type': 'text/plain' },
  { 'content-type': 'application/json; charset=koi8-r' },
  { 'if-none-match': '"'.repeat(99) },
  { origin: 'null' },
  { accept: '*/*;q=nan' },
  { 'x-forwarded-for': '999.1.1.1' },
];
const RAW = ['{', '[', '"', '{"a":1,"a":2', 'nul', '\u0000', '['.repeat(3000), '{"__proto__":{"x":1}}'];

const MOST_LOG = 4000;
const HANGS_MS = 10_000;

/** Requests nobody honest would send, made of the server's own description of itself. */
export async function holdHostileRequests(server: HeldServer, count: number, seed = 1): Promise<Row[]> {
  const routes = await routesOf(server.url);
  let engineer = await signedIn(server.url, 'engineer');
  const jobs = jsonOf<{ id: string }[]>(await engineer('GET', '/api/jobs')).map((j) => j.id);
  const inside = await Promise.all(jobs.map((id) => engineer('GET', `/api/jobs/${id}`)));
  const ids = [...new Set(inside.flatMap((a) => a.text.match(/[\da-f]{8}-[\da-f-]{27}/g) ?? []))].slice(
    0,
    60,
  );
  const request = fc.constantFrom(...routes).chain((route) =>
    fc.record({
      route: fc.constant(route),
      path: fc
        .array(inPath([...ids, 'alloys', 'cutters', '718-aged']), { minLength: 3, maxLength: 3 })
        .map((fill) => route.path.replace(/\{\w+\}/g, () => fill.pop() ?? '0')),
      query: fc.constantFrom(...QUERIES),
      headers: fc.constantFrom(...HEADERS),
      body: fc.oneof(
        { weight: 9, arbitrary: bodyOf(route.body) },
        { weight: 1, arbitrary: fc.constantFrom(...RAW).map((raw) => ({ raw })) },
      ),
    }),
  );
  const faults: string[] = [];
  const hung: string[] = [];
  let [slowest, loudest] = [0, 0];
  for (let done = 0; done < count; done += 4) {
    const before = server.log().length;
    const some = fc.sample(fc.noBias(request), { numRuns: 4, seed: seed + done });
    const answers = await Promise.all(
      some.map(({ route, path, query, headers, body }) => {
        const raw = (body as { raw?: string } | null)?.raw;
        const sent = route.method === 'GET' ? undefined : (raw ?? body ?? null);
        return engineer(route.method, path + query, sent, headers);
      }),
    );
    for (const [i, a] of answers.entries()) {
      const what = `${some[i]!.route.method} ${some[i]!.path.slice(0, 80)} ${JSON.stringify(some[i]!.body)?.slice(0, 200)}`;
      if (a.status >= 500) faults.push(`${a.status} ${what}`);
      if (a.status === 0 || a.ms > HANGS_MS) hung.push(`${Math.round(a.ms)} ms ${what}`);
      slowest = Math.max(slowest, a.ms);
    }
    loudest = Math.max(loudest, (server.log().length - before) / some.length);
    // Somebody signed out, or took away the password: begin again.
    if (answers.some((a) => a.status === 401))
      engineer = await signedIn(server.url, 'engineer').catch(() => engineer);
  }
  return [
    none('hostile requests answered with a fault of the server', faults, `${count}`),
    none('hostile requests that hang or break the connection', hung, `${count}`),
    below('slowest answer to one', slowest, HANGS_MS, 'ms'),
    below('log for one', loudest, MOST_LOG, 'bytes'),
  ];
}
