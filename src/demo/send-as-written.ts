import { Op } from 'sequelize';
import type { Database } from '../server/db/connection.ts';
import { deliverDue } from '../server/messages/deliver.ts';

/** What was written to customers before a moment went out when it was written, through the stand-in that ships. */
export async function sendAsWritten(db: Database, before: Date): Promise<void> {
  for (;;) {
    const next = await db.models.MessageRow.findOne({
      where: { state: 'waiting', dueAt: { [Op.lt]: before } },
      order: ['dueAt', 'id'],
    });
    if (!next) return;
    await deliverDue(db, next.dueAt);
  }
}
