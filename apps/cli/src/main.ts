import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { describeProblem, InputError, rewriteProgram, speak, USUAL_REWRITE } from '@burl/core';
import { parseJobFile, parseStock } from '@burl/contract';
import { evaluateFile, exitCodeOf, report } from './evaluate-file.ts';
import { blockOf, checkFile, checkReport, exitCodeOfCheck, settingsOf } from './check-program.ts';
import { fromFile, fromSheet, type HeldAgainst } from './held-against.ts';
import { borderOfFile, borderText } from './lobes-file.ts';
import { type ServerLink, signIn } from './server-link.ts';

const USAGE = `burl evaluate FILE [--json] [--inch]   judge a job file; exit 0 no limit over, 1 some limit over, 2 bad input
burl lobes FILE [--json]                border of stability of modes and a cut; see docs/examples
burl check FILE --release JOB [--operation NAME] [--block x0,y0,z0,x1,y1,z1 | --stock STOCK.json] [--cell MM] [--json] [--inch]
                                        hold an NC program against a release; exit 0 clean, 1 something stops it, 2 bad input
burl rewrite FILE --release JOB --out FILE [--operation NAME] [--block …] [--hold chip|load] [--arcs MM]
                                        the same program with feeds that hold the released chip
burl export NUMBER [--out FILE]        fetch a job from a server as a file
burl import FILE                       bring a job file to a server

JOB is the number of a job with a released sheet on the server, or a job file.

export, import and a JOB by its number sign in with BURL_URL (default http://127.0.0.1:4180), BURL_EMAIL and BURL_PASSWORD.`;

class Usage extends Error {}

function read(path: string): string {
  try {
    return readFileSync(path === '-' ? 0 : path, 'utf8');
  } catch (error) {
    throw new InputError([
      {
        field: 'FILE',
        value: path,
        allowed: `a file that can be read (${(error as NodeJS.ErrnoException).code ?? 'error'})`,
      },
    ]);
  }
}

function link(): Promise<ServerLink> {
  const { BURL_URL: url = 'http://127.0.0.1:4180', BURL_EMAIL: email, BURL_PASSWORD: password } = process.env;
  if (!email || !password) throw new Usage('BURL_EMAIL and BURL_PASSWORD are not set');
  return signIn({ url, email, password });
}

/** The operations a program is held against: of a job file, or of the sheet of a job on the server. */
async function heldAgainst(job: string | undefined, operation: string | undefined): Promise<HeldAgainst> {
  if (!job) throw new Usage('--release names no job');
  if (existsSync(job)) return fromFile(parseJobFile(read(job)), operation);
  const server = await link();
  const found = (await server.jobs(job)).find((j) => j.number === job);
  if (!found)
    throw new InputError([
      { field: '--release', value: job, allowed: 'the number of a job on the server, or a job file' },
    ]);
  return fromSheet(await server.sheet(found.id), await server.crib(), operation);
}

/** Cell of the grid in mm. Throws an InputError. */
function cellOf(text: string | undefined): number {
  const cell = text === undefined ? 0.25 : Number(text);
  if (!(cell >= 0.02 && cell <= 5))
    throw new InputError([{ field: '--cell', value: text ?? '', allowed: '0.02 to 5 mm' }]);
  return cell;
}

/** A program that is to be read has to be there. */
function requireFile(path: string): void {
  if (!existsSync(path))
    throw new InputError([{ field: 'FILE', value: path, allowed: 'a file that can be read (ENOENT)' }]);
}

interface ProgramOptions {
  readonly release?: string | undefined;
  readonly operation?: string | undefined;
  readonly block?: string | undefined;
  readonly stock?: string | undefined;
  readonly cell?: string | undefined;
}
async function checkSettings(path: string, o: ProgramOptions) {
  requireFile(path);
  const held = await heldAgainst(o.release, o.operation);
  return settingsOf({
    path,
    operations: held.operations,
    stock:
      o.stock !== undefined ? parseStock(read(o.stock)) : o.block !== undefined ? blockOf(o.block) : null,
    cellMm: cellOf(o.cell),
    inheritance: { alloys: held.alloys },
  });
}

async function check(
  path: string,
  o: ProgramOptions & { json?: boolean | undefined; inch?: boolean | undefined },
): Promise<number> {
  const { settings, assumed } = await checkSettings(path, o);
  const began = performance.now();
  const result = await checkFile(path, settings);
  const seconds = (performance.now() - began) / 1000;
  const system = o.inch ? 'inch' : 'metric';
  const findings = result.findings.map((f) => ({
    ...f,
    what: speak(f.what, system),
    remedy: speak(f.remedy, system),
  }));
  console.log(
    o.json
      ? JSON.stringify({ ...result, findings, stock: settings.stock, stockAssumed: assumed }, null, 2)
      : checkReport(result, assumed, seconds, system),
  );
  return exitCodeOfCheck(result.findings);
}

async function rewrite(
  path: string,
  o: ProgramOptions & { out?: string | undefined; hold?: string | undefined; arcs?: string | undefined },
): Promise<number> {
  if (!o.out) throw new Usage('rewrite wants --out FILE');
  if (o.hold !== undefined && o.hold !== 'chip' && o.hold !== 'load')
    throw new InputError([{ field: '--hold', value: o.hold, allowed: 'chip or load' }]);
  const arcs = o.arcs === undefined ? null : Number(o.arcs);
  if (arcs !== null && !(arcs > 0 && arcs <= 1))
    throw new InputError([{ field: '--arcs', value: o.arcs ?? '', allowed: 'over 0 to 1 mm' }]);
  const { settings } = await checkSettings(path, o);
  const done = rewriteProgram(readFileSync(path, 'latin1'), settings, {
    ...USUAL_REWRITE,
    hold: o.hold ?? 'chip',
    arcToleranceMm: arcs,
  });
  writeFileSync(o.out, done.text, 'latin1');
  for (const c of done.changes)
    console.log(`${c.line}: ${c.before}  ->  ${c.after.join(' | ') || '(gone)'}  ${c.why}`);
  console.log(
    `${done.changes.length} lines changed; ${done.minutesBefore.toFixed(1)} -> ${done.minutesAfter.toFixed(1)} min, ${done.bytesBefore} -> ${done.bytesAfter} bytes${done.arcs ? `, ${done.arcs} arcs` : ''}`,
  );
  return 0;
}

async function main(): Promise<number> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      json: { type: 'boolean' },
      inch: { type: 'boolean' },
      out: { type: 'string' },
      release: { type: 'string' },
      operation: { type: 'string' },
      block: { type: 'string' },
      stock: { type: 'string' },
      cell: { type: 'string' },
      hold: { type: 'string' },
      arcs: { type: 'string' },
      help: { type: 'boolean' },
    },
  });
  const [command, target] = positionals;
  if (values.help) {
    console.log(USAGE);
    return 0;
  }
  if (!target) throw new Usage(command ? `${command} wants a file or a number` : 'nothing to do');
  switch (command) {
    case 'evaluate': {
      const file = parseJobFile(read(target));
      const all = evaluateFile(file);
      console.log(
        values.json
          ? JSON.stringify({ job: file.job, operations: all }, null, 2)
          : report(file, all, values.inch ? 'inch' : 'metric'),
      );
      return exitCodeOf(all);
    }
    case 'lobes': {
      const border = borderOfFile(read(target));
      console.log(values.json ? JSON.stringify(border, null, 2) : borderText(border));
      return 0;
    }
    case 'check':
      return check(target, values);
    case 'rewrite':
      return rewrite(target, values);
    case 'export': {
      const server = await link();
      const job = (await server.jobs(target)).find((j) => j.number === target);
      if (!job)
        throw new InputError([
          { field: 'NUMBER', value: target, allowed: 'the number of a job on the server' },
        ]);
      const text = `${JSON.stringify(await server.exportJob(job.id), null, 2)}\n`;
      if (values.out) writeFileSync(values.out, text);
      else process.stdout.write(text);
      return 0;
    }
    case 'import': {
      const file = parseJobFile(read(target));
      const made = await (await link()).importJob(file);
      console.log(`${made.number} is on the desk as ${made.id}`);
      return 0;
    }
    default:
      throw new Usage(`there is no command ${command}`);
  }
}

main().then(
  (code) => (process.exitCode = code),
  (error: unknown) => {
    if (error instanceof InputError) for (const p of error.problems) console.error(describeProblem(p));
    else console.error((error as Error).message);
    if (error instanceof Usage || (error as { code?: string }).code?.startsWith('ERR_PARSE_ARGS'))
      console.error(`\n${USAGE}`);
    process.exitCode = 2;
  },
);
