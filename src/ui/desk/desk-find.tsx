'use client';

import Link from '../kit/link.tsx';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { DeskFound } from '../../server/desk/load-desk.ts';
import { todayIso } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { useSlash } from '../kit/use-slash.ts';
import { TagRow } from './tag-row.tsx';

const NOTHING: DeskFound = { here: [], customers: [], sure: null };
const PAUSE_MS = 160;

/** Where a new one would begin with what was looked for: digits and hyphens are a serial, anything else a name. */
const newWith = (text: string): string =>
  `/desk/take-in?${new URLSearchParams(/\d/.test(text) && !/\s/.test(text) ? { serial: text } : { name: text }).toString()}`;

async function ask(text: string): Promise<DeskFound | null> {
  const answer = await fetch(`/api/desk?q=${encodeURIComponent(text)}`).catch(() => null);
  return answer?.ok ? ((await answer.json()) as DeskFound) : null;
}

function Customers({ found }: { readonly found: DeskFound }) {
  return (
    <ul aria-label="Customers and their instruments">
      {found.customers.map((c) => (
        <li key={c.id} className="border-b border-line py-2">
          <p className="flex items-center justify-between gap-3">
            <span>
              <Link href={`/shelf/customer/${c.id}`} className="font-bold text-ink underline">
                {c.name}
              </Link>{' '}
              <span className="text-sm text-quiet">{c.phone}</span>
            </span>
            <Link href={`/desk/take-in?customer=${c.id}`} className="button px-3">
              Take in another<span className="sr-only"> for {c.name}</span>
            </Link>
          </p>
          <ul>
            {c.instruments.map((i) => (
              <li key={i.id} className="flex items-center justify-between gap-3 py-1 pl-4">
                <Link href={`/shelf/${i.id}`} className="flex min-h-11 items-center underline">
                  {i.name} {i.serial}
                </Link>
                {i.openJob === null ? (
                  <Link href={`/desk/take-in?customer=${c.id}&instrument=${i.id}`} className="button px-3">
                    Take in<span className="sr-only"> {i.name}</span>
                  </Link>
                ) : (
                  <span className="text-sm">here as {i.openJob}</span>
                )}
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ul>
  );
}

/** What is here and who is known by what was typed. */
function Results({ found }: { readonly found: DeskFound }) {
  return (
    <div className="grid gap-8 pt-4 lg:grid-cols-2">
      <section aria-labelledby="found-here">
        <h2 id="found-here" className="text-xl">
          In the house
        </h2>
        {found.here.length === 0 && <p className="text-quiet">None of these is here.</p>}
        <ul>
          {found.here.map((t) => (
            <TagRow key={t.number} tag={t} today={todayIso()} />
          ))}
        </ul>
      </section>
      <section aria-labelledby="found-known">
        <h2 id="found-known" className="text-xl">
          Known to the shop
        </h2>
        {found.customers.length === 0 && (
          <p className="text-quiet">Nobody and nothing by this: take in a new one.</p>
        )}
        <Customers found={found} />
      </section>
    </div>
  );
}

/** What is typed or scanned at the counter, and what was found by it. */
function useDeskFind() {
  const router = useRouter();
  const [text, setText] = useState('');
  const [found, setFound] = useState<DeskFound>(NOTHING);
  const asked = useRef('');
  useEffect(() => {
    asked.current = text;
    if (text.trim().length < 2) return setFound(NOTHING);
    const wait = setTimeout(() => {
      void ask(text).then((f) => {
        if (f && asked.current === text) setFound(f);
      });
    }, PAUSE_MS);
    return () => clearTimeout(wait);
  }, [text]);
  // A scanner ends with Enter: what is meant without doubt opens at once.
  const enter = async () => {
    const now = await ask(text);
    if (!now || asked.current !== text) return;
    setFound(now);
    if (now.sure !== null) return router.push(`/job/${now.sure}/arrival`);
    const known = now.customers.flatMap((c) => c.instruments.map((i) => ({ c, i })));
    const exact = known.filter(({ i }) => i.serial.toLowerCase() === text.trim().toLowerCase());
    const [hit] = exact;
    if (hit && exact.length === 1) router.push(`/desk/take-in?customer=${hit.c.id}&instrument=${hit.i.id}`);
  };
  return { text, setText, found, enter };
}

/** The counter's first question: a tag or serial scanned, a name or telephone typed; the day stands below until then. */
export function DeskFind({ children }: { readonly children: ReactNode }) {
  const field = useRef<HTMLInputElement>(null);
  const { text, setText, found, enter } = useDeskFind();
  useEffect(() => {
    field.current?.focus();
  }, []);
  useSlash(field);
  const looking = text.trim().length >= 2;
  return (
    <div className="px-5 py-3">
      <form
        role="search"
        className="flex items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          void enter();
        }}
      >
        <FormField label="Tag, serial number, name or telephone" className="max-w-xl flex-1">
          {(w) => (
            <input
              {...w}
              ref={field}
              className="field text-lg"
              autoComplete="off"
              value={text}
              onChange={(e) => setText(e.target.value)}
            />
          )}
        </FormField>
        <Link
          href={looking && found.customers.length === 0 ? newWith(text.trim()) : '/desk/take-in'}
          className="button button-main"
        >
          Take in a new one
        </Link>
      </form>
      <p role="status" className="sr-only">
        {looking && `${found.here.length} here, ${found.customers.length} customers`}
      </p>
      {!looking && children}
      {looking && <Results found={found} />}
    </div>
  );
}
