'use client';

import { useState } from 'react';
import type { BroughtLately } from '../../server/exchange/take-back.ts';
import { useSend } from '../data/use-send.ts';
import { sayMoment } from '../kit/dates.ts';
import { Trouble } from '../kit/trouble.tsx';

const some = (n: number, what: string): string[] => (n === 0 ? [] : [`${n} ${what}${n === 1 ? '' : 's'}`]);

/** One of them; taken out only by a second tap. */
function BroughtRow({
  of: { brought, what, at, by },
  busy,
  sure,
  onAsk,
  onTakeBack,
}: {
  readonly of: BroughtLately[number];
  readonly busy: boolean;
  readonly sure: boolean;
  readonly onAsk: (brought: string | null) => void;
  readonly onTakeBack: () => void;
}) {
  return (
    <li className="flex flex-wrap items-center justify-between gap-3 py-2">
      <span>
        {what}
        <span className="text-sm text-quiet">
          {' '}
          · {sayMoment(at)}, {by}
        </span>
      </span>
      {sure ? (
        <span className="flex flex-wrap gap-2">
          <button type="button" className="button button-main" disabled={busy} onClick={onTakeBack}>
            Yes, take it out: {what}
          </button>
          <button type="button" className="button" onClick={() => onAsk(null)}>
            No, it stays
          </button>
        </span>
      ) : (
        <button type="button" className="button" onClick={() => onAsk(brought)}>
          Take it back: {what}
        </button>
      )}
    </li>
  );
}

/** What files brought in of late: taken out again where that was a mistake. */
export function BroughtList({ brought }: { readonly brought: BroughtLately }) {
  const { give, busy, trouble } = useSend();
  const [sure, setSure] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const takeBack = async (id: string) => {
    const done = await give('shelf.take-back', { brought: id });
    if (!done) return;
    setSure(null);
    const gone = [
      ...some(done.jobs, 'job'),
      ...some(done.instruments, 'instrument'),
      ...some(done.customers, 'customer'),
    ];
    setSaid(
      `Taken out again: ${gone.join(', ') || 'nothing'}.${done.stay === 0 ? '' : done.stay === 1 ? ' 1 is used here and stays.' : ` ${done.stay} are used here and stay.`}`,
    );
  };
  return (
    <section aria-labelledby="brought" className="space-y-3">
      <h2 id="brought" className="text-xl">
        Brought in of late
      </h2>
      {brought.length === 0 && <p className="text-quiet">Nothing that could be taken back.</p>}
      <ul className={brought.length === 0 ? '' : 'divide-y divide-line border-y border-line'}>
        {brought.map((b) => (
          <BroughtRow
            key={b.brought}
            of={b}
            busy={busy}
            sure={sure === b.brought}
            onAsk={setSure}
            onTakeBack={() => void takeBack(b.brought)}
          />
        ))}
      </ul>
      <p className="text-sm text-quiet">
        What somebody has used here since stays: a job on which something was done, a customer or an
        instrument of a job.
      </p>
      <Trouble trouble={trouble} />
      <p role="status">{said}</p>
    </section>
  );
}
