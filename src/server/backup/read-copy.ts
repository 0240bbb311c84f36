import type { Readable } from 'node:stream';
import { text } from 'node:stream/consumers';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import { oneAddress } from '../db/cluster.ts';
import { reach, runClient, type ClientPrograms } from './client-program.ts';
import {
  DATABASE_MEMBER,
  MANIFEST_MEMBER,
  manifestSchema,
  SECRET_MEMBER,
  type Manifest,
} from './manifest.ts';
import { isWhole, readMember, tarMembers } from './tar.ts';

/** What a copy says of itself, and the secret as it stands in it. */
export interface CopyHead {
  readonly manifest: Manifest;
  readonly secret: string;
}

/** A file that is no copy of a record, or is not as it was written. */
export class DamagedCopy extends Error {}

function manifestIn(words: string): Manifest | null {
  try {
    return manifestSchema.parse(JSON.parse(words));
  } catch {
    return null;
  }
}

/**
 * Checks a copy to the last bit and says what it holds, without touching anything.
 * @throws DamagedCopy when it is none, or not as it was written
 */
export async function openCopy(path: string): Promise<CopyHead> {
  if (!(await isWhole(path)))
    throw new DamagedCopy(`${path} is not a copy as Rubrica writes it, or was changed or cut since.`);
  const members = await tarMembers(path);
  const wordsOf = async (name: string): Promise<string> => {
    const member = members.find((m) => m.name === name);
    return member ? text(readMember(path, member)) : '';
  };
  const manifest = manifestIn(await wordsOf(MANIFEST_MEMBER));
  const secret = await wordsOf(SECRET_MEMBER);
  if (manifest === null || secret === '')
    throw new DamagedCopy(`${path} was made by another release, whose copies this one cannot read.`);
  return { manifest, secret };
}

/** Writes the record of a copy into an empty database. */
export async function putBack(path: string, url: string, programs: ClientPrograms): Promise<void> {
  const member = (await tarMembers(path)).find((m) => m.name === DATABASE_MEMBER);
  if (!member) throw new DamagedCopy(`${path} holds no record.`);
  await pourRecord(readMember(path, member), url, programs);
}

/** Writes a packed record, as it was written out, into an empty database. */
export async function pourRecord(packed: Readable, url: string, programs: ClientPrograms): Promise<void> {
  const { args, password, name } = reach(await oneAddress(url));
  const options = ['--binary-mode', '--max-allowed-packet=256M', name];
  const running = runClient(programs.client, [...args, ...options], password, 'input');
  if (!running.child.stdin) throw new Error('the database takes no input');
  const poured = pipeline(packed, createGunzip(), running.child.stdin);
  // A client that refuses a statement ends and closes its input: what it said is the reason, not the closed pipe.
  const [ended, pour] = await Promise.allSettled([running.ended, poured]);
  for (const how of [ended, pour]) if (how.status === 'rejected') throw how.reason;
}
