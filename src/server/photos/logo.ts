import { createHash, randomUUID } from 'node:crypto';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Database } from '../db/connection.ts';
import { prepareLogo } from './prepare-photo.ts';
import { recordEvent } from '../use-case/record-event.ts';
import type { Actor } from '../use-case/use-case.ts';

export const MOST_LOGO_BYTES = 4 * 1024 * 1024;
const NAME = 'logo';

/** The shop's logo as it is kept; null where it has none. */
export const loadLogo = ({ models }: Pick<Database, 'models'>) => models.ShopFile.findByPk(NAME);

/** Keeps a picture as the shop's logo, made anew from what it shows; without bytes the shop has none any more. */
export async function keepLogo(
  db: Database,
  actor: Actor,
  bytes: Uint8Array,
  now: Date,
): Promise<Result<null, string>> {
  const { models, sequelize } = db;
  const prepared = bytes.length === 0 ? ok(null) : await prepareLogo(Buffer.from(bytes));
  if (!prepared.ok) return fail(prepared.error);
  return sequelize.transaction(async (t) => {
    const work = { actor, models, t, now, commandId: randomUUID() };
    const before = await models.ShopFile.findByPk(NAME, { transaction: t, lock: t.LOCK.UPDATE });
    const made = prepared.value;
    const digest = made && createHash('sha256').update(made.png).digest('hex');
    if ((before?.digest ?? null) === digest) return ok(null);
    await before?.destroy({ transaction: t });
    if (made && digest !== null)
      await models.ShopFile.create(
        { name: NAME, bytes: made.png, digest, width: made.width, height: made.height },
        { transaction: t },
      );
    await recordEvent(work, {
      jobId: null,
      kind: 'logo changed',
      entity: 'setting',
      entityId: NAME,
      fromVersion: null,
      data: { before: before?.digest ?? null, after: digest },
    });
    return ok(null);
  });
}
