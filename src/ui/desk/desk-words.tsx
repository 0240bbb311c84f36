import type { ReactNode } from 'react';
import type { DeskDay } from '../../server/desk/load-desk.ts';
import { sayDay, sayMoment } from '../kit/dates.ts';
import { Called } from './called.tsx';
import Link from '../kit/link.tsx';

const ABOUT: Readonly<Record<string, string>> = {
  estimate: 'what it would cost',
  ready: 'it is ready',
  'next-check': 'the next check',
  look: 'a look',
};
const CHANNELS = { mail: 'e-mail', text: 'text', call: 'by telephone' } as const;
const STATES = { waiting: 'on its way', delivered: 'delivered', failed: '◆ failed' } as const;

function Part({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section aria-label={title}>
      <h2 className="border-b-2 border-plain text-xl">{title}</h2>
      {children}
    </section>
  );
}

const Row = ({
  number,
  act,
  children,
}: {
  readonly number: number;
  readonly act?: ReactNode;
  readonly children: ReactNode;
}) => (
  <li className="flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-line py-1">
    <Link
      href={`/job/${number}/arrival`}
      className="flex min-h-11 min-w-0 flex-1 flex-col justify-center hover:underline"
    >
      {children}
    </Link>
    {act}
  </li>
);

function ToCall({ call }: Pick<DeskDay, 'call'>) {
  return (
    <Part title="To call">
      {call.length === 0 && <p className="py-2 text-quiet">Everybody knows what they should.</p>}
      <ul>
        {call.map((c) => (
          <Row
            key={c.number}
            number={c.number}
            act={
              <Called jobId={c.jobId} purpose={c.about} label={`Called ${c.customer} about ${c.number}`} />
            }
          >
            <span>
              <b className="text-ink">{c.customer}</b> {c.phone || 'no telephone number'}
            </span>
            <span className="text-sm text-quiet">
              {c.number} {c.instrument} · <span className="text-rubric">◆ {c.why}</span>
            </span>
          </Row>
        ))}
      </ul>
    </Part>
  );
}

function DueNext({ due, checks, today }: Pick<DeskDay, 'due' | 'checks' | 'today'>) {
  return (
    <Part title="Due next">
      {due.length + checks.length === 0 && (
        <p className="py-2 text-quiet">Nothing is promised for the next seven days.</p>
      )}
      <ul>
        {due.map((t) => (
          <Row key={t.number} number={t.number}>
            <span className="truncate">
              <b>{sayDay(t.neededBy ?? today, today)}</b> {t.number} {t.maker} {t.model}
            </span>
            <span className="text-sm text-quiet">
              <span className="text-ink">{t.customer}</span>
              {t.hardDate && ' · cannot move'}
            </span>
          </Row>
        ))}
        {checks.map((c) => (
          <Row key={c.number} number={c.number}>
            <span className="truncate">
              <b>{sayDay(c.day, today)}</b> check after {c.number} {c.instrument}
            </span>
            <span className="text-sm text-ink">{c.customer}</span>
          </Row>
        ))}
      </ul>
    </Part>
  );
}

function ToldLately({ told }: Pick<DeskDay, 'told'>) {
  return (
    <Part title="Told lately">
      {told.length === 0 && <p className="py-2 text-quiet">Nothing was written in the last three days.</p>}
      <ul>
        {told.map((m) => (
          <Row key={m.id} number={m.number}>
            <span className="truncate">
              <b className="text-ink">{m.customer}</b> {ABOUT[m.purpose] ?? m.purpose}
            </span>
            <span className={`text-sm ${m.state === 'failed' ? 'text-rubric' : 'text-quiet'}`}>
              {sayMoment(m.at)} · {CHANNELS[m.channel]} ·{' '}
              {m.channel === 'call' ? m.trouble || 'they know' : STATES[m.state]}
              {m.simulated && ' · simulated: nothing left the house'}
            </span>
          </Row>
        ))}
      </ul>
    </Part>
  );
}

/** What the counter does between two customers: whom to call, what is promised next, who was told. */
export function DeskWords({
  day,
}: {
  readonly day: Pick<DeskDay, 'call' | 'due' | 'checks' | 'told' | 'today'>;
}) {
  return (
    <>
      <ToCall call={day.call} />
      <DueNext due={day.due} checks={day.checks} today={day.today} />
      <ToldLately told={day.told} />
    </>
  );
}
