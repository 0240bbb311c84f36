import type { Metadata } from 'next';
import { database } from '../../../server/db/connection.ts';
import { shopDays } from '../../_lib/shop-days.ts';
import { openOffer } from '../../../server/plan/offers.ts';
import { ChooseOption } from '../../../ui/customer/choose-option.tsx';

export const metadata: Metadata = { title: 'Your options', robots: { index: false } };

interface Params {
  readonly params: Promise<{ token: string }>;
}

/** The customer's page: the options for their instrument, behind a link only they have. */
export default async function OptionsPage({ params }: Params) {
  const { token } = await params;
  await shopDays();
  const offer = await openOffer(database(), token, new Date());
  if (!offer)
    return (
      <main className="mx-auto max-w-xl p-5">
        <h1 className="text-3xl">This link opens nothing any more</h1>
        <p className="py-3">
          It may be too old, or the shop has sent a newer one. Call the shop; they know your job.
        </p>
      </main>
    );
  return (
    <main className="mx-auto max-w-5xl p-4">
      <p className="text-quiet">{offer.shop.name}</p>
      <h1 className="text-3xl">{offer.content.instrument}</h1>
      <p className="py-2">
        You told us: <q>{offer.content.complaint}</q> This is what we can do. Read it in peace; nothing is
        done before you choose.
      </p>
      <ChooseOption token={token} offer={offer} />
    </main>
  );
}
