import { createHash, createHmac, randomBytes, randomInt } from 'node:crypto';
import { newestPlace, secretAt } from '../db/house-secrets.ts';

/** An unguessable token for a cookie: 256 bits, url-safe. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What is kept of a token or code: its SHA-256, in hex. Enough, since what is hashed is itself random. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');

/**
 * The token a command makes: the same when the same command is given again, so that nothing of it need be kept for a lost
 * answer. Without the house's secret nobody can work it out.
 * @param place which of the house's secrets it was made under: the newest for a command given now
 */
export const tokenOfCommand = (commandId: string, place = newestPlace()): string =>
  createHmac('sha256', secretAt(place)).update(`customer link\n${commandId}`).digest('base64url');

const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';

/** Twelve letters in three groups, no look-alikes (about 59 bits). */
function lettersOf(next: () => number): string {
  const letter = () => LETTERS[next() % LETTERS.length] ?? 'A';
  return Array.from({ length: 3 }, () => Array.from({ length: 4 }, letter).join('')).join('-');
}

/** A pairing code to type on a new tablet. */
export const newPairingCode = (): string => lettersOf(() => randomInt(LETTERS.length));

/** The pairing code a command makes: the same when the same command is given again, so that nothing of it need be kept. */
export function pairingCodeOfCommand(commandId: string, place = newestPlace()): string {
  const bytes = createHmac('sha512', secretAt(place)).update(`pairing code\n${commandId}`).digest();
  let at = 0;
  // Four bytes a letter: the last letters of the alphabet are no likelier than the first.
  return lettersOf(() => bytes.readUInt32BE(4 * at++));
}
