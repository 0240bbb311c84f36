'use client';

import { CloudOff } from 'lucide-react';
import { useEffect } from 'react';
import type { CommandInput } from '../../contracts/commands/commands.ts';
import { sayMoment } from '../kit/dates.ts';
import { refreshSoon } from './refresh.ts';
import { useMounted } from './draft.ts';
import {
  flush,
  inputNow,
  letTheirsStand,
  sayMineOver,
  setOwner,
  tryAgain,
  useQueue,
  type Outcome,
  type Queued,
} from './command-queue.ts';
import { postCommand } from './wire.ts';

const EVERY_MS = 2500;

async function post(e: Queued): Promise<Outcome> {
  const input = inputNow(e, Date.now()) as unknown as CommandInput<Queued['name']>;
  const reply = await postCommand({ id: e.id, name: e.name, input });
  if (reply.kind === 'refused') return { kind: 'no', error: reply.error };
  if (reply.kind !== 'done') return reply;
  return { kind: 'done', version: 'version' in reply.value ? reply.value.version : null };
}

function Waiting({ one }: { readonly one: Queued }) {
  if (one.state === 'waiting')
    return (
      <li className="text-ink">
        ◌ {one.says} <span className="text-quiet">{sayMoment(one.at)}</span>{' '}
        <button type="button" className="button" onClick={() => letTheirsStand(one.id)}>
          Forget mine
        </button>
      </li>
    );
  return (
    <li className="text-rubric" role="alert">
      ◆ {one.says}: {one.message}{' '}
      {one.theirs && (
        <button type="button" className="button" onClick={() => sayMineOver(one.id)}>
          Say mine over it
        </button>
      )}{' '}
      {one.state === 'failed' && (
        <button type="button" className="button" onClick={() => tryAgain(one.id)}>
          Try again
        </button>
      )}{' '}
      <button type="button" className="button" onClick={() => letTheirsStand(one.id)}>
        {one.theirs ? 'Let theirs stand' : 'Forget mine'}
      </button>
    </li>
  );
}

/** What was done without a connection: shown as unsent, sent in order when the house is there again, conflicts to decide. */
export function QueueStrip({ person }: { readonly person: number }) {
  const queue = useQueue();
  const alive = useMounted();
  const waits = queue.some((e) => e.state === 'waiting' && e.person === person);
  setOwner(person);
  useEffect(() => {
    if (!waits) return;
    let busy = false;
    const now = async () => {
      if (busy) return;
      busy = true;
      const went = await flush(post);
      busy = false;
      if (went) refreshSoon();
    };
    const again = () => void now();
    again();
    const timer = setInterval(again, EVERY_MS);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [waits]);
  if (!alive || queue.length === 0) return null;
  const mine = queue.filter((e) => e.person === person);
  const others = queue.length - mine.length;
  const wants = mine.some((e) => e.state !== 'waiting');
  return (
    <section aria-label="Not sent yet" className="no-print border-b border-plain bg-card px-5 py-1">
      <details open={wants}>
        <summary className="flex min-h-11 cursor-pointer items-center gap-2">
          <CloudOff aria-hidden size={18} /> {queue.length} not sent yet, kept on this tablet
        </summary>
        <ul className="pb-2 text-sm">
          {mine.map((e) => (
            <Waiting key={e.id} one={e} />
          ))}
        </ul>
        {others > 0 && (
          <p className="pb-2 text-sm text-quiet">{others} of a colleague go when they sign in here again.</p>
        )}
      </details>
    </section>
  );
}
