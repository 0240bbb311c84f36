import { likeCustomers, likeInstruments } from '../../core/record/duplicates.ts';
import type { Database } from '../db/connection.ts';
import type { JobCustomer } from '../../core/job/job-parts.ts';
import type { Instrument } from '../db/models/shop.ts';
import { readTogether, type Seen } from '../db/read-together.ts';

const digits = (s: string): string => s.replace(/\D/g, '');

const CUSTOMERS_LIKE = `merged_into IS NULL AND erased_at IS NULL AND (id = :id OR name = :name OR (:email <> '' AND email = :email)
  OR (:phone <> '' AND REGEXP_REPLACE(phone, '[^0-9]', '') = :phone))`;

/** Entries of the book that may be the same person or instrument, and the pairs that were judged to be two. */
function alike(
  { models, sequelize }: Pick<Database, 'models' | 'sequelize'>,
  c: Omit<JobCustomer, 'version'>,
  serial: string,
) {
  return readTogether(
    sequelize,
    {
      customers: { model: models.Customer, where: CUSTOMERS_LIKE },
      instruments: {
        model: models.Instrument,
        where: "merged_into IS NULL AND :serial <> '' AND serial = :serial",
      },
      judged: { model: models.Merge, where: "verdict = 'apart' AND undone_at IS NULL" },
    } as const,
    { id: c.id, name: c.name, email: c.email, phone: digits(c.phone), serial },
  );
}

/** Why the owner or the instrument of a job looks as if it stood in the book twice, in words; null when neither does. */
export async function looksDouble(
  db: Pick<Database, 'models' | 'sequelize'>,
  customer: JobCustomer | null,
  instrument: Seen<Instrument>,
): Promise<string | null> {
  const nobody = { id: 0, name: '', phone: '', email: '', version: 0 };
  const { customers, instruments, judged } = await alike(db, customer ?? nobody, instrument.serial);
  const apart = new Set(judged.map((m) => `${m.entity} ${m.keptId} ${m.goneId}`));
  const person = (customer ? likeCustomers(customers) : []).find(
    (p) => !apart.has(`customer ${p.keep} ${p.gone}`),
  );
  const thing = likeInstruments(instruments).find((p) => !apart.has(`instrument ${p.keep} ${p.gone}`));
  const said = [
    ...(person ? [`${customer?.name ?? 'the customer'} (${person.why})`] : []),
    ...(thing ? [`this instrument (${thing.why})`] : []),
  ];
  return said.length > 0 ? said.join(' and ') : null;
}
