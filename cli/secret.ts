import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { privateFolder } from './paths.ts';

/** The house's secret for PIN hashes: made once, mode 0600, never in the repository. */
export function houseSecret(): string {
  const file = join(privateFolder(), 'secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
  return readFileSync(file, 'utf8').trim();
}
