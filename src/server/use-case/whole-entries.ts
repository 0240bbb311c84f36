import type { Transaction } from 'sequelize';
import { putWords, type Words } from '../../core/privacy/mentions.ts';
import type { EventRow } from '../db/models/events.ts';
import type { Models } from '../db/models/index.ts';

/** What rows of the log say, by their numbers, with the texts that stand apart from them; those of the forgotten are gone. */
export async function wholeEntries(
  models: Models,
  rows: readonly EventRow[],
  t: Transaction | null = null,
): Promise<ReadonlyMap<number, unknown>> {
  const ids = rows.map((r) => r.id);
  const apart =
    ids.length === 0 ? [] : await models.EventWords.findAll({ where: { eventId: ids }, transaction: t });
  const words = new Map<number, Words>();
  for (const a of apart) {
    const id = Number(a.eventId);
    words.set(id, { ...words.get(id), ...a.words });
  }
  return new Map(rows.map((r) => [Number(r.id), putWords(r.data, words.get(Number(r.id)) ?? {})]));
}
