'use client';

import { Suspense } from 'react';
import { FAULT_GROUPS } from '../../core/practice/faults/fault.ts';
import type { LoadedPractice, PracticeLine } from '../../server/practice/load-practice.ts';
import { useSend } from '../data/use-send.ts';
import { sayMoment } from '../kit/dates.ts';
import { lazyPart } from '../kit/lazy-part.ts';
import Link from '../kit/link.tsx';
import { Trouble } from '../kit/trouble.tsx';

const NewOne = lazyPart(() => import('./new-one.tsx').then((m) => m.NewOne));

function Line({ line, children }: { readonly line: PracticeLine; readonly children?: React.ReactNode }) {
  return (
    <li className="flex flex-wrap items-baseline gap-x-4 border-b border-line py-1">
      <Link href={`/practice/${line.id}`} className="inline-flex min-h-11 items-center underline">
        {line.name}, level {line.level}
      </Link>
      <span
        className="min-w-0 flex-1 truncate text-ink max-sm:basis-full max-sm:whitespace-normal"
        title={line.says}
      >
        “{line.says}”
      </span>
      <span className="text-sm text-quiet">{line.code}</span>
      {children}
    </li>
  );
}

function OpenOnes({ open }: { readonly open: LoadedPractice['open'] }) {
  const { give, busy, trouble } = useSend();
  if (open.length === 0) return <p className="text-quiet">Nothing stands there. Bring one.</p>;
  return (
    <>
      <ul>
        {open.map((l) => (
          <Line key={l.id} line={l}>
            <span className="text-sm">
              {l.setBy === null ? `${l.done} things done` : `set by ${l.setBy}`}
            </span>
            <button
              type="button"
              className="button"
              disabled={busy}
              onClick={() => void give('practice.drop', { sessionId: l.id })}
            >
              Put away<span className="sr-only">: {l.name}</span>
            </button>
          </Line>
        ))}
      </ul>
      <Trouble trouble={trouble} />
    </>
  );
}

function Progress({ practice }: { readonly practice: LoadedPractice }) {
  if (practice.finished === 0) return <p className="text-quiet">Nothing was handed back yet.</p>;
  return (
    <>
      <p className="text-sm">
        {practice.finished} handed back, {Math.round(practice.mean ?? 0)} of 100 on average.
        {practice.next !== null && ` Try next: ${FAULT_GROUPS[practice.next].toLowerCase()}.`}
      </p>
      <table className="w-full max-w-xl text-sm">
        <thead>
          <tr className="border-b-2 border-plain text-left text-quiet">
            <th scope="col" className="font-normal">
              What was wrong with
            </th>
            <th scope="col" className="font-normal">
              met
            </th>
            <th scope="col" className="font-normal">
              named
            </th>
            <th scope="col" className="font-normal">
              put right
            </th>
          </tr>
        </thead>
        <tbody>
          {practice.progress.map((g) => (
            <tr key={g.group} className="border-b border-line">
              <th scope="row" className="py-1 text-left font-normal">
                {g.name}
              </th>
              <td>{g.met === 0 ? <span className="text-quiet">·</span> : g.met}</td>
              <td>{g.met === 0 ? <span className="text-quiet">·</span> : g.named}</td>
              <td>{g.met === 0 ? <span className="text-quiet">·</span> : g.cured}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function Finished({ lines }: { readonly lines: readonly PracticeLine[] }) {
  return (
    <ul>
      {lines.map((l) => (
        <Line key={l.id} line={l}>
          <b>{l.score} of 100</b>
          <span className="text-sm text-quiet">{l.endedAt !== null && sayMoment(l.endedAt)}</span>
        </Line>
      ))}
    </ul>
  );
}

function SetForOthers({ set }: { readonly set: LoadedPractice['set'] }) {
  return (
    <ul>
      {set.map((l) => (
        <li key={l.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-line py-1">
          <span className="min-w-0 flex-1 basis-60 wrap-anywhere">
            {l.person}: {l.name}, level {l.level}
          </span>
          <span className="text-sm text-quiet">{l.code}</span>
          <b className="ml-auto">
            {l.score === null ? (l.done === 0 ? 'not begun' : 'begun') : `${l.score} of 100`}
          </b>
        </li>
      ))}
    </ul>
  );
}

/** Practice: a simulated instrument with something hidden, and how one does with them. */
export function PracticePlace({
  practice,
  mayset,
}: {
  readonly practice: LoadedPractice;
  readonly mayset: boolean;
}) {
  return (
    <div className="max-w-6xl space-y-6 px-5 py-4">
      <section aria-labelledby="new-one" className="space-y-2">
        <h2 id="new-one" className="text-xl">
          Bring one to the bench
        </h2>
        <Suspense fallback={<div className="h-32" />}>
          <NewOne practice={practice} mayset={mayset} />
        </Suspense>
      </section>
      <section aria-labelledby="on-it" className="space-y-1">
        <h2 id="on-it" className="text-xl">
          On my practice bench
        </h2>
        <OpenOnes open={practice.open} />
      </section>
      <div className="grid gap-6 lg:grid-cols-2">
        <section aria-labelledby="how" className="space-y-1">
          <h2 id="how" className="text-xl">
            How I do
          </h2>
          <Progress practice={practice} />
        </section>
        {practice.set.length > 0 && (
          <section aria-labelledby="set" className="space-y-1">
            <h2 id="set" className="text-xl">
              Set by me
            </h2>
            <SetForOthers set={practice.set} />
          </section>
        )}
      </div>
      {practice.done.length > 0 && (
        <section aria-labelledby="done" className="space-y-1">
          <h2 id="done" className="text-xl">
            Handed back
          </h2>
          <Finished lines={practice.done} />
        </section>
      )}
    </div>
  );
}
