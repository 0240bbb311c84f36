/** A release archive starts without a build and without the registry. Only with `--long`: packing takes a minute. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { StartedHouse } from './started-house.ts';

test.runIf(process.env['RUBRICA_LONG'] === 'yes')('packed, unpacked elsewhere, started', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'rubrica-archive-'));
  const archive = join(folder, 'release.tar.gz');
  const packed = spawnSync(join(process.cwd(), 'rubrica'), ['pack', archive], { encoding: 'utf8' });
  expect([packed.status, packed.stderr]).toEqual([0, expect.stringContaining('sha256')]);
  spawnSync('tar', ['xzf', archive, '-C', folder]);
  const name = readdirSync(folder).find((f) => f !== 'release.tar.gz') ?? '';
  const house = new StartedHouse(4397, [], join(folder, name), { npm_config_registry: 'http://127.0.0.1:1' });
  await house.begin();
  expect((await fetch(`${house.base}/pair`)).status).toBe(200);
  expect(house.said).not.toContain('building');
  expect(house.said).not.toContain('npm');
  await house.remove();
  rmSync(folder, { recursive: true, force: true });
});
