'use client';

import { useMemo, useState } from 'react';
import { optionsFor, type CustomerOption } from '../../core/plan/options.ts';
import type { Plans } from '../../core/plan/solve/plans.ts';
import { FreshLink } from '../kit/fresh-link.tsx';
import { sayMoment } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';
import { OptionCard } from './option-card.tsx';

const HOW = ['at the counter', 'by telephone', 'in writing'] as const;
const DAYS = 14;
type Offer = LeafProps<'plan'>['job']['plan']['offers'][number];

function Said({ job, offer }: Pick<LeafProps<'plan'>, 'job'> & { readonly offer: Offer }) {
  const { give, busy, trouble } = useSend();
  const [choice, setChoice] = useState<CustomerOption['id']>(offer.options[0]?.id ?? 'leave');
  const [how, setHow] = useState<(typeof HOW)[number]>('at the counter');
  const [by, setBy] = useState(job.customer.name);
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void give('plan.record-choice', { offerId: offer.id, choice, by, how, note: '' });
      }}
    >
      <FormField label="The customer chose" className="w-60">
        {(w) => (
          <ListChoice
            {...w}
            value={choice}
            items={offer.options.map((o) => ({ value: o.id, name: o.name }))}
            onChange={(v) => setChoice(v as CustomerOption['id'])}
          />
        )}
      </FormField>
      <FormField label="How" className="w-44">
        {(w) => (
          <ListChoice
            {...w}
            value={how}
            items={HOW.map((h) => ({ value: h, name: h }))}
            onChange={(v) => setHow(v as (typeof HOW)[number])}
          />
        )}
      </FormField>
      <FormField label="Who said so" className="w-52">
        {(w) => <input {...w} className="field" value={by} onChange={(e) => setBy(e.target.value)} />}
      </FormField>
      <button type="submit" className="button" disabled={busy}>
        Write it down
      </button>
      <Trouble trouble={trouble} />
    </form>
  );
}

/** Two or three options in plain words, put before the customer by a link, on paper or at the counter. */
export function OptionsPanel({
  job,
  allowed,
  plans,
}: Pick<LeafProps<'plan'>, 'job' | 'allowed'> & { readonly plans: Plans | null }) {
  const { give, busy, trouble } = useSend();
  const [token, setToken] = useState('');
  const options = useMemo(() => (plans ? optionsFor(plans.plans, job.shop.tax) : []), [plans, job.shop.tax]);
  const [newest, ...older] = job.plan.offers;
  const open = newest && newest.choice === null && !newest.withdrawn ? newest : null;
  const offer = async () => {
    const done = await give('plan.offer', { jobId: job.id, days: DAYS });
    if (done) setToken(done.token);
  };
  return (
    <section aria-label="Options for the customer" className="space-y-4">
      <div className="grid gap-4 md:grid-cols-3">
        {options.map((o) => (
          <OptionCard key={o.id} option={o} currency={job.shop.currency} />
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-3 print:hidden">
        {allowed.plan && options.length > 0 && (
          <button type="button" className="button button-main" disabled={busy} onClick={() => void offer()}>
            {open ? 'Make a new link' : 'Put them before the customer'}
          </button>
        )}
        <a className="button" href={`/job/${job.number}/options`} target="_blank" rel="noreferrer">
          On paper
        </a>
        <Trouble trouble={trouble} />
      </div>
      {token !== '' && open && (
        <FreshLink
          path={`/options/${token}`}
          words="This link opens the options and nothing else. It is shown once; send it to the customer now."
        />
      )}
      {open && (
        <div className="space-y-3 border-t border-line pt-3">
          <p>
            With the customer since {sayMoment(open.at)}, until {sayMoment(open.expiresAt)}.{' '}
            {allowed.plan && (
              <button
                type="button"
                className="button"
                disabled={busy}
                onClick={() => void give('plan.withdraw-offer', { offerId: open.id })}
              >
                Take the link back
              </button>
            )}
          </p>
          {allowed.approve && <Said job={job} offer={open} />}
        </div>
      )}
      {[...(newest && !open ? [newest] : []), ...older].map((o) => (
        <p key={o.id} className="text-sm">
          {sayMoment(o.at)}, {o.by}:{' '}
          {o.choice ? (
            <b>
              {o.choiceBy} chose “{o.options.find((x) => x.id === o.choice)?.name}” {o.choiceHow}
              {o.chosenAt && `, ${sayMoment(o.chosenAt)}`}
              {o.choiceNote && `: ${o.choiceNote}`}.
            </b>
          ) : (
            'taken back.'
          )}
        </p>
      ))}
    </section>
  );
}
