import { operationsFile } from '../../src/contracts/formats/operations-file.ts';
import { targetsFile } from '../../src/contracts/formats/targets.ts';
import { toChecklistsFile } from '../../src/contracts/formats/checklist-items.ts';
import { BENCH_ARRIVAL } from '../../src/core/inspection/lists/bench-arrival.ts';
import { PLAIN_SETUP } from '../../src/core/inspection/lists/plain-setup.ts';
import { SALES_FLOOR } from '../../src/core/inspection/lists/sales-floor.ts';
import type { Options } from '../base/options.ts';
import { Trouble } from '../base/say.ts';

const EXPORTS: Readonly<Record<string, () => unknown>> = {
  checklists: () => toChecklistsFile([BENCH_ARRIVAL, PLAIN_SETUP, SALES_FLOOR]),
  targets: () => targetsFile(),
  operations: operationsFile,
};

/** Prints what ships with Rubrica in its published format; it needs neither build nor database. */
export function run(o: Options): Promise<number> {
  const [name = ''] = o.rest;
  const make = EXPORTS[name];
  if (!make) throw new Trouble(`export prints ${Object.keys(EXPORTS).join(', ')}, not ${name || 'nothing'}`);
  process.stdout.write(`${JSON.stringify(make(), null, 2)}\n`);
  return Promise.resolve(0);
}
