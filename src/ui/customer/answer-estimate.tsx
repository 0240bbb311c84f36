'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { formatMoney } from '../../core/money/currency.ts';
import type { Estimate } from '../../server/customer/estimate.ts';
import { readDraft, saveDraft, useMounted } from '../data/draft.ts';
import { NameField } from '../kit/name-field.tsx';
import { ChooseOption } from './choose-option.tsx';
import { AskTheShop } from './ask-the-shop.tsx';
import { sayByLink } from './say-by-link.ts';

type Line = Estimate['lines'][number];
const ANSWERED = { yes: 'You said yes', no: 'You said no' } as const;

function Photos({ token, line }: { readonly token: string; readonly line: Line }) {
  return (
    <div className="flex flex-wrap gap-2">
      {line.photos.map((id, i) => (
        <a key={id} href={`/api/link/${token}/photo/${id}`} target="_blank" rel="noreferrer">
          <img
            src={`/api/link/${token}/photo/${id}?size=small`}
            alt={`Photo ${i + 1}: ${line.found ?? line.title}`}
            className="h-28 w-auto border border-line"
          />
        </a>
      ))}
    </div>
  );
}

/** A line with its finding, photo and price, and its yes or no. */
function EstimateLine({
  token,
  line: l,
  price,
  busy,
  onAnswer,
}: {
  readonly token: string;
  readonly line: Line;
  readonly price: string;
  /** nothing can be answered now */
  readonly busy: boolean;
  readonly onAnswer: (said: 'yes' | 'no') => void;
}) {
  return (
    <li className="space-y-2 border-b border-line py-4">
      <h2 className="flex justify-between gap-3 text-xl">
        <span>{l.title}</span> <span>{price}</span>
      </h2>
      {l.found !== null && <p>We found: {l.found}</p>}
      {l.detail && <p className="text-sm text-quiet">{l.detail}</p>}
      <Photos token={token} line={l} />
      {l.approval === 'asked' ? (
        <div className="flex gap-3">
          {(['yes', 'no'] as const).map((said) => (
            <button
              key={said}
              type="button"
              className={`button min-h-14 flex-1 text-lg ${said === 'yes' ? 'button-main' : ''}`}
              disabled={busy}
              aria-label={`${said === 'yes' ? 'Yes' : 'No'} to ${l.title}`}
              onClick={() => onAnswer(said)}
            >
              {said === 'yes' ? 'Yes' : 'No'}
            </button>
          ))}
        </div>
      ) : (
        <p className="text-ink">
          {l.approval === 'yes' ? '✓' : '✗'} {ANSWERED[l.approval]}
          {l.step === 'finished' && '; it is done'}
        </p>
      )}
    </li>
  );
}

/** Who answers, and how their answers come to the shop. */
function useAnswers(token: string, estimate: Estimate) {
  const router = useRouter();
  const alive = useMounted();
  const [by, setBy] = useState<string | null>(null);
  const [trouble, setTrouble] = useState('');
  const [busy, setBusy] = useState(false);
  const name = by ?? (alive ? (readDraft<string>('customer-name') ?? estimate.customer) : estimate.customer);
  const answer = async (line: Line, said: 'yes' | 'no') => {
    setBusy(true);
    saveDraft('customer-name', name);
    const done = await sayByLink(token, { lineId: line.id, version: line.version, answer: said, by: name });
    setBusy(false);
    setTrouble(done.ok ? '' : done.message);
    router.refresh();
  };
  return { name, setBy, trouble, busy, answer };
}

/** The estimate on a phone: each line with its finding, photo and price, a yes or a no, and questions. */
export function AnswerEstimate({ token, estimate }: { readonly token: string; readonly estimate: Estimate }) {
  const { name, setBy, trouble, busy, answer } = useAnswers(token, estimate);
  const money = (amount: number) => formatMoney(amount, estimate.shop.currency);
  const asked = estimate.lines.filter((l) => l.approval === 'asked');
  return (
    <>
      {estimate.offer && (
        <section aria-label="Options" className="py-2">
          <ChooseOption token={token} offer={estimate.offer} by="estimate" />
        </section>
      )}
      <p className="py-1">
        {asked.length === 0
          ? 'Everything is answered.'
          : `${asked.length} ${asked.length === 1 ? 'line waits' : 'lines wait'} for you.`}{' '}
        Agreed so far: <b>{money(estimate.agreed)}</b> with tax
        {estimate.limit !== null && `; your limit is ${money(estimate.limit)}`}.
      </p>
      <p className="py-1 text-sm text-quiet">{estimate.cleaning}</p>
      {asked.length > 0 && (
        <NameField
          value={name}
          onChange={setBy}
          error={name.trim() === '' ? 'Write your name first' : undefined}
        />
      )}
      {trouble && (
        <p role="alert" className="py-2 text-rubric">
          ◆ {trouble}
        </p>
      )}
      <ul>
        {estimate.lines.map((l) => (
          <EstimateLine
            key={l.id}
            token={token}
            line={l}
            price={money(l.price)}
            busy={busy || name.trim() === ''}
            onAnswer={(said) => void answer(l, said)}
          />
        ))}
      </ul>
      <AskTheShop
        token={token}
        title="A question?"
        hint="The shop answers here."
        asked={estimate.questions}
      />
    </>
  );
}
