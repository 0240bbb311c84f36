'use client';

import Link from '../kit/link.tsx';
import type { GatewaySettings } from '../../contracts/house-rules.ts';
import type { OutboxMessage } from '../../server/messages/load-outbox.ts';
import { Resend } from '../customer/resend.tsx';
import { sayMoment } from '../kit/dates.ts';
import { TextField } from '../kit/text-field.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';

const DOES: Readonly<Record<GatewaySettings['does'], string>> = {
  deliver: 'delivers',
  'every-third-fails': 'fails at every third',
  fail: 'fails',
};
const STATES = { waiting: '◌ on its way', delivered: '● delivered', failed: '◆ failed' } as const;

/** What stands beside a message of the stand-in: nobody must believe that it left. */
const SIMULATED = 'simulated: nothing left the house';

function Gateway({
  gateway,
  version,
  may,
}: {
  readonly gateway: GatewaySettings;
  readonly version: number;
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit({ does: gateway.does, delay: String(gateway.delay) }, version, 'house:gateway');
  const { does, delay } = edit.value;
  const fine = /^\d{1,4}$/.test(delay.trim());
  const error = trouble?.code === 'invalid' ? trouble.fields['gateway.delay'] : undefined;
  return (
    <form
      aria-label="The simulated gateway"
      className="flex flex-wrap items-end gap-4 border border-dashed border-plain p-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (fine)
          void edit.save((value, began) =>
            give('house.save-gateway', {
              version: began,
              gateway: { does: value.does, delay: Number(value.delay) },
            }),
          );
      }}
    >
      <PillChoice
        legend="The simulated gateway"
        value={does}
        options={DOES}
        onChange={(value) => edit.set({ does: value })}
        disabled={!may}
      />
      <TextField
        label="after so many seconds"
        error={fine ? error : 'Whole seconds'}
        className="w-44"
        inputMode="numeric"
        readOnly={!may}
        value={delay}
        onChange={(text) => edit.set({ delay: text })}
      />
      {may && (
        <button type="submit" className="button" disabled={busy || !fine}>
          Keep it so
        </button>
      )}
      <ConflictChoice edit={edit} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
    </form>
  );
}

/** What a message says, as far as the house keeps it. */
const wordsOf = (m: OutboxMessage): string =>
  m.body === ''
    ? m.number === null
      ? 'It was delivered: what it said stands in the order.'
      : 'It was delivered: what it said, and the link in it, are the customer’s alone now.'
    : m.body.replace('{link}', '(their own link, written in when it leaves)');

/** The outbox, to be read, and how the stand-in for a mail or text service behaves. */
export function Outbox({
  messages,
  gateway,
  version,
  mayChange,
  maySend,
}: {
  readonly messages: readonly OutboxMessage[];
  readonly gateway: GatewaySettings;
  readonly version: number;
  readonly mayChange: boolean;
  readonly maySend: boolean;
}) {
  return (
    <div className="space-y-4 px-5 py-4">
      <Gateway gateway={gateway} version={version} may={mayChange} />
      {messages.length === 0 && <p className="text-quiet">No message was written yet.</p>}
      <ul aria-label="Outbox">
        {messages.map((m) => (
          <li key={m.id} className="border-b border-line py-2">
            <details>
              <summary className="flex min-h-11 cursor-pointer flex-wrap items-center gap-4">
                <b className="font-serif text-lg">{m.number ?? 'Order'}</b>
                <span className="min-w-0 flex-1">{m.subject}</span>
                <span className="text-sm text-quiet">
                  {m.channel === 'mail' ? 'e-mail' : 'text'} to {m.address || 'nobody'} ·{' '}
                  {sayMoment(m.doneAt ?? m.madeAt)}
                </span>
                <span className={m.state === 'failed' ? 'text-rubric' : ''}>
                  {STATES[m.state]}
                  {m.trouble && `: ${m.trouble}`}
                  {m.wentBy === 'simulated' && ` (${SIMULATED})`}
                </span>
              </summary>
              {m.number === null ? (
                <Link href="/stores/orders" className="underline">
                  To the orders
                </Link>
              ) : (
                <Link href={`/job/${m.number}/hand-over`} className="underline">
                  To job {m.number}
                </Link>
              )}
              <pre className="py-2 font-sans break-words whitespace-pre-wrap">{wordsOf(m)}</pre>
              {m.calendar && (
                <pre
                  className="overflow-auto bg-shade p-2 text-xs"
                  aria-label="Calendar entry that goes with it"
                >
                  {m.calendar}
                </pre>
              )}
            </details>
            {m.state === 'failed' && maySend && <Resend messageId={m.id} />}
          </li>
        ))}
      </ul>
    </div>
  );
}
