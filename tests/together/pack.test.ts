/** A release archive starts without a build and without the registry. Only with `--long`: packing takes a minute. */
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { LONG } from '../../src/runs-for-tests.ts';
import { runProgram, runRubrica } from '../integration/run-program.ts';
import { StartedHouse } from './started-house.ts';

test.runIf(LONG)('packed, unpacked elsewhere, started', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'rubrica-archive-'));
  const archive = join(folder, 'release.tar.gz');
  const packed = await runRubrica(['pack', archive]);
  expect([packed.status, packed.stderr]).toEqual([0, expect.stringContaining('sha256')]);
  const listed = (await runProgram('tar', ['tzvf', archive])).stdout.trim().split('\n');
  // Unpacked by root, it is read by whom it runs as.
  expect(listed.filter((line) => !/^(d.{3}r.xr.x|-.{3}r..r..|l)/.test(line))).toEqual([]);
  // It needs nothing of where it was made.
  expect(listed.filter((line) => / -> \//.test(line))).toEqual([]);
  await runProgram('tar', ['xzf', archive, '-C', folder]);
  const name = readdirSync(folder).find((f) => f !== 'release.tar.gz') ?? '';
  const unpacked = join(folder, name);
  // Its commands are translated already, with nothing at hand that could translate them.
  const version = await runProgram(join(unpacked, 'rubrica'), ['--version']);
  expect(version).toMatchObject({ status: 0, stdout: expect.stringContaining('Rubrica') as string });
  expect(readdirSync(join(unpacked, 'node_modules'))).not.toContain('esbuild');
  const house = new StartedHouse(4397, [], unpacked, { npm_config_registry: 'http://127.0.0.1:1' });
  await house.begin();
  expect((await fetch(`${house.base}/pair`)).status).toBe(200);
  expect(house.said).not.toContain('building');
  expect(house.said).not.toContain('npm');
  await house.remove();
  rmSync(folder, { recursive: true, force: true });
});
