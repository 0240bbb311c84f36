import { closeSync, fsyncSync, openSync, renameSync, writeSync } from 'node:fs';

/**
 * Writes a file that is there whole or not at all, even when the machine stops in the middle: a temporary one beside it,
 * on the disk, then renamed over it. Only its owner may read it.
 */
export function writeWhole(path: string, text: string): void {
  const temporary = `${path}.${process.pid}.new`;
  const file = openSync(temporary, 'w', 0o600);
  writeSync(file, text);
  fsyncSync(file);
  closeSync(file);
  renameSync(temporary, path);
}
