import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { privateFolder } from './paths.ts';
import { writeWhole } from './whole-file.ts';

/** Keeps a secret as the house's own, or under another name beside it. */
export const keepSecret = (secret: string, name = 'secret'): void =>
  writeWhole(join(privateFolder(), name), secret);

/** What is written down while the secret is being changed: what it will be. */
const NEXT = 'secret.next';

export const keepNext = (secret: string): void => keepSecret(secret, NEXT);

/** What the secret was about to be when a change was cut off; null where none was. */
export function nextSecret(): string | null {
  const file = join(privateFolder(), NEXT);
  return existsSync(file) ? readFileSync(file, 'utf8').trim() : null;
}

export const forgetNext = (): void => rmSync(join(privateFolder(), NEXT), { force: true });

/** A secret nobody can guess. */
export const newSecret = (): string => randomBytes(32).toString('hex');

/** The house's secret, and after it those it had before: made once, mode 0600, never in the repository. */
export function houseSecret(): string {
  const file = join(privateFolder(), 'secret');
  if (!existsSync(file)) writeWhole(file, newSecret());
  return readFileSync(file, 'utf8').trim();
}
