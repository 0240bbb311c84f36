'use client';

import { useState } from 'react';
import { sayMoment } from '../kit/dates.ts';
import { FreshLink } from '../kit/fresh-link.tsx';
import { Called } from '../desk/called.tsx';
import { Resend } from './resend.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { Trouble } from '../kit/trouble.tsx';
import { useSend, type Sender } from '../data/use-send.ts';

type Purpose = 'estimate' | 'sheet';
const NAMES: Readonly<Record<Purpose, string>> = {
  estimate: 'answer line by line',
  sheet: 'the customer’s sheet',
};
const MESSAGES = {
  estimate: 'estimate',
  ready: 'ready',
  'next-check': 'next check',
  look: 'a look offered',
} as const;
const CHANNELS = { mail: 'E-mail', text: 'Text', call: 'By telephone' } as const;
const STATES = { waiting: 'on its way', delivered: 'delivered', failed: 'failed' } as const;

function Messages({ job, may }: { readonly job: LeafProps['job']; readonly may: boolean }) {
  if (job.messages.length === 0) return null;
  return (
    <ul className="text-sm" aria-label="Messages to the customer">
      {job.messages.map((m) => (
        <li key={m.id} className={m.state === 'failed' ? 'text-rubric' : 'text-quiet'}>
          {m.state === 'failed' && '◆ '}
          {CHANNELS[m.channel]}, {MESSAGES[m.purpose as keyof typeof MESSAGES]}:{' '}
          {m.channel === 'call' ? m.trouble || 'they know' : STATES[m.state]}
          {m.channel !== 'call' && m.trouble && ` (${m.trouble})`}
          {m.wentBy === 'simulated' && ' (simulated: nothing left the house)'} · {sayMoment(m.madeAt)}{' '}
          {m.state === 'failed' && m.channel !== 'call' && may && <Resend messageId={m.id} />}
        </li>
      ))}
    </ul>
  );
}

/** What can be done with the customer's way in: made anew, taken back, sent. */
function Ways({
  job,
  purpose,
  open,
  mayHold,
  send: { give, busy },
  onToken,
}: {
  readonly job: LeafProps['job'];
  readonly purpose: Purpose;
  readonly open: LeafProps['job']['links'][number] | undefined;
  readonly mayHold: boolean;
  readonly send: Sender;
  readonly onToken: (token: string) => void;
}) {
  const { email, phone } = job.customer;
  const message = purpose === 'estimate' ? 'estimate' : 'ready';
  const make = async () => {
    const done = await give('work.link', { jobId: job.id, purpose });
    if (done) onToken(done.token);
  };
  const write = (channel: 'mail' | 'text') => {
    onToken('');
    void give('desk.message', { jobId: job.id, purpose: message, channel });
  };
  const button = (words: string, onClick: () => void) => (
    <button type="button" className="button" disabled={busy} onClick={onClick}>
      {words}
    </button>
  );
  return (
    <div className="flex flex-wrap gap-2">
      {mayHold && button(open ? 'New link' : 'Make a link', () => void make())}
      {open && button('Take it back', () => void give('work.withdraw-link', { linkId: open.id }))}
      {email !== '' && button('E-mail it', () => write('mail'))}
      {phone !== '' && button('Text it', () => write('text'))}
      <Called jobId={job.id} purpose={message} />
    </div>
  );
}

/** The customer's way in: made, sent, taken back. Messages say when they went by the simulated gateway. */
export function LinksPanel({
  job,
  purpose,
  may,
  mayHold,
}: {
  readonly job: LeafProps['job'];
  readonly purpose: Purpose;
  readonly may: boolean;
  /** whether this person may be told the link itself: whoever holds it answers as the customer */
  readonly mayHold: boolean;
}) {
  const send = useSend();
  const [token, setToken] = useState('');
  const open = job.links.find((l) => l.purpose === purpose);
  if (!may && !open) return null;
  return (
    <section aria-label={`Link: ${NAMES[purpose]}`} className="space-y-2">
      <h2 className="text-xl">On the customer’s phone</h2>
      {open ? (
        <p className="text-sm">
          A link to {NAMES[purpose]} is out since {sayMoment(open.at)}, until {sayMoment(open.expiresAt)}.
        </p>
      ) : (
        <p className="text-sm text-quiet">No link is out.</p>
      )}
      {may && (
        <Ways job={job} purpose={purpose} open={open} mayHold={mayHold} send={send} onToken={setToken} />
      )}
      {token !== '' && open && (
        <FreshLink path={`/${purpose}/${token}`} words="It opens this and nothing else, and is shown once." />
      )}
      <Messages job={job} may={may} />
      <Trouble trouble={send.trouble} />
    </section>
  );
}
