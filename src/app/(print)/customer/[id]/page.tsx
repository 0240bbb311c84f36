import { notFound } from 'next/navigation';
import type { Periods } from '../../../../core/privacy/periods.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { customerFile } from '../../../../server/privacy/load-customer.ts';
import { loadPeriods } from '../../../../server/privacy/save-periods.ts';
import { dayOf, sayDate, sayMoment } from '../../../../ui/kit/dates.ts';
import { PrintButton } from '../../../../ui/kit/print-button.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'What is kept of a customer' };

const forGood = (n: number | null, unit: string): string => (n === null ? 'for good' : `for ${n} ${unit}`);
const text = (v: unknown): string => (typeof v === 'string' ? v : '');

type File = NonNullable<Awaited<ReturnType<typeof customerFile>>>;

function Visits({ jobs }: Pick<File, 'jobs'>) {
  return (
    <section className="space-y-3">
      <h2 className="text-xl">Visits</h2>
      {jobs.map((j) => {
        const job = j.job as Readonly<Record<string, unknown>>;
        const lines = j.parts['lines'] ?? [];
        const count = (part: string): number => j.parts[part]?.length ?? 0;
        return (
          <div key={String(job['number'])}>
            <h3 className="font-bold">
              Job {String(job['number'])}, {sayDate(dayOf(text(job['takenInAt'])))}
            </h3>
            <p>
              You told us: <q>{text(job['complaint'])}</q>
            </p>
            {lines.length > 0 && <p>On the order: {lines.map((l) => text(l['title'])).join(', ')}.</p>}
            <p className="text-sm">
              {count('readings')} readings, {count('answers')} answers of the checklist, {count('photos')}{' '}
              photos, {count('payments')} payments, {count('events')} entries of the log.
            </p>
          </div>
        );
      })}
    </section>
  );
}

function Messages({ messages }: { readonly messages: readonly Readonly<Record<string, unknown>>[] }) {
  return (
    <section>
      <h2 className="text-xl">Messages</h2>
      {messages.length === 0 && <p>None.</p>}
      <ul className="list-disc pl-5 text-sm">
        {messages.map((m, i) => (
          <li key={i}>
            {sayMoment(text(m['writtenAt']))}, {text(m['channel'])} to{' '}
            {text(m['address']) || 'an address not kept any more'}: {text(m['subject']) || text(m['purpose'])}
          </li>
        ))}
      </ul>
    </section>
  );
}

function HowLong({ periods }: { readonly periods: Periods }) {
  return (
    <section>
      <h2 className="text-xl">How long</h2>
      <p>
        Names and how you are reached: {forGood(periods.customersYears, 'years after your last visit')}.
        Photos: {forGood(periods.photosYears, 'years after a visit')}. Where messages went:{' '}
        {forGood(periods.messagesMonths, 'months')}. Your name on an invoice: at least{' '}
        {forGood(periods.invoicesYears, 'years')}. You may ask to be forgotten; what you signed then keeps its
        digest without your name.
      </p>
    </section>
  );
}

/** Everything that is kept of a customer, to read and to print. */
export default async function KeptOfCustomer({ params }: { readonly params: Promise<{ id: string }> }) {
  await requireActor('house');
  const { id } = await params;
  const db = database();
  const file = /^\d{1,9}$/.test(id) ? await customerFile(db, Number(id)) : null;
  if (!file) notFound();
  const [shop, { periods }] = await Promise.all([loadShop(db), loadPeriods(db)]);
  const { customer: c } = file;
  return (
    <main className="p-8">
      <article className="w-[190mm] space-y-4 bg-white p-[8mm] text-black">
        <header className="border-b-2 border-black pb-2">
          <h1 className="text-2xl">
            What {shop.name} keeps of {c.name}
          </h1>
          <p>{[c.phone, c.email].filter(Boolean).join(' · ')}</p>
          <p>Known since {sayDate(dayOf(c.since))}.</p>
        </header>
        <section>
          <h2 className="text-xl">Instruments</h2>
          <ul className="list-disc pl-5">
            {file.instruments.map((i) => (
              <li key={i.id}>
                {i.name} {i.serial}
              </li>
            ))}
          </ul>
        </section>
        <Visits jobs={file.jobs} />
        <Messages messages={file.messages as readonly Readonly<Record<string, unknown>>[]} />
        <HowLong periods={periods} />
      </article>
      <PrintButton />
    </main>
  );
}
