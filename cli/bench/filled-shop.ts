import { QueryTypes } from 'sequelize';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { NO_FACTS } from '../../src/core/job/leaves.ts';
import type { Database } from '../../src/server/db/connection.ts';

const AT_ONCE = 2000;
/** How varied the book of such a shop is. */
const JOBS_A_CUSTOMER = 3;
const MAKERS = 300;
const MODELS = 3000;
const WORDS = 5000;

const SYLLABLES = [
  'ka',
  'lo',
  'mir',
  'ten',
  'vu',
  'sa',
  'rel',
  'po',
  'di',
  'gan',
  'os',
  'fen',
  'bi',
] as const;

/** A made-up word of so many syllables, always the same for a number. */
function madeUp(n: number, syllables: number): string {
  let word = '';
  for (let i = 0, left = n; i < syllables; i++, left = Math.floor(left / SYLLABLES.length))
    word += SYLLABLES[(left + 5 * i) % SYLLABLES.length] ?? '';
  return word.charAt(0).toUpperCase() + word.slice(1);
}

const REST_MS = 180_000;
const AT_REST = 200;

/** What the server still has to clear away, and how much it has written so far. */
async function stillDoing({
  sequelize,
}: Database): Promise<{ readonly left: number; readonly written: number }> {
  const rows = await sequelize.query<{ Variable_name: string; Value: string }>(
    `SHOW GLOBAL STATUS WHERE Variable_name IN ('Innodb_history_list_length', 'Innodb_buffer_pool_pages_flushed')`,
    { type: QueryTypes.SELECT },
  );
  const of = (name: string): number => Number(rows.find((r) => r.Variable_name === name)?.Value ?? 0);
  return { left: of('Innodb_history_list_length'), written: of('Innodb_buffer_pool_pages_flushed') };
}

/** Waits until the server has done what it put off while rows poured in: measured is a house filled over years, not just now. */
async function atRest(db: Database): Promise<void> {
  let before = await stillDoing(db);
  for (const until = Date.now() + REST_MS; Date.now() < until;) {
    await new Promise((go) => setTimeout(go, 2000));
    const now = await stillDoing(db);
    if (now.left < AT_REST && now.written === before.written) return;
    before = now;
  }
}

/** Fills the shelf with closed jobs up to a number, as years of work would. */
export async function fillUpTo(db: Database, jobs: number): Promise<void> {
  const { models } = db;
  const have = await models.Job.count();
  const person = await models.Person.findOne();
  if (!person) throw new Error('the demo shop is not loaded');
  const now = new Date();
  const construction = usualConstruction('steel-acoustic');
  const last = ((await models.Job.max('number')) as number | null) ?? 400;
  for (let from = 0; from < jobs - have; from += AT_ONCE) {
    const n = Math.min(AT_ONCE, jobs - have - from);
    const customers = await models.Customer.bulkCreate(
      Array.from({ length: Math.ceil(n / JOBS_A_CUSTOMER) }, (_, i) => ({
        name: `${madeUp(have + from + i, 3)} ${madeUp(7 * (have + from + i), 4)}`,
        phone: `555 ${10_000 + have + from + i}`,
        createdAt: now,
      })),
    );
    const ownerOf = (i: number): number => customers[Math.floor(i / JOBS_A_CUSTOMER)]?.id ?? 0;
    const instruments = await models.Instrument.bulkCreate(
      Array.from({ length: n }, (_, i) => ({
        customerId: ownerOf(i),
        kind: 'steel-acoustic',
        maker: madeUp((have + from + i) % MAKERS, 3),
        model: madeUp((have + from + i) % MODELS, 4),
        serial: `B${have + from + i}`,
        scaleMm: '648',
        construction,
        createdAt: now,
      })),
    );
    await models.Job.bulkCreate(
      instruments.map((instrument, i) => ({
        number: last + 1 + from + i,
        instrumentId: instrument.id,
        customerId: ownerOf(i),
        complaint: `${madeUp((3 * (have + from + i)) % WORDS, 4)} ${madeUp((5 * (have + from + i)) % WORDS, 3)}`,
        touch: 'medium' as const,
        wish: '',
        stringsState: 'at-pitch' as const,
        waitingFor: 'home' as const,
        state: 'closed' as const,
        closedAt: now,
        facts: { ...NO_FACTS, signed: true },
        takenInAt: now,
        takenInBy: person.id,
      })),
    );
  }
  await atRest(db);
}
