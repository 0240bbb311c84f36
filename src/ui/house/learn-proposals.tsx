'use client';

import { proposedNumber, type LearnProposal, type Minutes } from '../../core/learn/proposals.ts';
import { sayAmount, type MoneyForm } from '../../core/money/currency.ts';
import { useSend } from '../data/use-send.ts';
import { Trouble } from '../kit/trouble.tsx';

const sayMinutes = ({ low, likely, high }: Minutes): string => `${likely} min (${low} to ${high})`;
const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** What is proposed, in words: what it is of, what it is now, what it would become. */
function wordsOf(p: LearnProposal, currency: MoneyForm): readonly [title: string, now: string, then: string] {
  if (p.id === 'first-cut') return ['First cut, of the whole', percent(p.now), percent(p.proposed)];
  if (typeof p.proposed === 'number')
    return [`Price of ${p.name}`, sayAmount(p.now as number, currency), sayAmount(p.proposed, currency)];
  return [`Minutes of ${p.name}`, sayMinutes(p.now as Minutes), sayMinutes(p.proposed)];
}

function Proposal({ p, currency }: { readonly p: LearnProposal; readonly currency: MoneyForm }) {
  const { give, busy, trouble } = useSend();
  const [title, now, then] = wordsOf(p, currency);
  const answer = (take: boolean) =>
    void give('house.take-learned', { proposal: p.id, proposed: proposedNumber(p), take });
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-4 gap-y-1 border-b border-line py-2 max-sm:grid-cols-1">
      <div>
        <b>{title}</b>: {now} → <b>{then}</b>
        <p className="text-sm text-quiet">{p.says}</p>
        <Trouble trouble={trouble} />
      </div>
      <div className="flex gap-2">
        <button
          type="button"
          className="button button-main"
          disabled={busy}
          aria-label={`Take it: ${title}`}
          onClick={() => answer(true)}
        >
          Take it
        </button>
        <button
          type="button"
          className="button"
          disabled={busy}
          aria-label={`Not now: ${title}`}
          onClick={() => answer(false)}
        >
          Not now
        </button>
      </div>
    </li>
  );
}

/** What the shop's own work says its rules would better be. Nothing changes until somebody takes it. */
export function LearnProposals({
  proposals,
  currency,
}: {
  readonly proposals: readonly LearnProposal[];
  readonly currency: MoneyForm;
}) {
  return (
    <section aria-labelledby="proposed">
      <h2 id="proposed" className="text-2xl">
        What would have been right
      </h2>
      {proposals.length === 0 ? (
        <p className="text-quiet">
          Nothing to propose: the rules and what came out agree, or too little is known. A first cut takes 12
          logged cuts, minutes and prices 8 measured times.
        </p>
      ) : (
        <ul>
          {proposals.map((p) => (
            <Proposal key={p.id} p={p} currency={currency} />
          ))}
        </ul>
      )}
    </section>
  );
}
