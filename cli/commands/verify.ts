import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { anchorTroubles } from '../base/ledger-anchor.ts';
import { openHouse } from '../base/house.ts';
import type { Options } from '../base/options.ts';

/** Compares every sealed record with its seal, and seals and log with the ledger; lists what broke and then exits 1. */
export async function run(o: Options): Promise<number> {
  const house = await openHouse('leave');
  try {
    const { whole, broken, ledger: within } = await verifySeals(house.db);
    const ledger = [...within, ...(await anchorTroubles(house.db))];
    if (o.json) process.stdout.write(`${JSON.stringify({ whole, broken, ledger })}\n`);
    else {
      for (const b of broken) process.stdout.write(`broken  job ${b.job}: ${b.changed.join(', ')}\n`);
      for (const words of ledger) process.stdout.write(`ledger  ${words}\n`);
      process.stdout.write(
        `${whole} ${whole === 1 ? 'seal is' : 'seals are'} whole, ${broken.length} broken\n`,
      );
    }
    return broken.length + ledger.length === 0 ? 0 : 1;
  } finally {
    await house.close();
  }
}
