import { makePairingCode } from '../../src/server/people/pair-device.ts';
import { openHouse } from '../base/house.ts';

/** Prints a pairing code for one tablet, good for twelve hours. */
export async function run(): Promise<number> {
  const house = await openHouse('leave');
  const code = await makePairingCode(house.db, new Date());
  await house.close();
  process.stdout.write(`${code}\n`);
  return 0;
}
