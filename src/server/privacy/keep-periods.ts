import { Op, QueryTypes } from 'sequelize';
import { WITHDRAWN } from '../../core/privacy/mentions.ts';
import { overSince } from '../../core/privacy/periods.ts';
import type { Database } from '../db/connection.ts';
import { forget } from './forget.ts';
import { loadPeriods } from './save-periods.ts';

/** Customers with nothing here, whose last job ended before a moment; those who never had one by when they were written down. */
const LONG_GONE_SQL = `SELECT c.id FROM customers c WHERE c.merged_into IS NULL AND c.erased_at IS NULL AND c.created_at < :since
  AND NOT EXISTS (SELECT 1 FROM jobs j WHERE j.customer_id = c.id AND (j.state = 'open' OR j.closed_at IS NULL OR j.closed_at >= :since))
  AND NOT EXISTS (SELECT 1 FROM instruments i WHERE i.customer_id = c.id AND i.floor_since IS NOT NULL)
  ORDER BY c.id LIMIT 50`;

const OLD_PHOTOS_SQL = `SELECT p.id FROM photos p JOIN jobs j ON j.id = p.job_id
  WHERE p.gone_at IS NULL AND j.state = 'closed' AND j.closed_at < :since LIMIT 500`;

const OLD_SOUNDS_SQL = `SELECT s.id FROM sounds s JOIN jobs j ON j.id = s.job_id
  WHERE j.state = 'closed' AND j.closed_at < :since LIMIT 500`;

const ids = async (db: Database, sql: string, since: number): Promise<number[]> =>
  (
    await db.sequelize.query<{ id: number }>(sql, {
      type: QueryTypes.SELECT,
      replacements: { since: new Date(since) },
    })
  ).map((r) => r.id);

async function forgetLongGone(db: Database, since: number, now: Date, years: number): Promise<number> {
  const gone = await ids(db, LONG_GONE_SQL, since);
  for (const id of gone)
    await db.sequelize.transaction(async (t) => {
      const customer = await db.models.Customer.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
      if (!customer || customer.erasedAt !== null) return;
      const who = { personId: null, deviceId: null, commandId: null };
      const why = `not here for ${years} ${years === 1 ? 'year' : 'years'}`;
      await forget({ models: db.models, t, now, who, why, photoIds: [], invoices: false }, customer);
    });
  return gone.length;
}

async function dropOldPhotos(db: Database, since: number, now: Date): Promise<number> {
  const old = await ids(db, OLD_PHOTOS_SQL, since);
  if (old.length === 0) return 0;
  await db.models.PhotoFile.destroy({ where: { photoId: old } });
  await db.models.Photo.update({ goneAt: now }, { where: { id: old } });
  return old.length;
}

async function dropOldSounds(db: Database, since: number): Promise<number> {
  const old = await ids(db, OLD_SOUNDS_SQL, since);
  if (old.length === 0) return 0;
  await db.sequelize.transaction(async (transaction) => {
    // The readings stay as they are; they can only not be heard again.
    await db.models.ReadingRow.update({ soundId: null }, { where: { soundId: old }, transaction });
    await db.models.KeptSound.destroy({ where: { id: old }, transaction });
  });
  return old.length;
}

const OLD_INVOICES_SQL = `SELECT n.number AS id FROM invoices n JOIN jobs j ON j.id = n.job_id JOIN customers c ON c.id = j.customer_id
  WHERE c.erased_at IS NOT NULL AND n.made_at < :since AND JSON_VALUE(n.content, '$.customer') <> :withdrawn LIMIT 500`;

async function nameNobodyOnInvoices(db: Database, since: number): Promise<number> {
  const rows = await db.sequelize.query<{ id: number }>(OLD_INVOICES_SQL, {
    type: QueryTypes.SELECT,
    replacements: { since: new Date(since), withdrawn: WITHDRAWN },
  });
  for (const { id } of rows) {
    const invoice = await db.models.InvoiceRow.findByPk(id);
    await invoice?.update({ content: { ...invoice.content, customer: WITHDRAWN } });
  }
  return rows.length;
}

/** Lets go of what is over its period, a part of it at a time. Says how much went. */
export async function keepPeriods(
  db: Database,
  now: Date,
): Promise<{
  readonly customers: number;
  readonly photos: number;
  readonly sounds: number;
  readonly messages: number;
  readonly invoices: number;
}> {
  const { periods } = await loadPeriods(db);
  const at = now.getTime();
  const customers = overSince(at, periods.customersYears, null);
  const photos = overSince(at, periods.photosYears, null);
  const sounds = overSince(at, periods.soundsYears, null);
  const invoices = overSince(at, periods.invoicesYears, null);
  const messages = overSince(at, null, periods.messagesMonths);
  const [blanked] =
    messages === null
      ? [0]
      : await db.models.MessageRow.update(
          { address: '', subject: '', body: '', calendar: null },
          {
            where: {
              doneAt: { [Op.lt]: new Date(messages) },
              state: { [Op.ne]: 'waiting' },
              address: { [Op.ne]: '' },
            },
          },
        );
  return {
    customers: customers === null ? 0 : await forgetLongGone(db, customers, now, periods.customersYears ?? 0),
    photos: photos === null ? 0 : await dropOldPhotos(db, photos, now),
    sounds: sounds === null ? 0 : await dropOldSounds(db, sounds),
    messages: blanked,
    invoices: invoices === null ? 0 : await nameNobodyOnInvoices(db, invoices),
  };
}
