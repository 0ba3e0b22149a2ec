import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { repositoryRoot } from '../repository.ts';

/** What works numbers out and draws sheets: this program and the data it ships with, as a hash. Another one may answer otherwise. */
export function programHash(): string {
  const data = join(repositoryRoot(), 'packages/core/data');
  const hash = createHash('sha256');
  const built = join(import.meta.dirname, 'worker.js');
  hash.update(existsSync(built) ? readFileSync(built) : 'source');
  for (const name of readdirSync(data).sort())
    if (name.endsWith('.json')) hash.update(readFileSync(join(data, name)));
  return hash.digest('hex').slice(0, 16);
}
