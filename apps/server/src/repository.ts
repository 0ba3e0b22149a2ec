import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** Folder of the repository, found upwards from this file, so that source and bundle both find their data. */
export function repositoryRoot(from = import.meta.dirname): string {
  const manifest = join(from, 'package.json');
  if (
    existsSync(manifest) &&
    (JSON.parse(readFileSync(manifest, 'utf8')) as { name?: string }).name === 'burl'
  ) {
    return from;
  }
  const parent = dirname(from);
  if (parent === from) throw new Error('package.json of burl not found above the server');
  return repositoryRoot(parent);
}
