import { createHash } from 'node:crypto';
import { mkdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import type { Database } from '../db/connection.ts';
import { dumpRecord, type DumpWish } from './dump-record.ts';
import { copyName, DATABASE_MEMBER, MANIFEST_MEMBER, SECRET_MEMBER, type Manifest } from './manifest.ts';
import { writeSecret, type PassphraseKey } from './sealed-secret.ts';
import { TarWriter } from './tar.ts';

/** What a copy is made from and where it goes. */
export interface CopyWish extends DumpWish {
  readonly db: Pick<Database, 'sequelize' | 'models'>;
  readonly secret: string;
  readonly key: PassphraseKey | null;
  readonly release: string;
  /** where copies stand; made where it is missing */
  readonly folder: string;
  readonly now: Date;
}

/** A copy that stands. */
export interface Copy {
  readonly path: string;
  readonly bytes: number;
  readonly manifest: Manifest;
}

/** Puts the members into one file and closes it with the digest of all of it. */
async function putTogether(
  path: string,
  texts: readonly (readonly [string, string])[],
  dumped: { readonly file: string; readonly bytes: number },
): Promise<void> {
  const tar = await TarWriter.begin(path);
  try {
    for (const [name, text] of texts) await tar.addText(name, text);
    await tar.addFile(DATABASE_MEMBER, dumped.file, dumped.bytes);
    await tar.end();
  } finally {
    await tar.abandon();
  }
}

async function aboutHouse({ sequelize, models }: CopyWish['db']) {
  const [ran, shop] = await Promise.all([
    sequelize.query<{ name: string }>('SELECT name FROM migrations ORDER BY name', {
      type: QueryTypes.SELECT,
    }),
    models.Setting.findByPk('shop'),
  ]);
  const named = (shop?.value as { readonly name?: unknown } | null)?.name;
  return { migrations: ran.map((m) => m.name), shop: typeof named === 'string' ? named : '' };
}

const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');

/**
 * Makes one consistent copy of the whole record, with its photos and the house's secret, in one file, while people work. The
 * file is there whole or not at all.
 * @throws when the folder cannot be written or the database cannot be read: nothing is left behind
 */
export async function takeCopy(wish: CopyWish): Promise<Copy> {
  await mkdir(wish.folder, { recursive: true, mode: 0o700 });
  const path = join(wish.folder, copyName(wish.secret, wish.now));
  const [half, dumped] = [`${path}.begun`, `${path}.dump`];
  try {
    const about = await aboutHouse(wish.db);
    const { rows, bytes, sha256: dumpDigest } = await dumpRecord(wish, dumped);
    const secret = writeSecret(wish.secret, wish.key);
    const manifest: Manifest = {
      form: 'rubrica-copy',
      formVersion: 1,
      release: wish.release,
      ...about,
      taken: wish.now.toISOString(),
      tables: rows,
      members: [
        { name: SECRET_MEMBER, bytes: Buffer.byteLength(secret), sha256: sha256(secret) },
        { name: DATABASE_MEMBER, bytes, sha256: dumpDigest },
      ],
    };
    await putTogether(
      half,
      [
        [MANIFEST_MEMBER, JSON.stringify(manifest, null, 2)],
        [SECRET_MEMBER, secret],
      ],
      { file: dumped, bytes },
    );
    await rename(half, path);
    return { path, bytes: (await stat(path)).size, manifest };
  } finally {
    await Promise.all([half, dumped].map((f) => rm(f, { force: true })));
  }
}
