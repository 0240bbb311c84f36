'use client';

import { useState } from 'react';
import { AFTER_OUTCOMES, type AfterOutcome } from '../../core/desk/afterwards.ts';
import { sayLimit, sayReach, sayWatched } from '../../core/learn/say-reach.ts';
import { WATCHED } from '../../core/learn/watched.ts';
import type { AfterItem } from '../../server/desk/load-afterwards.ts';
import { useSend } from '../data/use-send.ts';
import { sayDay, todayIso } from '../kit/dates.ts';
import Link from '../kit/link.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { sayingIn } from '../kit/saying.ts';

/** Why somebody is called, in the bench's words. */
function Why({ item, unit }: { readonly item: AfterItem; readonly unit: DisplayUnit }) {
  const say = sayingIn(unit);
  const { why } = item;
  if (why.kind === 'check')
    return (
      <>
        {why.day < todayIso() && <span className="text-rubric">◆ </span>}
        The check after {item.source.slice('check:'.length)} was offered for {sayDay(why.day, todayIso())}.
      </>
    );
  if (why.kind === 'season') {
    const value = sayWatched('relief', why.value, say);
    return (
      <>
        Left with {sayWatched('relief', why.left, say)} of relief; by the air it will probably read {value} by{' '}
        {say.month(why.at)}, which is out of its band.
      </>
    );
  }
  return (
    <>
      {why.reach.state === 'reached' && <span className="text-rubric">◆ </span>}
      {WATCHED[why.what].name}, {sayLimit(why, say)}: {sayReach(why.what, why.reach, say)}.
      {why.note !== '' && <span className="text-ink"> “{why.note}”</span>}
    </>
  );
}

/** What the customer is written of it, to begin with. */
function plainly({ why }: AfterItem): string {
  if (why.kind === 'watch') return WATCHED[why.what].customer;
  return why.kind === 'season' ? 'with the air of the season its neck has probably moved' : '';
}

/** Writes to them: what stands in it can be changed before it goes. */
function Write({ item, onDone }: { readonly item: AfterItem; readonly onDone: () => void }) {
  const { give, busy, trouble } = useSend();
  const [why, setWhy] = useState(plainly(item));
  const { job } = item;
  if (!job || (item.email === '' && item.phone === '')) return null;
  const send = async (channel: 'mail' | 'text') => {
    const purpose = item.kind === 'check' ? 'next-check' : 'look';
    if (
      !(await give('desk.message', { jobId: job.id, purpose, channel, ...(purpose === 'look' && { why }) }))
    )
      return;
    const noted = {
      instrumentId: item.instrumentId,
      source: item.source,
      outcome: 'written' as const,
      note: channel === 'mail' ? 'by e-mail' : 'by text',
      againOn: null,
    };
    if (await give('desk.afterwards', noted)) onDone();
  };
  return (
    <div className="space-y-2">
      {item.kind !== 'check' && (
        <TextField
          label="Or write to them: we keep an eye on it, …"
          error={trouble?.code === 'invalid' ? trouble.fields['why'] : undefined}
          maxLength={240}
          value={why}
          onChange={setWhy}
        />
      )}
      <div className="flex flex-wrap gap-2">
        {item.email !== '' && (
          <button type="button" className="button" disabled={busy} onClick={() => void send('mail')}>
            Write by e-mail
          </button>
        )}
        {item.phone !== '' && (
          <button type="button" className="button" disabled={busy} onClick={() => void send('text')}>
            Text it
          </button>
        )}
      </div>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </div>
  );
}

const LATER_DAYS = 60;
const DAY_MS = 86_400_000;
const inDays = (days: number): string =>
  new Date(Date.parse(`${todayIso()}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

/** What came of it: an outcome, a word, and when it is asked again. */
function Outcome({ item, onDone }: { readonly item: AfterItem; readonly onDone: () => void }) {
  const { give, busy, trouble } = useSend();
  const [outcome, setOutcome] = useState<AfterOutcome>('coming');
  const [note, setNote] = useState('');
  const [again, setAgain] = useState(inDays(LATER_DAYS));
  const keep = async () => {
    const { instrumentId, source } = item;
    const againOn = outcome === 'later' && again !== '' ? again : null;
    if (await give('desk.afterwards', { instrumentId, source, outcome, note, againOn })) onDone();
  };
  return (
    <form
      aria-label={`What came of it: ${item.instrument}, ${item.customer}`}
      className="space-y-3 pb-3"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <PillChoice legend="What came of it" value={outcome} options={AFTER_OUTCOMES} onChange={setOutcome} />
      <div className="flex flex-wrap items-end gap-3">
        <TextField
          label="What was said (may be empty)"
          className="min-w-[min(15rem,100%)] flex-1"
          maxLength={200}
          value={note}
          onChange={setNote}
        />
        {outcome === 'later' && (
          <TextField label="Ask again on" type="date" className="w-44" value={again} onChange={setAgain} />
        )}
        <button type="submit" className="button button-main" disabled={busy}>
          Keep it
        </button>
      </div>
      <Trouble trouble={trouble} />
      <Write item={item} onDone={onDone} />
    </form>
  );
}

function Item({
  item,
  unit,
  may,
}: {
  readonly item: AfterItem;
  readonly unit: DisplayUnit;
  readonly may: boolean;
}) {
  const [open, setOpen] = useState(false);
  const name = `${item.instrument}, ${item.customer}`;
  return (
    <li className="border-b border-line py-2">
      <div className="flex flex-wrap items-start justify-between gap-x-6 gap-y-1">
        <div className="min-w-[min(15rem,100%)] flex-1">
          <p>
            <Link
              href={`/shelf/${item.instrumentId}`}
              className="inline-flex min-h-8 items-center text-lg underline"
            >
              {item.instrument}
            </Link>{' '}
            <b className="text-ink">{item.customer}</b>{' '}
            <span className="text-ink tabular-nums">{item.phone || 'no telephone number'}</span>
          </p>
          <p>
            <Why item={item} unit={unit} />
          </p>
          {item.last && (
            <p className="text-sm text-quiet">
              {sayDay(item.last.day, todayIso())}: {AFTER_OUTCOMES[item.last.outcome].toLowerCase()}
              {item.last.note !== '' && <span className="text-ink"> “{item.last.note}”</span>}
            </p>
          )}
        </div>
        {may && (
          <button
            type="button"
            className="button"
            aria-expanded={open}
            aria-label={`Called or written: ${name}`}
            onClick={() => setOpen(!open)}
          >
            Called or written
          </button>
        )}
      </div>
      {open && <Outcome item={item} onDone={() => setOpen(false)} />}
    </li>
  );
}

const GROUPS = [
  { kind: 'check', title: 'A check that was offered' },
  { kind: 'watch', title: 'What is watched, near its limit or past it' },
  { kind: 'season', title: 'The season: probably out of its band within four months' },
] as const;

/** Whom to call afterwards, and why: a list the desk works through. */
export function AfterList({ items, may }: { readonly items: readonly AfterItem[]; readonly may: boolean }) {
  const [unit] = useDisplayUnit();
  if (items.length === 0)
    return (
      <p className="text-quiet">
        Nobody is to be called. Checks that were offered, what is watched near its limit, and instruments that
        the season will have moved come here by themselves.
      </p>
    );
  return (
    <div className="space-y-6">
      {GROUPS.map(({ kind, title }) => {
        const own = items.filter((i) => i.kind === kind);
        if (own.length === 0) return null;
        return (
          <section key={kind} aria-labelledby={`after-${kind}`}>
            <h2 id={`after-${kind}`} className="border-b-2 border-plain text-xl">
              {title} <span className="text-base text-quiet">{own.length}</span>
            </h2>
            <ul>
              {own.map((item) => (
                <Item key={`${item.source} ${item.instrumentId}`} item={item} unit={unit} may={may} />
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
