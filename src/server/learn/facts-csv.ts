import { FACT_KINDS } from '../../core/learn/facts.ts';
import { csv } from '../../contracts/formats/customers.ts';
import type { Database } from '../db/connection.ts';
import { loadFacts } from './load-facts.ts';

/** Every fact of two years as CSV (RFC 4180): what was said, what came of it. Nobody's name stands in it. */
export async function factsCsv(db: Database, now: Date): Promise<string> {
  const { facts } = await loadFacts(db, { now, person: null });
  const rows = facts.map((f) => [
    new Date(f.at).toISOString().slice(0, 10),
    FACT_KINDS[f.what],
    f.group,
    f.kind,
    f.said.toFixed(3),
    f.came.toFixed(3),
    f.unit,
  ]);
  return csv(['day', 'sort', 'of', 'kind', 'said', 'came', 'unit'], rows);
}
