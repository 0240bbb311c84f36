import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';

/** The checkout. */
export const ROOT = resolve(import.meta.dirname, '..');
/** What Rubrica keeps for itself on this machine: never in git. */
export const HOME = join(ROOT, '.rubrica');

/** Makes a folder only its owner may read; returns it. */
export function privateFolder(...parts: string[]): string {
  const folder = join(HOME, ...parts);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return folder;
}
