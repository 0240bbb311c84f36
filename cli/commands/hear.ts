import { readFile } from 'node:fs/promises';
import { buffer } from 'node:stream/consumers';
import { heardNote } from '../../src/core/sound/say-heard.ts';
import { readWav } from '../../src/core/sound/wav.ts';
import { parsePitch } from '../../src/core/strings/pitch.ts';
import type { Options } from '../base/options.ts';

const BAD_INPUT = 2;
const STANDARD_INPUT = '-';
const LOWEST_REFERENCE = 380;
const HIGHEST_REFERENCE = 500;

const complain = (message: string): number => {
  process.stderr.write(`rubrica: ${message}\n`);
  return BAD_INPUT;
};

const read = (path: string): Promise<Uint8Array | null> =>
  path === STANDARD_INPUT ? buffer(process.stdin) : readFile(path).catch(() => null);

/** Prints what is heard in a WAV file as JSON; it needs neither build nor database. Refused is an answer, no sound is not. */
export async function run(o: Options): Promise<number> {
  const [path] = o.rest;
  if (path === undefined)
    return complain('hear wants a WAV file: ./rubrica hear FILE.wav [--expect E2] [--reference 440]');
  const reference = o.reference === undefined ? 440 : Number(o.reference.replace(',', '.'));
  if (!(reference >= LOWEST_REFERENCE && reference <= HIGHEST_REFERENCE))
    return complain(`--reference takes the pitch of A4, ${LOWEST_REFERENCE} to ${HIGHEST_REFERENCE} Hz.`);
  const expected = o.expect === undefined ? null : parsePitch(o.expect, reference);
  if (expected && !expected.ok) return complain(`--expect: ${expected.error.message}`);
  const bytes = await read(path);
  if (bytes === null) return complain(`${path} cannot be read.`);
  const sound = readWav(new Uint8Array(bytes));
  if (!sound.ok) return complain(`${path}: ${sound.error}`);
  const heard = heardNote(sound.value, expected ? expected.value : null, reference);
  process.stdout.write(`${JSON.stringify(heard)}\n`);
  return 0;
}
