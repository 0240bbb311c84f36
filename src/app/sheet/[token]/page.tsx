import type { Metadata } from 'next';
import { jobOfSheetLink } from '../../../server/customer/sheet-link.ts';
import { database } from '../../../server/db/connection.ts';
import { shopDays } from '../../_lib/shop-days.ts';
import { AskTheShop } from '../../../ui/customer/ask-the-shop.tsx';
import { DeadLink } from '../../../ui/customer/dead-link.tsx';
import { SheetView } from '../../../ui/customer/sheet-view.tsx';

export const metadata: Metadata = { title: 'Your instrument', robots: { index: false } };

interface Params {
  readonly params: Promise<{ token: string }>;
}

/** The customer's sheet behind a link only they have: what was done, before and after, advice, the next check. */
export default async function SheetPage({ params }: Params) {
  const { token } = await params;
  await shopDays();
  const job = await jobOfSheetLink(database(), token, new Date());
  if (!job) return <DeadLink />;
  return (
    <main className="mx-auto max-w-3xl p-4">
      <SheetView
        sheet={job.sheet.content}
        construction={job.instrument.construction}
        photos={job.photos.map((p) => `/api/link/${token}/photo/${p.id}?size=small`)}
      />
      <p className="flex flex-wrap gap-2 py-4">
        <a className="button" href={`/api/link/${token}/pdf`} target="_blank" rel="noreferrer">
          As PDF
        </a>
        {job.sheet.content.nextCheck && (
          <a className="button" href={`/api/link/${token}/check`} download="check.ics">
            Next check in my calendar
          </a>
        )}
      </p>
      {job.handOver.signedAt !== null && (
        <p className="text-seal">
          ✒ Signed by {job.handOver.signer}.{' '}
          <span className="font-mono text-xs break-all text-quiet">{job.sheet.digest}</span>
        </p>
      )}
      <AskTheShop
        token={token}
        title="Something you would have otherwise?"
        hint={`Write what you feel when you play. A tweak costs nothing within ${job.handOver.tweakDays} days.`}
        asked={job.remarks
          .filter((r) => r.customer)
          .map((r) => ({ words: r.words, answer: r.answer, at: r.at }))}
      />
    </main>
  );
}
