import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { InputError, rewriteProgram, speak, USUAL_REWRITE } from '@burl/core';
import { parseJobFile, parseStock } from '@burl/contract';
import { blockOf, checkFile, checkReport, exitCodeOfCheck, settingsOf } from './check-program.ts';
import { fromFile, fromSheet, type HeldAgainst } from './held-against.ts';
import { link, read, Usage } from './input.ts';

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
    blank: held.blank,
    cellMm: cellOf(o.cell),
    inheritance: { alloys: held.alloys },
  });
}

/** `burl check`: holds a program against a release. The exit code. */
export async function check(
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

/** `burl rewrite`: the same program with the feeds of the release. The exit code. */
export async function rewrite(
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
