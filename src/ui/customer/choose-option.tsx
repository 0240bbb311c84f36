'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { openOffer } from '../../server/plan/offers.ts';
import { sayMoment } from '../kit/dates.ts';
import { TextField } from '../kit/text-field.tsx';
import { NameField } from '../kit/name-field.tsx';
import { sayByLink } from './say-by-link.ts';
import { OptionCard } from '../plan/option-card.tsx';

type Opened = NonNullable<Awaited<ReturnType<typeof openOffer>>>;

/** The customer's name under what they chose, and a word to the shop. */
function Yes({
  chosen,
  busy,
  wrong,
  onYes,
}: {
  readonly chosen: string;
  readonly busy: boolean;
  readonly wrong: string;
  readonly onYes: (by: string, note: string) => void;
}) {
  const [by, setBy] = useState('');
  const [note, setNote] = useState('');
  return (
    <form
      className="mt-4 max-w-xl space-y-3 border-t-2 border-plain pt-3"
      onSubmit={(e) => {
        e.preventDefault();
        onYes(by, note);
      }}
    >
      <NameField value={by} onChange={setBy} error={wrong === '' ? undefined : wrong} />
      <TextField
        label="Anything we should know (you may leave this empty)"
        rows={2}
        maxLength={400}
        value={note}
        onChange={setNote}
      />
      <button type="submit" className="button button-main" disabled={busy}>
        Yes: {chosen}
      </button>
    </form>
  );
}

/** The options with the customer's answer: one tap on one of them, a name, and it is the shop's to do. */
export function ChooseOption({
  token,
  offer,
  by: door = 'offer',
}: {
  readonly token: string;
  readonly offer: Opened;
  /** which link the customer came by */
  readonly by?: 'offer' | 'estimate';
}) {
  const router = useRouter();
  const [choice, setChoice] = useState('');
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState('');
  const chosen = offer.content.options.find((o) => o.id === offer.choice);
  const send = async (by: string, note: string) => {
    if (by.trim() === '') return setWrong('Please write your name.');
    setBusy(true);
    setWrong('');
    const done = await sayByLink(token, { choice, by: by.trim(), note: note.trim() }, door);
    setBusy(false);
    if (done.ok) router.refresh();
    else setWrong(done.message);
  };
  return (
    <>
      {chosen && (
        <p role="status" className="my-3 border-2 border-seal p-3 text-lg">
          ✓ {offer.choiceBy} chose <b>{chosen.name}</b>
          {offer.chosenAt && ` on ${sayMoment(offer.chosenAt)}`}. The shop has it. Changed your mind? Call us.
        </p>
      )}
      <div className="grid gap-4 md:grid-cols-3">
        {offer.content.options.map((o) => (
          <OptionCard key={o.id} option={o} currency={offer.shop.currency}>
            {!chosen && (
              <button
                type="button"
                className={`button mt-auto ${choice === o.id ? 'button-main' : ''}`}
                aria-label={`${choice === o.id ? '● This one' : 'Choose this'}: ${o.name}`}
                aria-pressed={choice === o.id}
                onClick={() => setChoice(o.id)}
              >
                {choice === o.id ? '● This one' : 'Choose this'}
              </button>
            )}
          </OptionCard>
        ))}
      </div>
      {!chosen && choice !== '' && (
        <Yes
          chosen={offer.content.options.find((o) => o.id === choice)?.name ?? ''}
          busy={busy}
          wrong={wrong}
          onYes={(by, note) => void send(by, note)}
        />
      )}
    </>
  );
}
