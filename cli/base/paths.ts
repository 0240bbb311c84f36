import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';

/** The checkout. */
export const ROOT = resolve(import.meta.dirname, '../..');
/** What belongs to the checkout itself, as the stamp of its build: never in git. */
export const OF_CHECKOUT = join(ROOT, '.rubrica');

/** Where the house keeps its data and secrets on this machine: in the checkout, or in the folder RUBRICA_HOME names. */
export const home = (): string => resolve(process.env['RUBRICA_HOME'] ?? OF_CHECKOUT);

/** Makes a folder of the house that only its owner may list; returns it. */
export function privateFolder(...parts: string[]): string {
  const folder = join(home(), ...parts);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return folder;
}
