import { readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { describeProblem, InputError } from '@burl/core';
import { parseJobFile } from '@burl/contract';
import { evaluateFile, exitCodeOf, report } from './evaluate-file.ts';
import { borderOfFile, borderText } from './lobes-file.ts';
import { type ServerLink, signIn } from './server-link.ts';

const USAGE = `burl evaluate FILE [--json] [--inch]   judge a job file; exit 0 no limit over, 1 some limit over, 2 bad input
burl lobes FILE [--json]                border of stability of modes and a cut; see docs/examples
burl export NUMBER [--out FILE]        fetch a job from a server as a file
burl import FILE                       bring a job file to a server

export and import sign in with BURL_URL (default http://127.0.0.1:4180), BURL_EMAIL and BURL_PASSWORD.`;

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

async function main(): Promise<number> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      json: { type: 'boolean' },
      inch: { type: 'boolean' },
      out: { type: 'string' },
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
