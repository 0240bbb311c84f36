'use client';

import { useState } from 'react';
import { isOfOneJob, SORTS } from '../../core/stock/sorts.ts';
import type { LoadedJobStock } from '../../server/stores/load-job-stock.ts';
import { useSend } from '../data/use-send.ts';
import { Trouble } from '../kit/trouble.tsx';
import { useJobStock } from './job-stock.ts';

type Line = LoadedJobStock['lines'][number];
type Option = Line['needs'][number]['options'][number];

/** After so long nobody remembers what it took: it is no longer asked, and can still be said below. */
const ASKED_MS = 12 * 3_600_000;
const NOTHING = 'took nothing: ';

const saidNothing = (lineId: number): boolean => {
  try {
    return sessionStorage.getItem(`${NOTHING}${lineId}`) !== null;
  } catch {
    return false;
  }
};
function sayNothing(lineId: number): void {
  try {
    sessionStorage.setItem(`${NOTHING}${lineId}`, 'yes');
  } catch {
    // It is only asked once more.
  }
}

/** What of each thing it usually takes lies ready: what waits for the job, else what is free and fits. */
function usual(line: Line): readonly Option[] {
  const found = line.needs.flatMap((n) => {
    const here = n.options.filter((o) => o.aside + o.free > 0);
    const best = here.find((o) => o.aside > 0) ?? here[0];
    return best ? [best] : [];
  });
  return found.filter((o, i) => found.findIndex((x) => x.itemId === o.itemId) === i);
}

/** How many of it a step usually takes: one of what serves a single job; of a bottle or a coil nobody knows. */
const usually = (o: Option): number => (isOfOneJob(o.sort) ? 1 : 0);

function HowMany({
  option: o,
  many,
  onChange,
}: {
  readonly option: Option;
  readonly many: number;
  readonly onChange: (many: number) => void;
}) {
  const button = (says: string, name: string, by: number) => (
    <button
      type="button"
      className="button min-w-11"
      aria-label={`${name} ${o.name}`}
      disabled={many + by < 0}
      onClick={() => onChange(many + by)}
    >
      {says}
    </button>
  );
  return (
    <li className="flex flex-wrap items-center gap-2 py-1">
      {button('−', 'Less of', -1)}
      <output className="min-w-16 text-center text-ink">
        {many} {SORTS[o.sort].unit[many === 1 ? 0 : 1]}
      </output>
      {button('+', 'More of', 1)}
      <span className="min-w-0 flex-1">{o.name}</span>
    </li>
  );
}

/** Asks what one finished step took: with what such a step usually takes, changed by a tap. */
function AskOne({
  jobId,
  line,
  onNothing,
}: {
  readonly jobId: number;
  readonly line: Line;
  readonly onNothing: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const options = usual(line);
  const [said, setSaid] = useState<Readonly<Record<number, number>>>({});
  const many = (o: Option): number => said[o.itemId] ?? usually(o);
  const rows = options.map((o) => ({ itemId: o.itemId, quantity: many(o) })).filter((r) => r.quantity > 0);
  return (
    <section aria-label={`What ${line.title} took`} className="border border-line bg-card p-3">
      <h3>
        What did it take? <span className="text-quiet">{line.title}</span>
      </h3>
      <ul>
        {options.map((o) => (
          <HowMany
            key={o.itemId}
            option={o}
            many={many(o)}
            onChange={(n) => setSaid({ ...said, [o.itemId]: n })}
          />
        ))}
      </ul>
      <Trouble trouble={trouble} />
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="button button-main"
          disabled={busy || rows.length === 0}
          onClick={() => void give('stores.take', { jobId, lineId: line.lineId, rows })}
        >
          Write it down
        </button>
        <button type="button" className="button" onClick={onNothing}>
          Nothing from the shelf
        </button>
      </div>
    </section>
  );
}

/** Asks what the steps of a job took that were finished lately, as long as nobody has said it. */
export function AskWhatItTook({ stock }: { readonly stock: LoadedJobStock }) {
  const [, redraw] = useState(0);
  if (!stock.open) return null;
  const asked = stock.lines.filter(
    (l) =>
      l.finishedAt !== null &&
      !l.took &&
      Date.now() - Date.parse(l.finishedAt) < ASKED_MS &&
      !saidNothing(l.lineId) &&
      usual(l).length > 0,
  );
  return (
    <>
      {asked.map((l) => (
        <AskOne
          key={l.lineId}
          jobId={stock.jobId}
          line={l}
          onNothing={() => {
            sayNothing(l.lineId);
            redraw((n) => n + 1);
          }}
        />
      ))}
    </>
  );
}

/** The same for a job by its number. */
export function AskOfJob({ number }: { readonly number: number }) {
  const { data } = useJobStock(number);
  return data ? <AskWhatItTook stock={data} /> : null;
}
