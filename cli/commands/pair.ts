import { makePairingCode } from '../../src/server/people/pair-device.ts';
import type { Options } from '../base/options.ts';
import { openHouse } from '../base/house.ts';

/** Prints a pairing code, good for twelve hours: for one tablet, or for as many as are said. */
export async function run({ uses }: Options): Promise<number> {
  const house = await openHouse('leave');
  const code = await makePairingCode(house.db, new Date(), uses);
  await house.close();
  process.stdout.write(`${code}\n`);
  return 0;
}
