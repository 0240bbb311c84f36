import type { Metadata } from 'next';
import { openEstimate } from '../../../server/customer/estimate.ts';
import { database } from '../../../server/db/connection.ts';
import { shopDays } from '../../_lib/shop-days.ts';
import { AnswerEstimate } from '../../../ui/customer/answer-estimate.tsx';
import { DeadLink } from '../../../ui/customer/dead-link.tsx';

export const metadata: Metadata = { title: 'Your estimate', robots: { index: false } };

interface Params {
  readonly params: Promise<{ token: string }>;
}

/** The customer's page: what was found, with photos, to be answered line by line, behind a link only they have. */
export default async function EstimatePage({ params }: Params) {
  const { token } = await params;
  await shopDays();
  const estimate = await openEstimate(database(), token, new Date());
  if (!estimate) return <DeadLink />;
  return (
    <main className="mx-auto max-w-2xl p-4">
      <p className="text-quiet">{estimate.shop.name}</p>
      <h1 className="text-3xl">{estimate.instrument}</h1>
      <p className="py-2">
        You told us: <q>{estimate.complaint}</q> Answer each line; nothing is done before you say yes to it.
      </p>
      <AnswerEstimate token={token} estimate={estimate} />
    </main>
  );
}
