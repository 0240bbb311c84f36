import { notFound } from 'next/navigation';
import { database } from '../../../../../server/db/connection.ts';
import { VIEW_NAMES, VIEWS } from '../../../../../core/instrument/outline.ts';
import { limitOnReceipt } from '../../../../../core/money/limit-on-receipt.ts';
import { loadJob, type JobView } from '../../../../../server/leaves/load-job.ts';
import { InstrumentDrawing } from '../../../../../ui/custody/instrument-drawing.tsx';
import { dayOf, sayDate } from '../../../../../ui/kit/dates.ts';
import { PrintButton } from '../../../../../ui/kit/print-button.tsx';
import { SignatureDrawing } from '../../../../../ui/kit/signature.tsx';
import { requireActor } from '../../../../_lib/session.ts';

/** The sides that carry marks, the words beside their numbers, and the photos. */
function ReceiptDrawings({ job }: { readonly job: JobView }) {
  const views = VIEWS.filter((v) => job.marks.some((m) => m.view === v));
  return (
    <>
      <div className="flex gap-4">
        {views.map((v) => (
          <div key={v} className={v.endsWith('side') ? 'w-56' : 'h-44 w-32'}>
            <InstrumentDrawing
              construction={job.instrument.construction}
              view={v}
              marks={job.marks}
              pin={v === 'head' ? 6 : 9}
            />
          </div>
        ))}
      </div>
      <ol>
        {job.marks.map((m) => (
          <li key={m.id}>
            <b>{m.number}</b> {VIEW_NAMES[m.view]}: {m.words || 'marked'}
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap gap-2">
        {job.photos
          .filter((p) => p.item === null)
          .map((p) => (
            <img key={p.id} src={`/api/photo/${p.id}?size=small`} alt={`Photo by ${p.by}`} className="h-24" />
          ))}
      </div>
    </>
  );
}

/** Whose it is, what it is and why it came. */
function ReceiptHead({ job }: { readonly job: JobView }) {
  const { seen } = job.receipt;
  return (
    <>
      <header className="flex items-baseline justify-between border-b-2 border-black pb-2">
        <div>
          <h1 className="text-2xl">{job.shop.name}</h1>
          <p className="text-sm whitespace-pre-line">
            {[job.shop.address, job.shop.phone].filter((t) => t !== '').join('\n')}
          </p>
        </div>
        <p>
          Receipt <b className="font-serif text-3xl">{job.number}</b>
        </p>
      </header>
      <p>
        Left by <b>{job.customer.name}</b> on {sayDate(dayOf(job.takenInAt))}, taken in by {job.takenInBy}
        {job.neededBy && `; wanted by ${sayDate(job.neededBy)}`}.
      </p>
      <p>
        <b>{job.instrument.name}</b>, {job.instrument.kindName.toLowerCase()}
        {job.instrument.year && `, ${job.instrument.year}`}; serial {job.instrument.serial || 'not read'};
        strings: {seen.strings}.
      </p>
      <p>
        In the customer’s words: <q>{job.complaint}</q>
        {job.wish !== '' && (
          <>
            {' '}
            <q>{job.wish}</q>
          </>
        )}
      </p>
      {job.limit !== null && <p>{limitOnReceipt(job.limit, job.shop.currency)}</p>}
    </>
  );
}

export const metadata = { title: 'Receipt' };

/** What the customer left, on one sheet: instrument, things, damage, complaint, initials. */
export default async function ReceiptPage({ params }: { readonly params: Promise<{ number: string }> }) {
  await requireActor();
  const { number } = await params;
  const job = /^\d{1,9}$/.test(number) ? await loadJob(database(), Number(number)) : null;
  if (!job) notFound();
  const { seen, given } = job.receipt;
  return (
    <main className="p-8">
      <article
        aria-label={`Receipt of job ${job.number}`}
        className="w-[170mm] space-y-4 border border-plain bg-white p-[10mm] text-black"
      >
        <ReceiptHead job={job} />
        <section>
          <h2 className="text-lg">What came with it</h2>
          {seen.things.length === 0 ? (
            <p>Nothing but the instrument.</p>
          ) : (
            <ul className="list-disc pl-6">
              {seen.things.map((t, i) => (
                <li key={i}>
                  {t.name}
                  {t.state && `: ${t.state}`}
                </li>
              ))}
            </ul>
          )}
        </section>
        <section>
          <h2 className="text-lg">Damage already there</h2>
          {(seen.damage || !seen.marks) && <p>{seen.damage || 'None noted.'}</p>}
          {job.marks.length > 0 && <ReceiptDrawings job={job} />}
        </section>
        <section className="flex items-end justify-between gap-6 pt-4">
          <p>{given ? `Seen by ${given.name}, ${sayDate(dayOf(given.at))}` : 'Seen (initials)'}</p>
          <div className="min-h-16 w-64 border-b border-black">
            {given?.initials && <SignatureDrawing json={given.initials} />}
          </div>
        </section>
      </article>
      <PrintButton />
    </main>
  );
}
