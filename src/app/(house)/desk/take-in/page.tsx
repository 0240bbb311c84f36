import { database } from '../../../../server/db/connection.ts';
import { placesWithJobs } from '../../../../server/desk/places.ts';
import { findCustomer } from '../../../../server/desk/find.ts';
import { offeredKinds } from '../../../../server/house/kinds.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { Intake } from '../../../../ui/desk/intake.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Take in' };

type Asked = Readonly<Partial<Record<'customer' | 'instrument' | 'serial' | 'name', string | string[]>>>;

const one = (value: string | string[] | undefined): string =>
  typeof value === 'string' ? value.slice(0, 120) : '';

export default async function TakeInPage({ searchParams }: { readonly searchParams: Promise<Asked> }) {
  await requireActor('take-in');
  const db = database();
  const asked = await searchParams;
  const id = /^\d{1,9}$/.test(one(asked.customer)) ? Number(one(asked.customer)) : 0;
  const [places, kinds, customer, shop] = await Promise.all([
    placesWithJobs(db),
    offeredKinds(db),
    findCustomer(db, id),
    loadShop(db),
  ]);
  const instrument = customer?.instruments.find(
    (i) => String(i.id) === one(asked.instrument) && i.openJob === null,
  );
  return (
    <>
      <PageHead title="Desk" note="Taking in, in the order of the talk" />
      <Intake
        places={places.filter((p) => p.kind === 'rack')}
        kinds={kinds.filter((k) => !k.retired)}
        currency={shop.currency}
        begin={{
          customer,
          instrumentId: instrument?.id ?? null,
          serial: one(asked.serial),
          name: one(asked.name),
        }}
      />
    </>
  );
}
