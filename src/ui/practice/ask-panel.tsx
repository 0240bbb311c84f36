'use client';

import type { BenchView } from '../../core/practice/bench-view.ts';
import type { Practice } from './use-practice.ts';

/** What its owner can be asked: they say what they feel and what happened to it, and never what it is. */
export function AskPanel({
  questions,
  practice,
}: {
  readonly questions: BenchView['questions'];
  readonly practice: Practice;
}) {
  return (
    <ul className="max-w-2xl">
      {questions.map((q) => (
        <li key={q.id} className="border-b border-line py-1">
          <button
            type="button"
            className="min-h-11 cursor-pointer text-left underline decoration-line underline-offset-4 hover:bg-shade"
            onClick={() => void practice.act({ kind: 'ask', question: q.id })}
          >
            {q.asks}
          </button>
          {q.said !== null && <p className="pb-1 font-serif text-lg text-ink">“{q.said}”</p>}
        </li>
      ))}
    </ul>
  );
}
