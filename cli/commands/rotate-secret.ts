import { closeUnderOld, goOnUnderNew } from '../../src/server/upkeep/change-secret.ts';
import { openHouse } from '../base/house.ts';
import { keepAnchor } from '../base/ledger-anchor.ts';
import { runningShop } from '../base/running-shop.ts';
import { say, Trouble } from '../base/say.ts';
import { forgetNext, keepNext, keepSecret, newSecret } from '../base/secret.ts';

function needClosed(): void {
  const shop = runningShop();
  if (shop)
    throw new Trouble(
      `the shop is open at http://127.0.0.1:${shop.port}: stop it first (./rubrica stop). Nothing was changed.`,
    );
}

/**
 * Gives the house another secret. What was entered under the one before is still held against it; PINs are hashed anew as their people
 * sign in. What was written first says how far it came: cut off at any moment, it is done or was never begun.
 */
export async function run(): Promise<number> {
  needClosed();
  const house = await openHouse('leave');
  try {
    await closeUnderOld(house.db, new Date());
    // Somebody may have opened it meanwhile: what that shop writes would stand under the secret of before.
    needClosed();
    const next = `${newSecret()}\n${house.secret}`;
    keepNext(next);
    process.env['RUBRICA_SECRET'] = next;
    await goOnUnderNew(house.db, new Date());
    keepSecret(next);
    forgetNext();
    await keepAnchor(house.db);
    say(
      'the house has another secret; everybody stays signed in, and PINs, seals and links are good as before',
    );
    say(
      'pairing codes that were not used are ended. Copies made before hold the secret of before: make one now (./rubrica backup)',
    );
    say(
      'who knew the secret before and has a copy of the record can still try PINs against it: give out new ones (House → People)',
    );
    return 0;
  } finally {
    await house.close();
  }
}
