import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';

const root = resolve(import.meta.dirname, '../../..');
const bonnet = join(root, 'docs/examples/wellhead-bonnet.burl.json');
const hub = join(root, 'docs/examples/pitch-lock-hub.burl.json');
const folder = mkdtempSync(join(tmpdir(), 'burl-cli-'));
/** The command as it is shipped: one file, several times as quick to start as its sources. */
const program = join(folder, 'burl.js');
beforeAll(() => {
  const cwd = join(root, 'apps/cli');
  const built = spawnSync(
    join(root, 'node_modules/.bin/vite'),
    ['build', '--logLevel', 'warn', '--outDir', folder],
    { cwd, encoding: 'utf8' },
  );
  if (built.status !== 0) throw new Error(`the command could not be built: ${built.stderr}`);
}, 60_000);
afterAll(() => rmSync(folder, { recursive: true }));

function burl(args: readonly string[], options: { env?: Record<string, string>; input?: string } = {}) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [program, ...args], {
    encoding: 'utf8',
    env: { ...process.env, ...options.env },
    ...(options.input === undefined ? {} : { input: options.input }),
  });
  return { status, stdout, stderr };
}

describe('burl lobes', () => {
  const benchmark = join(root, 'docs/examples/two-flute-benchmark.json');

  it('prints the border of the published benchmark, flips told apart', () => {
    const { status, stdout } = burl(['lobes', benchmark]);
    expect(stdout).toMatch(
      / {6}5000 {5}2\.2\d\d.*hopf\n {5}10000 {5}4\.09\d.*flip\n {5}15000 {5}8\.2\d\d.*flip/,
    );
    expect(status).toBe(0);
  });

  it('names what is wrong in a file', () => {
    const file = JSON.parse(readFileSync(benchmark, 'utf8')) as { cut: { tangential: number } };
    file.cut.tangential = -1;
    const { status, stderr } = burl(['lobes', '-'], { input: JSON.stringify(file) });
    expect(stderr).toMatch(/cut\.tangential is -1/);
    expect(status).toBe(2);
    expect(burl(['lobes', '-'], { input: 'no' }).stderr).toMatch(/FILE .* allowed: JSON/);
  });
});

describe('burl evaluate', () => {
  it('says what is over and ends with 1', () => {
    const { status, stdout } = burl(['evaluate', bonnet]);
    expect(stdout).toMatch(/OVER\s+Setup 1, top \/ Rough seal pocket A\n\s+n 1,060 rpm/);
    expect(stdout).toMatch(/over\s+wall deflection: Deflection off the wall 0\.\d+ mm/);
    expect(status).toBe(1);
  });

  it('ends with 0 when nothing is over, in inch when asked', () => {
    const { status, stdout } = burl(['evaluate', hub, '--inch']);
    expect(stdout).toMatch(/vf [\d.]+ ipm/);
    expect(status).toBe(0);
  });

  it('gives everything as JSON, from standard input too', () => {
    const { status, stdout } = burl(['evaluate', '-', '--json'], { input: readFileSync(hub, 'utf8') });
    const { operations } = JSON.parse(stdout) as {
      operations: { name: string; evaluation: { limits: { why: { text: string } }[] } }[];
    };
    expect(operations).toHaveLength(4);
    expect(operations[0]!.evaluation.limits[0]!.why.text).toContain('{0}');
    expect(status).toBe(0);
  });

  it.each([
    ['no file', ['evaluate'], /wants a file/],
    [
      'a file that is not there',
      ['evaluate', 'nowhere.json'],
      /FILE is "nowhere\.json"; allowed: a file that can be read \(ENOENT\)/,
    ],
    ['an unknown command', ['polish', bonnet], /no command polish/],
    ['an unknown option', ['evaluate', bonnet, '--gold'], /--gold/],
  ])('ends with 2 on %s', (_what, args, message) => {
    const { status, stderr } = burl(args);
    expect(stderr).toMatch(message);
    expect(status).toBe(2);
  });

  it('ends with 2 on an impossible cut and names the field', () => {
    const file = join(folder, 'impossible.json');
    writeFileSync(
      file,
      readFileSync(bonnet, 'utf8').replace('"radialEngagementMm": 40', '"radialEngagementMm": 400'),
    );
    const { status, stderr } = burl(['evaluate', file]);
    expect(stderr).toMatch(/cut\.radialEngagementMm is 400; allowed: 0 to 63 mm/);
    expect(status).toBe(2);
  });
});

describe('burl export and import', () => {
  let server: Server;
  let url = '';
  const received: { path: string; cookie: string | undefined; body: string }[] = [];

  beforeAll(async () => {
    server = createServer((request, response) => {
      let body = '';
      request.on('data', (chunk: Buffer) => (body += chunk.toString()));
      request.on('end', () => {
        received.push({ path: request.url ?? '', cookie: request.headers.cookie, body });
        const answer = (status: number, data: unknown): void => {
          response
            .writeHead(status, { 'content-type': 'application/json', 'set-cookie': 'burl=abc; HttpOnly' })
            .end(JSON.stringify(data));
        };
        if (request.url === '/api/session') {
          const right = (JSON.parse(body) as { password: string }).password === 'right';
          return answer(right ? 200 : 401, right ? {} : { message: 'Wrong email or password.' });
        }
        if (request.url?.startsWith('/api/jobs?search='))
          return answer(200, [{ id: 'j1', number: 'GW-1187' }]);
        if (request.url === '/api/jobs/j1/export')
          return answer(200, JSON.parse(readFileSync(bonnet, 'utf8')));
        if (request.url === '/api/jobs/import') return answer(201, { job: { id: 'j2', number: 'GW-1187' } });
        return answer(404, { message: 'nothing here' });
      });
    });
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
    url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(() => server.close());

  /** The command runs beside this process, since the server it talks to is in it. */
  async function burlBeside(args: readonly string[], password = 'right') {
    const { spawn } = await import('node:child_process');
    const child = spawn(process.execPath, [program, ...args], {
      env: { ...process.env, BURL_URL: url, BURL_EMAIL: 'a@b.example', BURL_PASSWORD: password },
    });
    let [stdout, stderr] = ['', ''];
    child.stdout.on('data', (c: Buffer) => (stdout += c.toString()));
    child.stderr.on('data', (c: Buffer) => (stderr += c.toString()));
    const status = await new Promise<number | null>((done) => child.on('close', done));
    return { status, stdout, stderr };
  }

  it('writes the file the server gives', async () => {
    const out = join(folder, 'out.json');
    const { status } = await burlBeside(['export', 'GW-1187', '--out', out]);
    expect(status).toBe(0);
    expect(JSON.parse(readFileSync(out, 'utf8'))).toEqual(JSON.parse(readFileSync(bonnet, 'utf8')));
    expect(received.find((r) => r.path.startsWith('/api/jobs?search='))?.cookie).toBe('burl=abc');
  });

  it('sends a file after reading it itself', async () => {
    const { status, stdout } = await burlBeside(['import', bonnet]);
    expect([status, stdout]).toEqual([0, 'GW-1187 is on the desk as j2\n']);
    expect(JSON.parse(received.at(-1)!.body)).toEqual(JSON.parse(readFileSync(bonnet, 'utf8')));
  });

  it('passes on what the server says, and which number it does not know', async () => {
    const wrong = await burlBeside(['export', 'GW-1187'], 'wrong');
    expect([wrong.status, wrong.stderr]).toEqual([2, 'Wrong email or password.\n']);
    const unknown = await burlBeside(['export', 'XX-1']);
    expect([unknown.status, unknown.stderr]).toEqual([2, expect.stringMatching(/NUMBER is "XX-1"/)]);
  });
});

describe('burl check and rewrite', () => {
  const wall = join(folder, 'wall.nc');
  const LINES = [
    'O1187 (RETURN WALL)',
    'G21 G90 G17',
    'T4 M6',
    'S2600 M3',
    'G43 H4',
    'G0 X95 Y-5 Z20',
    'M8',
    'G0 Z-12',
    'G1 X-15 F780',
    'G0 Z20',
    'M30',
    '',
  ];
  writeFileSync(wall, LINES.join('\r\n'));
  const held = ['--release', bonnet, '--operation', 'seal pocket', '--block', '0,0,-30,80,50,0'];

  it('names what differs by its line, and ends with 1', () => {
    const { status, stdout } = burl(['check', wall, ...held]);
    expect(stdout).toMatch(/fault line 9: Spindle speed over the release\..*2,600.rpm.*1,060.rpm/);
    expect(stdout).toMatch(/moves a second; grid 0\.25 mm/);
    expect(status).toBe(1);
  });

  it('as JSON it says all of it', () => {
    const { stdout } = burl(['check', wall, ...held, '--json']);
    const found = JSON.parse(stdout) as {
      findings: { rule: string; line: number }[];
      stockAssumed: string | null;
    };
    expect(found.findings[0]).toMatchObject({ line: 9 });
    expect(found.stockAssumed).toBeNull();
  });

  it('rewrites to what is clean, nothing else touched', () => {
    const out = join(folder, 'wall-2.nc');
    const { status, stdout } = burl(['rewrite', wall, ...held, '--out', out]);
    expect(stdout).toMatch(/4: S2600 M3 {2}-> {2}S1060 M3/);
    expect(status).toBe(0);
    expect(readFileSync(out, 'latin1').replace(/S1060|F\d+/g, '')).toBe(
      LINES.join('\r\n').replace(/S2600|F\d+/g, ''),
    );
    expect(burl(['check', out, ...held]).status).toBe(0);
  });

  it.each([
    [['check', 'none.nc', '--release', bonnet], /FILE .*none\.nc/],
    [['check', wall, '--release', bonnet, '--operation', 'keyway'], /--operation .*Rough seal pocket/],
    [
      ['check', wall, ...held.slice(0, 4), '--block', '0,0,0,1,1,-1'],
      /--block .*each second one over its first/,
    ],
    [['rewrite', wall, ...held], /wants --out/],
  ])('%j is refused', (args, told) => {
    const { status, stderr } = burl(args);
    expect(stderr).toMatch(told);
    expect(status).toBe(2);
  });
});
