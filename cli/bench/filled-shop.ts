import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { NO_FACTS } from '../../src/core/job/leaves.ts';
import type { Database } from '../../src/server/db/connection.ts';

const AT_ONCE = 2000;

/** Fills the shelf with closed jobs up to a number, as years of work would. */
export async function fillUpTo(db: Database, jobs: number): Promise<void> {
  const { models } = db;
  const have = await models.Job.count();
  const [customer, person] = await Promise.all([models.Customer.findOne(), models.Person.findOne()]);
  if (!customer || !person) throw new Error('the demo shop is not loaded');
  const now = new Date();
  const construction = usualConstruction('steel-acoustic');
  const last = ((await models.Job.max('number')) as number | null) ?? 400;
  for (let from = 0; from < jobs - have; from += AT_ONCE) {
    const n = Math.min(AT_ONCE, jobs - have - from);
    const instruments = await models.Instrument.bulkCreate(
      Array.from({ length: n }, (_, i) => ({
        customerId: customer.id,
        kind: 'steel-acoustic',
        maker: 'Wendlow',
        model: 'Otter',
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
        customerId: customer.id,
        complaint: 'a past job',
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
}
