import { createHash, randomBytes, randomInt } from 'node:crypto';

/** An unguessable token for a cookie: 256 bits, url-safe. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What is kept of a token or code: its SHA-256, in hex. Enough, since what is hashed is itself random. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');

const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';

/** A pairing code to type on a new tablet: 12 letters in three groups, no look-alikes (about 59 bits). */
export function newPairingCode(): string {
  const letter = () => LETTERS[randomInt(LETTERS.length)] ?? 'A';
  return Array.from({ length: 3 }, () => Array.from({ length: 4 }, letter).join('')).join('-');
}
