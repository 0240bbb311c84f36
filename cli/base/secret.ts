import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { privateFolder } from './paths.ts';
import { writeWhole } from './whole-file.ts';

/** The house's secret for PIN hashes: made once, mode 0600, never in the repository. */
export function houseSecret(): string {
  const file = join(privateFolder(), 'secret');
  if (!existsSync(file)) writeWhole(file, randomBytes(32).toString('hex'));
  return readFileSync(file, 'utf8').trim();
}
