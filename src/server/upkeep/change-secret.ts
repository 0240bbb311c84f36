import { chainEndsUnder, enterLog, enterNewSecret, lastLogRow } from '../ledger/ledger.ts';
import type { Database } from '../db/connection.ts';
import { resealSecrets } from '../messages/settings.ts';

/** Enters what stands in the log under the secret it was written under; nothing else may be running. */
export const closeUnderOld = async (db: Database, at: Date): Promise<void> =>
  enterLog(db, await lastLogRow(db), at);

/**
 * Goes on under the newest of the house's secrets: the ledger says so, what is kept sealed is sealed anew, and pairing codes that were
 * made but not used end. All of it or nothing.
 */
export async function goOnUnderNew({ sequelize, models }: Database, at: Date): Promise<void> {
  await sequelize.transaction(async (t) => {
    await enterNewSecret(models, t, at);
    await resealSecrets(models, t);
    await models.PairingCode.destroy({ where: {}, transaction: t });
    await models.EventRow.create(
      {
        at,
        personId: null,
        deviceId: null,
        jobId: null,
        kind: 'secret changed',
        entity: 'house',
        entityId: 'secret',
        fromVersion: null,
        data: { at: 'the machine' },
      },
      { transaction: t },
    );
  });
}

/** Whether the record goes on under a secret already: a change that was cut off had come so far. */
export const goesOnUnder = ({ models }: Database, secret: string): Promise<boolean> =>
  chainEndsUnder(models, secret);
