import { notFound } from 'next/navigation';
import { judge } from '../../../../../core/job/judge.ts';
import { optionsFor } from '../../../../../core/plan/options.ts';
import { database } from '../../../../../server/db/connection.ts';
import { readJobNumber } from '../../../../../server/jobs/read-job.ts';
import { offerOfJob } from '../../../../../server/plan/offers.ts';
import { OptionCard } from '../../../../../ui/plan/option-card.tsx';
import { PrintButton } from '../../../../../ui/kit/print-button.tsx';
import { requireActor } from '../../../../_lib/session.ts';

export const metadata = { title: 'Options' };

/** The options on paper, with a box to tick at each. */
export default async function PaperOptions({ params }: { readonly params: Promise<{ number: string }> }) {
  await requireActor();
  const { number } = await params;
  const db = database();
  const g = /^\d{1,9}$/.test(number) ? await readJobNumber(db.models, Number(number)) : null;
  if (!g) notFound();
  const { job } = g;
  const { problem, plans } = judge(g).planned();
  const shop = g.shop.info;
  // What was put before the customer is what is printed; before that, what is found now.
  const offer = await offerOfJob(db, job.id, new Date());
  const options = offer?.content.options ?? optionsFor(plans?.plans ?? [], shop.tax);
  return (
    <main className="p-8">
      <article
        aria-label={`Options for job ${job.number}`}
        className="w-[190mm] space-y-4 bg-white p-[8mm] text-black"
      >
        <header className="flex items-baseline justify-between border-b-2 border-black pb-2">
          <h1 className="text-2xl">
            {g.instrument.maker} {g.instrument.model}
          </h1>
          <p>
            {shop.name} · job {job.number}
          </p>
        </header>
        <p>
          You told us: <q>{job.complaint}</q>
        </p>
        {'because' in problem && options.length === 0 && <p>{problem.because}</p>}
        <div className="grid grid-cols-3 gap-3 text-sm">
          {options.map((o) => (
            <OptionCard key={o.id} option={o} currency={shop.currency}>
              <p className="mt-auto border-t border-black pt-2">☐ this one</p>
            </OptionCard>
          ))}
        </div>
        <p className="pt-6">Name and date: ______________________________________</p>
      </article>
      <PrintButton />
    </main>
  );
}
