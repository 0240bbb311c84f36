import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './base/paths.ts';

/** What `npm run check` asks, each with its own program. */
const CHECKS: ReadonlyArray<readonly [name: string, script: string]> = [
  ['types', 'types'],
  ['lint', 'lint'],
  ['architecture', 'arch'],
  ['format', 'format'],
  ['dead code', 'dead'],
  ['made pages', 'docs:check'],
];

function run(script: string): Promise<{ code: number; words: string }> {
  return new Promise((resolve) => {
    const child = spawn('npm', ['run', '--silent', script], {
      cwd: ROOT,
      env: { ...process.env, PATH: `${join(ROOT, 'node_modules/.bin')}:${process.env['PATH'] ?? ''}` },
    });
    let words = '';
    child.stdout.on('data', (d: Buffer) => (words += d.toString()));
    child.stderr.on('data', (d: Buffer) => (words += d.toString()));
    child.once('exit', (code) => resolve({ code: code ?? 1, words }));
  });
}

let failed = 0;
for (const [name, script] of CHECKS) {
  const began = Date.now();
  const { code, words } = await run(script);
  process.stdout.write(
    `${code === 0 ? 'ok  ' : 'FAIL'} ${name} (${((Date.now() - began) / 1000).toFixed(1)} s)\n`,
  );
  if (code !== 0) {
    failed++;
    process.stdout.write(`${words}\n`);
  }
}
process.exit(failed === 0 ? 0 : 1);
