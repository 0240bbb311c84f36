import Link from '../kit/link.tsx';
import { MATTERS } from '../../core/instrument/matters.ts';
import { SET_PAYERS } from '../../core/job/set-payer.ts';
import { unknownAtArrival } from '../../core/job/unknowns.ts';
import { STRINGS_STATES } from '../../core/readings/conditions.ts';
import { sayTouch } from '../../core/targets/target.ts';
import { formatMoney } from '../../core/money/currency.ts';
import { sayMoment } from '../kit/dates.ts';
import { DamagePanel } from '../custody/damage-panel.tsx';
import { InstrumentHistory } from '../instrument/instrument-history.tsx';
import { ChangeInstrument } from '../instrument/instrument-dialog.tsx';
import { ConstructionFacts } from '../arrival/construction-facts.tsx';
import { CorrectCustomer } from '../arrival/correct-customer.tsx';
import { ThingsThatCame } from '../arrival/things-that-came.tsx';
import { CorrectSaid } from '../arrival/correct-said.tsx';
import { ReceiptPanel } from '../arrival/receipt-panel.tsx';
import { WhereItHangs } from '../arrival/where-it-hangs.tsx';
import type { LeafProps } from '../job/leaf-props.ts';

/** What nobody has said yet: not compulsory, but worth asking while they are here or on the telephone. */
function Unknowns({ job }: Pick<LeafProps<'kinds' | 'visits' | 'double' | 'receipt'>, 'job'>) {
  if (job.state === 'closed') return null;
  const open = unknownAtArrival({
    ...job,
    ...job.customer,
    ...job.instrument,
    setUnpaid: job.needsSet && job.setPaidBy === null,
  });
  if (open.length === 0) return null;
  return <p className="text-sm text-quiet">Not known yet: {open.join(', ')}.</p>;
}

type ArrivalJob = LeafProps<'kinds' | 'visits' | 'double' | 'receipt'>['job'];

/** The complaint, the wish and who plays how, as they were said; by whom, and whether the book has them twice. */
function Said({ job, mayCorrect }: { readonly job: ArrivalJob; readonly mayCorrect: boolean }) {
  return (
    <>
      <blockquote className="border-l-4 border-ink pl-4 font-serif text-lg text-ink">
        {job.complaint}
      </blockquote>
      {job.wish && (
        <p>
          Wish: <span className="text-ink">{job.wish}</span>
        </p>
      )}
      <p>
        Plays:{' '}
        <span className={job.touch || job.plays ? 'text-ink' : ''}>
          {[sayTouch(job.touch), job.plays].filter(Boolean).join(', ')}
        </span>
      </p>
      <p>
        Strings: <span className="text-ink">{STRINGS_STATES[job.stringsState]}</span>
        {job.setPaidBy && (
          <>
            ; the set it needs first is paid by <span className="text-ink">{SET_PAYERS[job.setPaidBy]}</span>
          </>
        )}
      </p>
      {job.matters && (
        <p>
          Matters for: <span className="text-ink">{MATTERS[job.matters]}</span>
        </p>
      )}
      {job.limit !== null && (
        <p>
          Limit: <span className="text-ink">{formatMoney(job.limit, job.shop.currency)}</span>
        </p>
      )}
      <p className="text-sm text-quiet">
        Taken in by {job.takenInBy}, {sayMoment(job.takenInAt)}.{' '}
        <Link
          href={`/shelf/customer/${job.customer.id}`}
          className="inline-flex min-h-8 items-center underline"
        >
          {job.customer.name}
        </Link>
        , {job.customer.phone || 'no telephone'} {mayCorrect && <CorrectCustomer job={job} />}
      </p>
      <Unknowns job={job} />
      {job.double && mayCorrect && (
        <p className="text-sm text-rubric">
          ◆ In the book twice, it seems: {job.double}.{' '}
          <Link href="/shelf/double" className="inline-flex min-h-8 items-center underline">
            Look
          </Link>
        </p>
      )}
    </>
  );
}

/** The visits before this one. */
function HereBefore({ job }: { readonly job: ArrivalJob }) {
  if (job.visits.length === 0) return null;
  return (
    <section aria-labelledby="before">
      <h2 id="before" className="mb-1 text-xl">
        Here before
      </h2>
      <InstrumentHistory id={job.instrument.id} brief />
      <ul>
        {job.visits.map((v) => (
          <li key={v.number}>
            <Link className="inline-flex min-h-8 items-center underline" href={`/job/${v.number}/hand-over`}>
              {v.number}, {sayMoment(v.takenInAt).split(',')[0]} {v.takenInAt.slice(0, 4)}
            </Link>
            : {v.complaint}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What was said and brought at the counter. */
export function ArrivalLeaf({ job, allowed }: LeafProps<'kinds' | 'visits' | 'double' | 'receipt'>) {
  return (
    <div className="grid gap-8 lg:grid-cols-3">
      <section aria-labelledby="said" className="space-y-2">
        <div className="flex items-center justify-between">
          <h2 id="said" className="text-xl">
            In the customer’s words
          </h2>
          {allowed.take && job.state === 'open' && <CorrectSaid job={job} />}
        </div>
        <Said job={job} mayCorrect={allowed.take} />
        <section aria-labelledby="facts">
          <div className="mb-1 flex items-center justify-between">
            <h2 id="facts" className="text-xl">
              Construction
            </h2>
            {allowed.take && <ChangeInstrument job={job} />}
          </div>
          <ConstructionFacts job={job} may={allowed.take} />
        </section>
      </section>
      <DamagePanel job={job} may={allowed.take} />
      <section aria-labelledby="things" className="space-y-4">
        <h2 id="things" className="text-xl">
          What came with it
        </h2>
        <ThingsThatCame job={job} may={allowed.take} />
        <ReceiptPanel job={job} may={allowed.house} />
        {allowed.house && <WhereItHangs job={job} />}
        <HereBefore job={job} />
      </section>
    </div>
  );
}
