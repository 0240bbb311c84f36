'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { readDraft, saveDraft, useMounted } from '../data/draft.ts';
import { TextField } from '../kit/text-field.tsx';
import { NameField } from '../kit/name-field.tsx';
import { sayByLink } from './say-by-link.ts';

interface Asked {
  readonly words: string;
  readonly answer: string | null;
  readonly at: string;
}

/** What was asked before, with what the shop answered. */
function AskedBefore({ asked }: { readonly asked: readonly Asked[] }) {
  return (
    <ul>
      {asked.map((q) => (
        <li key={q.at} className="border-b border-line py-2">
          <p className="text-ink">{q.words}</p>
          <p className={q.answer === null ? 'text-sm text-quiet' : 'ml-4 border-l-2 border-line pl-3'}>
            {q.answer ?? 'Not answered yet.'}
          </p>
        </li>
      ))}
    </ul>
  );
}

/** A question, or what the customer would have otherwise, by their link; and what the shop answered. */
export function AskTheShop({
  token,
  title,
  hint,
  asked,
}: {
  readonly token: string;
  readonly title: string;
  readonly hint: string;
  readonly asked: readonly Asked[];
}) {
  const router = useRouter();
  const alive = useMounted();
  const [words, setWords] = useState('');
  const [by, setBy] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const [busy, setBusy] = useState(false);
  const name = by ?? (alive ? (readDraft<string>('customer-name') ?? '') : '');
  const ask = async () => {
    setBusy(true);
    saveDraft('customer-name', name);
    const done = await sayByLink(token, { words, by: name });
    setBusy(false);
    setSaid(done.ok ? 'The shop has it. The answer will stand here.' : done.message);
    if (!done.ok) return;
    setWords('');
    router.refresh();
  };
  return (
    <section aria-labelledby="ask" className="space-y-2 py-4">
      <h2 id="ask" className="text-xl">
        {title}
      </h2>
      <p className="text-quiet">{hint}</p>
      <AskedBefore asked={asked} />
      <form
        className="space-y-2"
        onSubmit={(e) => {
          e.preventDefault();
          void ask();
        }}
      >
        <TextField label="Your words" rows={3} maxLength={1000} value={words} onChange={setWords} />
        <NameField value={name} onChange={setBy} />
        <button type="submit" className="button" disabled={busy || words.trim() === '' || name.trim() === ''}>
          Ask the shop
        </button>
        <p role="status">{said}</p>
      </form>
    </section>
  );
}
