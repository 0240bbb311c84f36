import { notFound } from 'next/navigation';
import { may } from '../../../../../core/people/roles.ts';
import { database } from '../../../../../server/db/connection.ts';
import { loadCustomer } from '../../../../../server/privacy/load-customer.ts';
import { dayOf, sayDate } from '../../../../../ui/kit/dates.ts';
import Link from '../../../../../ui/kit/link.tsx';
import { PageHead } from '../../../../../ui/kit/page-head.tsx';
import { TheirInstruments, TheirVisits } from '../../../../../ui/shelf/customer-page.tsx';
import { ForgetCustomer } from '../../../../../ui/shelf/forget-customer.tsx';
import { requireActor } from '../../../../_lib/session.ts';

export const metadata = { title: 'Customer' };

/** A customer of the shop: how they are reached, what is theirs, every visit, and what may be done with what is kept. */
export default async function CustomerPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const actor = await requireActor();
  const { id } = await params;
  const c = /^\d{1,9}$/.test(id) ? await loadCustomer(database(), Number(id)) : null;
  if (!c) notFound();
  const keeps = may(actor.role, 'house');
  return (
    <>
      <PageHead
        title={c.name}
        note={c.erasedAt === null ? `known since ${sayDate(dayOf(c.since))}` : 'their name was withdrawn'}
      >
        {c.erasedAt === null && may(actor.role, 'take-in') && (
          <Link href={`/desk/take-in?customer=${c.id}`} className="button">
            Take in another
          </Link>
        )}
        {keeps && (
          <>
            <a href={`/customer/${c.id}`} target="_blank" rel="noreferrer" className="button">
              What is kept, to read
            </a>
            <a href={`/api/customer/${c.id}/file`} download className="button">
              As a file
            </a>
          </>
        )}
      </PageHead>
      <div className="grid gap-8 px-5 py-3 lg:grid-cols-2">
        <div className="space-y-5">
          {c.erasedAt === null && (
            <p className="text-ink">
              {[c.phone, c.email].filter(Boolean).join(' · ') || 'No way to reach them.'}
            </p>
          )}
          <TheirInstruments instruments={c.instruments} />
          <TheirVisits jobs={c.jobs} />
        </div>
        {keeps && c.erasedAt === null && <ForgetCustomer customer={c} />}
        {c.erasedAt !== null && (
          <p className="self-start border border-line p-4">
            Their name and how they were reached were withdrawn on {sayDate(dayOf(c.erasedAt))}, from every
            job, message and entry of the log. What was signed keeps its digest and says so.
          </p>
        )}
      </div>
    </>
  );
}
