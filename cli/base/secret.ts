import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { privateFolder } from './paths.ts';
import { writeWhole } from './whole-file.ts';

/** Keeps a secret as the house's own, or under another name beside it. */
export const keepSecret = (secret: string, name = 'secret'): void =>
  writeWhole(join(privateFolder(), name), secret);

/** The house's secret for PIN hashes: made once, mode 0600, never in the repository. */
export function houseSecret(): string {
  const file = join(privateFolder(), 'secret');
  if (!existsSync(file)) writeWhole(file, randomBytes(32).toString('hex'));
  return readFileSync(file, 'utf8').trim();
}
