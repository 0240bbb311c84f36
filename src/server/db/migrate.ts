import { SequelizeStorage, Umzug } from 'umzug';
import type { Sequelize } from 'sequelize';
import { up as firstPath } from './migrations/001-first-path.ts';
import { up as damageAndPhotos } from './migrations/004-damage-and-photos.ts';
import { up as kindsAndMerges } from './migrations/006-kinds-and-merges.ts';
import { up as listsAndPresence } from './migrations/005-lists-and-presence.ts';
import { up as roundsGaugesTargets } from './migrations/007-rounds-gauges-targets.ts';
import { up as plans } from './migrations/008-plans.ts';
import { up as bench } from './migrations/009-bench.ts';
import { up as keptSecrets } from './migrations/010-kept-secrets.ts';
import { up as countsFollow } from './migrations/012-counts-follow.ts';
import { up as agreedRecords } from './migrations/014-agreed-records.ts';
import { up as heardPlaces } from './migrations/015-heard-places.ts';
import { up as peopleAndDevices } from './migrations/016-people-and-devices.ts';
import { up as neckScrews } from './migrations/017-neck-screws.ts';
import { up as endsAndPayments } from './migrations/018-ends-and-payments.ts';
import { up as ownPrices } from './migrations/019-own-prices.ts';
import { up as retiredKinds } from './migrations/020-retired-kinds.ts';
import { up as delivery } from './migrations/021-delivery.ts';
import { up as stringsThatBroke } from './migrations/022-strings-that-broke.ts';
import { up as wordsApart } from './migrations/023-words-apart.ts';
import { up as calls } from './migrations/024-calls.ts';
import { up as hoursAndLogo } from './migrations/025-hours-and-logo.ts';
import { up as upkeep } from './migrations/026-upkeep.ts';
import { up as doors } from './migrations/027-doors.ts';
import { up as ledger } from './migrations/028-ledger.ts';
import { up as week } from './migrations/029-week.ts';
import { up as weekHours } from './migrations/030-week-hours.ts';
import { up as hunts } from './migrations/031-hunts.ts';
import { up as keptSounds } from './migrations/032-kept-sounds.ts';
import { up as buzzOfReadings } from './migrations/033-buzz-of-readings.ts';
import { up as learnedNumbers } from './migrations/034-learned-numbers.ts';
import { up as findWords } from './migrations/035-find-words.ts';
import { up as cuts } from './migrations/036-cuts.ts';
import { up as savedViews } from './migrations/038-saved-views.ts';
import { up as air } from './migrations/039-air.ts';
import { up as findIndexes } from './migrations/040-find-indexes.ts';
import { up as stores } from './migrations/041-stores.ts';
import { up as orders } from './migrations/042-orders.ts';
import { up as care } from './migrations/043-care.ts';
import { up as itemTax } from './migrations/044-item-tax.ts';
import { up as practice } from './migrations/045-practice.ts';
import { up as letterOfOrder } from './migrations/046-letter-of-order.ts';
import { up as telephoneDigits } from './migrations/047-telephone-digits.ts';
import { up as failures } from './migrations/048-failures.ts';
import { up as changedSecret } from './migrations/049-changed-secret.ts';
import { up as broughtIn } from './migrations/050-brought-in.ts';
import { up as turns } from './migrations/051-turns.ts';
import { up as planMoves } from './migrations/052-plan-moves.ts';
import { up as touchNotSaid } from './migrations/053-touch-not-said.ts';
import { up as matters } from './migrations/054-matters.ts';
import { up as setPaid } from './migrations/055-set-paid.ts';
import { up as setOfRounds } from './migrations/056-set-of-rounds.ts';
import { up as inside } from './migrations/057-inside.ts';
import { up as offered } from './migrations/058-offered.ts';
import { up as biography } from './migrations/037-biography.ts';
import { up as shortList } from './migrations/013-short-list.ts';
import { up as findingsAndTurns } from './migrations/011-findings-and-turns.ts';
import { up as receipts } from './migrations/003-receipts.ts';
import { up as checklistsAndStrings } from './migrations/002-checklists-and-strings.ts';

/** Forward-only, in order. A landed migration is never edited. */
const MIGRATIONS = [
  { name: '001-first-path', up: firstPath },
  { name: '002-checklists-and-strings', up: checklistsAndStrings },
  { name: '003-receipts', up: receipts },
  { name: '004-damage-and-photos', up: damageAndPhotos },
  { name: '005-lists-and-presence', up: listsAndPresence },
  { name: '006-kinds-and-merges', up: kindsAndMerges },
  { name: '007-rounds-gauges-targets', up: roundsGaugesTargets },
  { name: '008-plans', up: plans },
  { name: '009-bench', up: bench },
  { name: '010-kept-secrets', up: keptSecrets },
  { name: '011-findings-and-turns', up: findingsAndTurns },
  { name: '012-counts-follow', up: countsFollow },
  { name: '013-short-list', up: shortList },
  { name: '014-agreed-records', up: agreedRecords },
  { name: '015-heard-places', up: heardPlaces },
  { name: '016-people-and-devices', up: peopleAndDevices },
  { name: '017-neck-screws', up: neckScrews },
  { name: '018-ends-and-payments', up: endsAndPayments },
  { name: '019-own-prices', up: ownPrices },
  { name: '020-retired-kinds', up: retiredKinds },
  { name: '021-delivery', up: delivery },
  { name: '022-strings-that-broke', up: stringsThatBroke },
  { name: '023-words-apart', up: wordsApart },
  { name: '024-calls', up: calls },
  { name: '025-hours-and-logo', up: hoursAndLogo },
  { name: '026-upkeep', up: upkeep },
  { name: '027-doors', up: doors },
  { name: '028-ledger', up: ledger },
  { name: '029-week', up: week },
  { name: '030-week-hours', up: weekHours },
  { name: '031-hunts', up: hunts },
  { name: '032-kept-sounds', up: keptSounds },
  { name: '033-buzz-of-readings', up: buzzOfReadings },
  { name: '034-learned-numbers', up: learnedNumbers },
  { name: '035-find-words', up: findWords },
  { name: '036-cuts', up: cuts },
  { name: '037-biography', up: biography },
  { name: '038-saved-views', up: savedViews },
  { name: '039-air', up: air },
  { name: '040-find-indexes', up: findIndexes },
  { name: '041-stores', up: stores },
  { name: '042-orders', up: orders },
  { name: '043-care', up: care },
  { name: '044-item-tax', up: itemTax },
  { name: '045-practice', up: practice },
  { name: '046-letter-of-order', up: letterOfOrder },
  { name: '047-telephone-digits', up: telephoneDigits },
  { name: '048-failures', up: failures },
  { name: '049-changed-secret', up: changedSecret },
  { name: '050-brought-in', up: broughtIn },
  { name: '051-turns', up: turns },
  { name: '052-plan-moves', up: planMoves },
  { name: '053-touch-not-said', up: touchNotSaid },
  { name: '054-matters', up: matters },
  { name: '055-set-paid', up: setPaid },
  { name: '056-set-of-rounds', up: setOfRounds },
  { name: '057-inside', up: inside },
  { name: '058-offered', up: offered },
];

/** The names of all migrations, in order. */
export const MIGRATION_NAMES: readonly string[] = MIGRATIONS.map((m) => m.name);

const runner = (sequelize: Sequelize) =>
  new Umzug({
    migrations: MIGRATIONS.map((m) => ({ name: m.name, up: () => m.up(sequelize) })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });

/** Brings a database up to date; returns the names of the migrations that ran. */
export async function migrate(sequelize: Sequelize): Promise<string[]> {
  return (await runner(sequelize).up()).map((m) => m.name);
}

/** Names of the migrations still to run. */
export async function pendingMigrations(sequelize: Sequelize): Promise<string[]> {
  return (await runner(sequelize).pending()).map((m) => m.name);
}
