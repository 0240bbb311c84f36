import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import type { Database } from '../../src/server/db/connection.ts';
import { privateFolder } from './paths.ts';
import { writeWhole } from './whole-file.ts';

const anchor = z.object({ id: z.number().int(), mac: z.string() });
const file = (): string => join(privateFolder(), 'ledger-end.json');

/** Writes down outside the database where the ledger ends: entries cannot be taken from its end unseen. */
export async function keepAnchor({ models }: Database): Promise<void> {
  const last = await models.LedgerRow.findOne({ order: [['id', 'DESC']] });
  if (last) writeWhole(file(), JSON.stringify({ id: last.id, mac: last.mac }));
}

/** Whether what was the end of the ledger still stands in it; in words where it does not. */
export async function anchorTroubles({ models }: Database): Promise<readonly string[]> {
  if (!existsSync(file())) return [];
  const { id, mac } = anchor.parse(JSON.parse(readFileSync(file(), 'utf8')));
  const row = await models.LedgerRow.findByPk(id);
  return row?.mac === mac ? [] : [`the ledger ended at entry ${id}, which is gone or another one`];
}

/** Forgets it: another record takes the place of the one it was of. */
export const dropAnchor = (): void => rmSync(file(), { force: true });
