import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { oneAddress } from '../db/cluster.ts';
import { reach, runClient, type ClientPrograms } from './client-program.ts';
import { DumpLines } from './dump-lines.ts';

/** A database to be written out. */
export interface DumpWish {
  readonly url: string;
  readonly programs: ClientPrograms;
  /** told now and then: bytes written so far */
  readonly progress?: (bytes: number) => void;
}

/** Counts and digests what passes. */
class Digest extends Transform {
  bytes = 0;
  private readonly hash = createHash('sha256');
  private readonly said: (bytes: number) => void;

  constructor(said: (bytes: number) => void = () => undefined) {
    super();
    this.said = said;
  }
  override _transform(chunk: Buffer, _: string, done: (e: null, chunk: Buffer) => void): void {
    this.bytes += chunk.length;
    this.hash.update(chunk);
    this.said(this.bytes);
    done(null, chunk);
  }
  hex(): string {
    return this.hash.digest('hex');
  }
}

/** What says that a machine brings the record up to date is no part of it. */
const UPGRADING = 'upgrading';
const OPTIONS = ['--single-transaction', '--quick', '--hex-blob', '--triggers', '--skip-comments'];

/**
 * Writes a record as it is at one moment, packed, while people go on working.
 * @returns its rows by table, its size and its digest
 */
export async function dumpRecord(
  { url, programs, progress }: DumpWish,
  file: string,
): Promise<{
  readonly rows: Readonly<Record<string, number>>;
  readonly bytes: number;
  readonly sha256: string;
}> {
  const { args, password, name } = reach(await oneAddress(url));
  const running = runClient(
    programs.dump,
    [...args, ...OPTIONS, `--ignore-table=${name}.${UPGRADING}`, name],
    password,
    'output',
  );
  if (!running.child.stdout) throw new Error('the dump has no output');
  const lines = new DumpLines();
  const digest = new Digest(progress);
  await Promise.all([
    pipeline(
      running.child.stdout,
      lines,
      createGzip({ level: 1 }),
      digest,
      createWriteStream(file, { mode: 0o600 }),
    ),
    running.ended,
  ]);
  return { rows: lines.rows, bytes: digest.bytes, sha256: digest.hex() };
}
