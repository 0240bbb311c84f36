import { Readable } from 'node:stream';
import { DataStore, ERRORS, Upload } from '@tus/server';
import { Op } from 'sequelize';
import type { Database } from '../db/connection.ts';
import type { UploadRow } from '../db/models/custody.ts';
import type { Actor } from '../use-case/use-case.ts';

const PIECE = 512 * 1024;
const KEPT_MS = 7 * 24 * 3_600_000;

/** Where an upload belongs, as its sender said. */
export interface PhotoPlace {
  readonly jobId: number;
  readonly markId: number | null;
  readonly item: string | null;
}

const numberIn = (text: string | null | undefined): number | null =>
  text && /^\d{1,9}$/.test(text) ? Number(text) : null;

/** Reads an upload's metadata. Null when it names no job. */
export function placeOf(metadata: Upload['metadata']): PhotoPlace | null {
  const jobId = numberIn(metadata?.['job']);
  const item = metadata?.['item'] ?? null;
  return jobId === null || (item !== null && !/^[a-z0-9-]{1,40}$/.test(item))
    ? null
    : { jobId, markId: numberIn(metadata?.['mark']), item };
}

/**
 * Keeps what has arrived of an upload in the database, piece by piece, so that any instance can go on with it after a
 * lost connection or a killed server.
 */
export class UploadStore extends DataStore {
  private readonly db: Database;
  private readonly actor: Actor;
  private readonly now: () => Date;

  constructor(db: Database, actor: Actor, now: () => Date) {
    super();
    this.db = db;
    this.actor = actor;
    this.now = now;
    this.extensions = ['creation', 'termination'];
  }

  private async row(id: string): Promise<UploadRow> {
    const row = /^[0-9a-f-]{36}$/.test(id) ? await this.db.models.UploadRow.findByPk(id) : null;
    if (!row || row.personId !== this.actor.personId) throw ERRORS.FILE_NOT_FOUND;
    return row;
  }

  override async create(file: Upload): Promise<Upload> {
    const place = placeOf(file.metadata);
    if (!place || !file.size) throw { status_code: 400, body: 'It is not said where this photo belongs.' };
    const { UploadRow: rows } = this.db.models;
    await rows.destroy({ where: { begunAt: { [Op.lt]: new Date(this.now().getTime() - KEPT_MS) } } });
    await rows.create({
      id: file.id,
      ...place,
      name: (file.metadata?.['filename'] ?? '').slice(0, 200),
      size: file.size,
      personId: this.actor.personId,
      begunAt: this.now(),
    });
    return file;
  }

  override async write(stream: Readable, id: string, offset: number): Promise<number> {
    let at = offset;
    let held: Buffer[] = [];
    let size = 0;
    const keep = async () => {
      if (size === 0) return;
      at = await this.keepPiece(id, at, Buffer.concat(held));
      held = [];
      size = 0;
    };
    try {
      for await (const part of stream) {
        held.push(part as Buffer);
        size += (part as Buffer).length;
        if (size >= PIECE) await keep();
      }
    } catch (e) {
      // A connection that broke: what came before is kept and the rest is sent from there.
      if (
        (e as { code?: string }).code !== 'ERR_STREAM_PREMATURE_CLOSE' &&
        (e as Error).name !== 'AbortError'
      )
        throw e;
    }
    await keep();
    return at;
  }

  private async keepPiece(id: string, at: number, bytes: Buffer): Promise<number> {
    const { sequelize, models } = this.db;
    return sequelize.transaction(async (t) => {
      const row = await models.UploadRow.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
      if (!row) throw ERRORS.FILE_NOT_FOUND;
      if (row.received !== at) throw ERRORS.INVALID_OFFSET;
      await models.UploadPiece.create({ uploadId: id, atByte: at, bytes }, { transaction: t });
      await row.update({ received: at + bytes.length }, { transaction: t });
      return at + bytes.length;
    });
  }

  override async getUpload(id: string): Promise<Upload> {
    const row = await this.row(id);
    return new Upload({
      id,
      size: row.size,
      offset: row.received,
      metadata: { filename: row.name },
      creation_date: row.begunAt.toISOString(),
    });
  }

  override async remove(id: string): Promise<void> {
    const row = await this.row(id);
    await row.destroy();
  }

  /** Everything that came of a finished upload. */
  async whole(id: string): Promise<Buffer> {
    const pieces = await this.db.models.UploadPiece.findAll({
      where: { uploadId: id },
      order: [['atByte', 'ASC']],
    });
    return Buffer.concat(pieces.map((p) => p.bytes));
  }
}
