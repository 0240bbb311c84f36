import { BENCH_ARRIVAL } from '../core/inspection/lists/bench-arrival.ts';
import { PLAIN_SETUP } from '../core/inspection/lists/plain-setup.ts';
import { SALES_FLOOR } from '../core/inspection/lists/sales-floor.ts';
import { plainTax } from '../core/money/tax.ts';
import type { Database } from '../server/db/connection.ts';

const RACK = ['A', 'B', 'C', 'D'].flatMap((row) => [1, 2, 3, 4].map((n) => `${row}${n}`));
const BENCHES = ['Bench 1', 'Bench 2', 'Bench 3'];

/** What every shop begins with, its tax (0.2 for a fifth) and its zone: places, the checklist, the house's settings. */
export async function fillShop(
  { models }: Database,
  name: string,
  { tax = 0.2, zone = 'UTC' }: { readonly tax?: number; readonly zone?: string } = {},
): Promise<void> {
  await models.Setting.bulkCreate([
    { name: 'shop', value: { name, currency: 'XXX', tax: plainTax(tax), heights: '64ths', zone } },
  ]);
  await models.Place.bulkCreate([
    ...RACK.map((place, i) => ({ name: place, kind: 'rack' as const, sort: i })),
    ...BENCHES.map((place, i) => ({ name: place, kind: 'bench' as const, sort: 100 + i })),
  ]);
  for (const { id: list, name: called, version, ends, items } of [BENCH_ARRIVAL, PLAIN_SETUP, SALES_FLOOR]) {
    await models.ChecklistRow.create({ list, name: called, version, ends, items });
  }
}
