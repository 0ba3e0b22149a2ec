// npm run kernel: compiles the inner loops of packages/core/kernel and writes them where the core reads them. `--check` only compares.
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from './postgres.mjs';
import { runTool } from './install.mjs';

const CORE = join(ROOT, 'packages/core');
const CODE = join(CORE, 'src/numerics/kernel-code.ts');

const folder = mkdtempSync(join(tmpdir(), 'burl-kernel-'));
try {
  const out = join(folder, 'kernel.wasm');
  const options = ['-O3', '--enable', 'simd', '--runtime', 'stub', '--noAssert', '--use', 'abort='];
  const done = runTool('asc', ['index.ts', ...options, '-o', out], { cwd: join(CORE, 'kernel') });
  if (done.status !== 0) throw new Error('compiling the kernel failed');
  const text = `/** Written by npm run kernel from packages/core/kernel: WebAssembly, base 64. */
export const CODE =
  '${readFileSync(out).toString('base64')}';
`;
  if (!process.argv.includes('--check')) writeFileSync(CODE, text);
  else if (readFileSync(CODE, 'utf8') !== text) {
    throw new Error('kernel-code.ts is not what packages/core/kernel compiles to: npm run kernel');
  }
} finally {
  rmSync(folder, { recursive: true });
}
