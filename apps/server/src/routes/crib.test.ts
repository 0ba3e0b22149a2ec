import type { Crib, CribEntry, EntryDeed, ImportReport, Job, JobDetail, Stock } from '@burl/contract';
import type { Cutter, Holder } from '@burl/core';
import { CUTTER_FAMILIES, ofFamily } from '@burl/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, startTestServer, type TestServer } from '../../test/client.ts';

let server: TestServer;
let engineer: Caller;
let floor: Caller;
beforeAll(async () => {
  server = await startTestServer();
  engineer = await server.as('engineer');
  floor = await server.as('floor');
});
afterAll(() => server.stop());

const cribNow = async (): Promise<Crib> => (await engineer('GET', '/api/crib')).json<Crib>();
const cutterNow = async (id: string) => (await cribNow()).cutters.find((c) => c.id === id)!;
const made = (name: string): Cutter => {
  const { cutter } = ofFamily(CUTTER_FAMILIES[0]!, { ground: 'titanium', diameter: 12, flutes: 5 });
  return { ...cutter, id: name, name };
};
const importOf = async (kind: string, text: string, dryRun = false, format = 'csv') => {
  const answer = await engineer('POST', `/api/crib/${kind}/import`, { format, text, dryRun });
  expect(answer.statusCode, answer.body.slice(0, 300)).toBe(200);
  return answer.json<ImportReport>();
};

describe('an entry of the shop', () => {
  it('is made from a family, refused where it cannot be, and found at once', async () => {
    const document = made('our-five-flute');
    const answer = await engineer('POST', '/api/crib/cutters/new', { document, madeBy: 'family: end mill' });
    expect(answer.statusCode).toBe(201);
    const twice = await engineer('POST', '/api/crib/cutters/new', { document });
    expect(twice.statusCode).toBe(422);
    const neck = { ...document, id: 'wide-neck', properties: { ...document.properties, DN: 14 } };
    const wide = await engineer('POST', '/api/crib/cutters/new', { document: neck });
    expect([wide.statusCode, wide.body]).toEqual([400, expect.stringContaining('properties.DN')]);
    const coat = { ...document, id: 'no-coat', extended: { ...document.extended, coating: 'unobtainium' } };
    const coated = await engineer('POST', '/api/crib/cutters/new', { document: coat });
    expect([coated.statusCode, coated.body]).toEqual([422, expect.stringContaining('extended.coating')]);
    const found = (await floor('GET', '/api/crib/cutters/search?q=our%20five')).json<CribEntry[]>();
    expect(found.map((e) => e.id)).toEqual(['our-five-flute']);
    expect((await floor('POST', '/api/crib/cutters/new', { document })).statusCode).toBe(403);
  });

  it('says who changed which value, from what to what, when and why', async () => {
    const { version, document } = await cutterNow('our-five-flute');
    const next = { ...document, properties: { ...document.properties, LU: 40 } };
    const reason = 'measured on the presetter';
    const saved = await engineer('PUT', '/api/crib/cutters/our-five-flute', {
      version,
      document: next,
      reason,
    });
    expect(saved.statusCode).toBe(200);
    const deeds = (await floor('GET', '/api/crib/cutters/our-five-flute/history')).json<EntryDeed[]>();
    expect(deeds.map((d) => d.action)).toEqual(['changed crib entry', 'made crib entry']);
    expect(deeds[0]).toMatchObject({ person: 'Ada Eder', reason });
    expect(deeds[0]!.changes).toEqual([{ path: 'properties.LU', before: 36, after: 40 }]);
    expect(deeds[1]!.reason).toBe('family: end mill');
  });

  it('is retired without breaking the job that names it, and brought back', async () => {
    const before = await cutterNow('em-bull-12-z5-re0.5-var');
    const put = (version: number, retired: boolean) =>
      engineer('PUT', '/api/crib/cutters/em-bull-12-z5-re0.5-var/retired', {
        version,
        retired,
        reason: 'nobody grinds it any more',
      });
    const gone = await put(before.version, true);
    expect(gone.json<CribEntry>()).toMatchObject({ retired: true, document: before.document });
    expect((await put(before.version, true)).statusCode).toBe(409);
    const found = await floor('GET', '/api/crib/cutters/search?q=em-bull-12-z5-re0.5-var');
    expect(found.json()).toEqual([]);
    const jobs = (await engineer('GET', '/api/jobs')).json<Job[]>();
    const details = await Promise.all(
      jobs.map(async (j) => (await engineer('GET', `/api/jobs/${j.id}`)).json<JobDetail>()),
    );
    expect(JSON.stringify(details)).toContain('em-bull-12-z5-re0.5-var');
    expect(jobs.length).toBeGreaterThan(3);
    expect((await put(before.version + 1, false)).json<CribEntry>().retired).toBe(false);
  });
});

describe('the shelf', () => {
  const count = (caller: Caller, body: Partial<Stock>) =>
    caller('PUT', '/api/crib/cutters/em-flat-6-z4/stock', {
      edges: 3,
      place: 'Drawer 7',
      price: 31.5,
      ...body,
    });

  it('is counted once by whoever is first, and known to everybody', async () => {
    expect((await count(engineer, { version: 0 })).json<Stock>()).toMatchObject({ edges: 3, version: 1 });
    const late = await count(engineer, { version: 0, edges: 9 });
    expect([late.statusCode, late.json<{ current: Stock }>().current.edges]).toEqual([409, 3]);
    expect((await count(engineer, { version: 1, edges: 2 })).json<Stock>().version).toBe(2);
    expect((await cribNow()).stock.find((s) => s.cutterId === 'em-flat-6-z4')).toMatchObject({
      edges: 2,
      place: 'Drawer 7',
      price: 31.5,
    });
    for (const wrong of [{ edges: -1 }, { edges: 1.5 }, { price: -3 }, { place: 'x'.repeat(81) }])
      expect((await count(engineer, { version: 2, ...wrong })).statusCode).toBe(400);
    expect((await count(floor, { version: 2 })).statusCode).toBe(403);
  });

  it('bears on every job that names the tool: the last one taken is said on the list of jobs', async () => {
    const list = async () => {
      const jobs = (await engineer('GET', '/api/jobs')).json<
        { id: string; number: string; governing: { limit: string } | null }[]
      >();
      return jobs.find((j) => j.number === 'TT-0420')!;
    };
    const job = await list();
    const detail = (await engineer('GET', `/api/jobs/${job.id}`)).json<JobDetail>();
    const [operation] = detail.setups.flatMap((s) => s.operations);
    const variant = operation!.variants.find((v) => v.label === operation!.selected)!;
    const { cutterId } = variant.document.tooling;
    const saved = await engineer('PUT', `/api/variants/${variant.id}`, {
      version: variant.version,
      document: { ...variant.document, edgesOnShelf: null },
    });
    expect(saved.statusCode, saved.body.slice(0, 200)).toBe(200);
    const shelf = (await cribNow()).stock.find((s) => s.cutterId === cutterId);
    const counted = await engineer('PUT', `/api/crib/cutters/${cutterId}/stock`, {
      version: shelf?.version ?? 0,
      edges: 0,
      place: 'Cabinet 2',
      price: null,
    });
    expect(counted.statusCode).toBe(200);
    expect((await list()).governing?.limit).toBe('edges in stock');
  });
});

describe('a search of the crib', () => {
  it.each([
    ['12 5fl titanium', 'em-titanium-12-z5'],
    ['6 hard 6fl', 'em-hard-6-z6'],
    ['drill 6.8 5xd', 'drill-6.8-5xd'],
    ['M6 spiral-flute', 'tap-m6-spiral-flute'],
    ['#4-40', 'tap-4-40-unc-spiral-flute'],
  ])('%s', async (q, id) => {
    const found = (await engineer('GET', `/api/crib/cutters/search?q=${encodeURIComponent(q)}`)).json<
      CribEntry[]
    >();
    expect(found.map((e) => e.id)).toContain(id);
  });

  it('finds machines and holders by kind and spindle, alloys by what they are called', async () => {
    const found = async (kind: string, q: string): Promise<CribEntry[]> =>
      (await engineer('GET', `/api/crib/${kind}/search?q=${encodeURIComponent(q)}`)).json<CribEntry[]>();
    expect((await found('machines', '5-axis')).map((e) => e.id)).toEqual(['axis5-24k']);
    expect((await found('holders', 'hydraulic bt40')).map((e) => e.id)).toContain('hydraulic-12-90');
    expect((await found('alloys', 'tc4')).length).toBeGreaterThan(0);
  });

  it('takes nothing for a pattern, and answers no more than asked', async () => {
    for (const q of ['.*', '(', '[a-', '\\', "'; drop table cutters; --", '%', ' '])
      expect((await engineer('GET', `/api/crib/cutters/search?q=${encodeURIComponent(q)}`)).statusCode).toBe(
        200,
      );
    expect((await engineer('GET', '/api/crib/cutters/search?q=mill&most=5')).json()).toHaveLength(5);
    expect((await engineer('GET', '/api/crib/cutters/search?q=mill&most=5000')).statusCode).toBe(400);
  });
});

describe('a file of tools', () => {
  const TEN = [
    'Name,Type,Diameter,Flutes,Corner radius [mm],ISO groups,Edges in stock,Place,Price of an edge',
    'Shop 10 alu,flat end mill,10,3,,N,12,Drawer 1,38',
    'Shop 10 Ti,bull nose,10,5,0.5,S M,6,Drawer 1,72.5',
    'Shop ball,ball nose,6,2,,P,4,Drawer 2,29',
    'Shop drill,drill,8.5,,,P M K,10,Drawer 3,48',
    'Shop face,face mill,50,,,P,1,Shelf,240',
  ].join('\n');

  it('is told first, then brought in; what a row leaves out follows from its family', async () => {
    const told = await importOf('cutters', TEN, true);
    expect(told).toMatchObject({
      rows: 5,
      saved: false,
      counts: { added: 5, changed: 0, shelves: 0 },
      problems: [],
    });
    expect((await cribNow()).cutters.some((c) => c.document.name === 'Shop 10 alu')).toBe(false);
    const report = await importOf('cutters', TEN);
    expect(report).toMatchObject({ saved: true, counts: { added: 5 } });
    const crib = await cribNow();
    const of = (name: string) => crib.cutters.find((c) => c.document.name === name)!;
    expect(of('Shop 10 Ti').document).toMatchObject({
      type: 'end_mill_bull',
      properties: { DC: 10, ZEFP: 5, RE: 0.5, DCONMS: 10 },
      suits_iso_groups: ['S', 'M'],
      extended: { coating: 'altin' },
    });
    expect(of('Shop drill').document.extended.fr_window_mm_per_rev).toBeDefined();
    expect(crib.stock.find((s) => s.cutterId === of('Shop drill').id)).toMatchObject({
      edges: 10,
      place: 'Drawer 3',
      price: 48,
    });
  });

  it('the same again changes nothing; another value changes that entry, and the trail says so', async () => {
    const again = await importOf('cutters', TEN);
    expect(again).toMatchObject({ counts: { added: 0, changed: 0 }, same: 5 });
    const counted = await importOf('cutters', 'Name,Edges in stock,Place\nShop 10 alu,7,Drawer 11');
    expect(counted).toMatchObject({ counts: { added: 0, changed: 0, shelves: 1 }, saved: true });
    const shelf = (await cribNow()).stock.find((s) => s.place === 'Drawer 11')!;
    expect(shelf).toMatchObject({ edges: 7, price: null });
    const next = await importOf('cutters', 'Name,Overall length\nShop 10 alu,80');
    expect(next).toMatchObject({ changed: ['Shop 10 alu'], saved: true });
    const entry = (await cribNow()).cutters.find((c) => c.document.name === 'Shop 10 alu')!;
    expect(entry.document.properties).toMatchObject({ OAL: 80, DC: 10, ZEFP: 3 });
    const [deed] = (await engineer('GET', `/api/crib/cutters/${entry.id}/history`)).json<EntryDeed[]>();
    expect(deed!.changes[0]).toMatchObject({ path: 'properties.OAL', after: 80 });
  });

  it('comes in whole or not at all, with every error by row and column', async () => {
    const before = (await cribNow()).cutters.length;
    const report = await importOf(
      'cutters',
      [
        'Name,Type,DC,Flutes,Coating,Ramp',
        'Good,end mill,8,4,AlTiN,',
        'No number,end mill,eight,4,,',
        'Too wide,end mill,700,4,,',
        'What,flux capacitor,8,4,,',
        'Coat,end mill,8,4,goo,',
        'Half a tooth,end mill,8,3.5,,',
        ',end mill,8,2,,',
      ].join('\n'),
    );
    expect(report.saved).toBe(false);
    expect(report.unread).toEqual(['Ramp']);
    expect(report.problems.map((p) => [p.row, p.column])).toEqual([
      [3, 'DC'],
      [4, 'DC'],
      [5, 'Type'],
      [6, 'Coating'],
      [7, 'Flutes'],
    ]);
    expect(report.problems[1]!.allowed).toContain('32');
    expect((await cribNow()).cutters.length).toBe(before);
  });

  it('reads inches, decimal commas and fractions', async () => {
    const inch = await importOf(
      'cutters',
      'Name;Type;DC [in];Flutes\nHalf inch;end mill;1/2;4\nQuarter;end mill;0,25;2',
    );
    expect(inch.problems).toEqual([]);
    const crib = await cribNow();
    const d = (name: string) => crib.cutters.find((c) => c.document.name === name)!.document.properties.DC;
    expect([d('Half inch'), d('Quarter')]).toEqual([12.7, 6.35]);
  });

  it('what goes out as CSV comes in again as it was, and holders do too', async () => {
    const out = await engineer('GET', '/api/crib/cutters/export?format=csv');
    expect(out.headers['content-type']).toContain('text/csv');
    expect(out.body.split('\r\n')[0]).toContain('DC [mm]');
    const back = await importOf('cutters', out.body, true);
    expect([back.problems, back.counts.added, back.counts.changed, back.same]).toEqual([[], 0, 0, back.rows]);
    const report = await importOf(
      'holders',
      'Name,Kind,Spindles it fits,DCONWS min,DCONWS max,Gauge length\nOur shrink 6,shrink,BT30;BT40,6,6,80',
    );
    expect([report.problems, report.saved]).toEqual([[], true]);
    const holders = (await engineer('GET', '/api/crib/holders')).json<CribEntry<'holders'>[]>();
    const ours: Holder = holders.find((h) => h.document.name === 'Our shrink 6')!.document;
    expect([ours.bore_diameter_mm, ours.gauge_length_mm, ours.nose_diameter_mm]).toEqual([[6, 6], 80, 21]);
    const json = await engineer('GET', '/api/crib/holders/export?format=json');
    expect(await importOf('holders', json.body, true, 'json')).toMatchObject({ problems: [], same: 1 });
  });

  it('leaves built-in entries alone, and takes no formula for a name', async () => {
    const built = await importOf('cutters', 'Id,Overall length\nem-flat-6-z4,90');
    expect(built.problems[0]).toMatchObject({
      row: 2,
      allowed: expect.stringContaining('built-in') as string,
    });
    await importOf('cutters', 'Name,Type,DC,Flutes\n"=cmd()",end mill,3,2');
    const out = (await engineer('GET', '/api/crib/cutters/export?format=csv')).body;
    expect(out).toContain("'=cmd()");
    expect((await importOf('cutters', out, true)).counts).toMatchObject({ added: 0, changed: 0 });
  });

  it('numbers its rows as the spreadsheet does, and takes no name twice', async () => {
    const report = await importOf(
      'cutters',
      'Name,Type,DC,Flutes\n\nTwin,end mill,6,2\n,,,\nTwin,end mill,8,2\nOther,end mill,x,2',
      true,
    );
    expect(report.problems.map((p) => [p.row, p.column])).toEqual([
      [5, 'Name'],
      [6, 'DC'],
    ]);
    expect(report.rows).toBe(3);
  });

  it('takes no key that belongs to every object', async () => {
    const text = '{"cutters":[{"id":"shop-x","name":"X","__proto__":{"type":"end_mill_flat"}}]}';
    const report = await importOf('cutters', text, true, 'json');
    expect(report.problems.length).toBeGreaterThan(0);
    expect(report.counts.added).toBe(0);
  });

  it('is refused where it is something else', async () => {
    for (const [format, text] of [
      ['json', '{'],
      ['json', '{"photo":1}'],
      ['csv', 'a photo'],
    ] as const)
      expect((await importOf('cutters', text, true, format)).problems.length).toBeGreaterThan(0);
    const floorMay = await floor('POST', '/api/crib/cutters/import', {
      format: 'csv',
      text: TEN,
      dryRun: true,
    });
    expect(floorMay.statusCode).toBe(403);
  });
});
