'use client';

import { useRef, useState } from 'react';
import { useSlash } from '../kit/use-slash.ts';
import { findInGuide } from './guide-text.ts';

/** The guide: what a day is like at each place, and every word the screens use; searched as one types, printed as it stands. */
export function Guide() {
  const [piece, setPiece] = useState('');
  const field = useRef<HTMLInputElement>(null);
  useSlash(field);
  const { sections, words } = findInGuide(piece);
  return (
    <div className="max-w-3xl space-y-6 px-5 py-4">
      <input
        ref={field}
        type="search"
        aria-label="Find in the guide"
        placeholder="/ a word"
        className="field no-print w-72"
        value={piece}
        onChange={(e) => setPiece(e.target.value)}
      />
      <p role="status" className="sr-only">
        {sections.length + words.length === 0 ? 'Nothing in the guide says that.' : ''}
      </p>
      {sections.length + words.length === 0 && <p aria-hidden>Nothing in the guide says that.</p>}
      {sections.map((s) => (
        <section key={s.id} id={s.id} aria-labelledby={`${s.id}-title`} className="space-y-2 font-serif">
          <h2 id={`${s.id}-title`} className="text-2xl">
            {s.title}
          </h2>
          {s.paragraphs.map((p) => (
            <p key={p}>{p}</p>
          ))}
        </section>
      ))}
      {words.length > 0 && (
        <section id="words" aria-labelledby="words-title">
          <h2 id="words-title" className="text-2xl">
            Words
          </h2>
          <dl>
            {words.map((w) => (
              <div key={w.word} className="flex gap-4 border-b border-line py-1 max-sm:block">
                <dt className="w-48 shrink-0 font-bold">{w.word}</dt>
                <dd>{w.says}</dd>
              </div>
            ))}
          </dl>
        </section>
      )}
    </div>
  );
}
