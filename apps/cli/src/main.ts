import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { describeProblem, InputError } from '@burl/core';
import { parseJobFile } from '@burl/contract';
import { evaluateFile, exitCodeOf, report } from './evaluate-file.ts';
import { link, read, Usage } from './input.ts';
import { borderOfFile, borderText } from './lobes-file.ts';
import { check, rewrite } from './program-commands.ts';

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
