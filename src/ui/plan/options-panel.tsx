'use client';

import { useMemo, useState } from 'react';
import { optionsFor, ownOption, type CustomerOption, type OwnOption } from '../../core/plan/options.ts';
import { dropDraft, readDraft, saveDraft } from '../data/draft.ts';
import { fittingOf } from '../../core/catalogue/operations.ts';
import type { Plans } from '../../core/plan/solve/plans.ts';
import { FreshLink } from '../kit/fresh-link.tsx';
import { sayMoment } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';
import { OptionCard } from './option-card.tsx';
import { OwnOptions } from './own-options.tsx';

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
      <TextField label="Who said so" className="w-52" value={by} onChange={setBy} />
      <button type="submit" className="button" disabled={busy}>
        Write it down
      </button>
      <Trouble trouble={trouble} />
    </form>
  );
}

/** Whether an option says something yet: one of our own is empty until it is begun. */
const isSomething = (o: CustomerOption): boolean =>
  o.name !== '' || (o.operations ?? []).length > 0 || o.left.length > 0;

/** Two or three options in plain words, put before the customer by a link, on paper or at the counter. */
export function OptionsPanel({
  job,
  allowed,
  plans,
}: Pick<LeafProps<'plan'>, 'job' | 'allowed'> & { readonly plans: Plans | null }) {
  const { give, busy, trouble } = useSend();
  const [token, setToken] = useState('');
  const draft = `own-options:${job.id}`;
  // The panel comes after a tap, never with the page: what was written before is read at once.
  const [own, setOwn] = useState<readonly OwnOption[]>(() => readDraft(draft) ?? []);
  const [ownOnly, setOwnOnly] = useState(false);
  const found = useMemo(() => (plans ? optionsFor(plans.plans, job.shop.tax) : []), [plans, job.shop.tax]);
  const written = own.map((o, i) => ownOption(o, i + 1, job.plan.catalogue, job.shop.tax));
  const options = [...(ownOnly ? [] : found), ...written];
  const write = (to: readonly OwnOption[]) => {
    setOwn(to);
    if (to.length === 0) setOwnOnly(false);
    if (to.length === 0) dropDraft(draft);
    else saveDraft(draft, to);
  };
  const [newest, ...older] = job.plan.offers;
  const open = newest && newest.choice === null && !newest.withdrawn ? newest : null;
  const offer = async () => {
    const done = await give('plan.offer', {
      jobId: job.id,
      days: DAYS,
      ...(own.length > 0 && { own: own.map((o) => ({ ...o, operations: [...o.operations] })), ownOnly }),
    });
    if (!done) return;
    setToken(done.token ?? '');
    write([]);
  };
  const link = async (offerId: number) => {
    const done = await give('plan.offer-link', { offerId });
    if (done) setToken(done.token);
  };
  return (
    <section aria-label="Options for the customer" className="space-y-4">
      <div className="grid gap-4 md:grid-cols-3">
        {options.filter(isSomething).map((o) => (
          <OptionCard key={o.id} option={o} currency={job.shop.currency} />
        ))}
      </div>
      {allowed.plan && (
        <OwnOptions
          catalogue={fittingOf(
            job.plan.catalogue,
            job.instrument.construction,
            own.flatMap((o) => o.operations),
          )}
          own={own}
          errors={trouble?.code === 'invalid' ? trouble.fields : {}}
          onChange={write}
        />
      )}
      {own.length > 0 && found.length > 0 && (
        <label className="flex min-h-11 items-center gap-3 print:hidden">
          <input
            type="checkbox"
            className="h-6 w-6 shrink-0"
            checked={ownOnly}
            onChange={(e) => setOwnOnly(e.target.checked)}
          />
          Only those written by hand
        </label>
      )}
      <div className="flex flex-wrap items-center gap-3 print:hidden">
        {allowed.plan && options.length > 0 && (
          <button type="button" className="button button-main" disabled={busy} onClick={() => void offer()}>
            {open ? 'Put these before the customer instead' : 'Put them before the customer'}
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
          <p className="flex flex-wrap items-center gap-2">
            With the customer since {sayMoment(open.at)}, until {sayMoment(open.expiresAt)}.{' '}
            {allowed.approve ? (
              <button type="button" className="button" disabled={busy} onClick={() => void link(open.id)}>
                Make a new link
              </button>
            ) : (
              'Whoever answers for the customer (desk, lead) makes the link here. '
            )}{' '}
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
          {allowed.plan && o.choice?.startsWith('own-') && (
            <button
              type="button"
              className="button ml-2"
              disabled={busy}
              onClick={() => void give('plan.take-option', { offerId: o.id })}
            >
              Put it on the order, with their yes
            </button>
          )}
        </p>
      ))}
    </section>
  );
}
