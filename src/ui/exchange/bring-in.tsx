'use client';

import Link from '../kit/link.tsx';
import { useId, useState } from 'react';
import type { Result } from '../../core/result.ts';
import type { BookFile } from '../../contracts/formats/book-file.ts';
import { FileField } from '../kit/file-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

const first = (found: BookFile): string =>
  found.what === 'customers'
    ? found.entries
        .slice(0, 5)
        .map((c) => c.name)
        .join(', ')
    : found.entries
        .slice(0, 5)
        .map((i) => `${i.maker} ${i.model}`.trim())
        .join(', ');

/** Customers or instruments from a vCard or CSV file: read here, shown, then kept. */
export function BringBookIn() {
  const id = useId();
  const { give, busy, trouble } = useSend();
  const [found, setFound] = useState<BookFile | null>(null);
  const [said, setSaid] = useState('');
  const [wrong, setWrong] = useState('');
  const read = async (file: File) => {
    const { readBookFile } = await import('../../contracts/formats/book-file.ts');
    const done = readBookFile(await file.text());
    setSaid('');
    setWrong(done.ok ? '' : done.error);
    setFound(done.ok ? done.value : null);
  };
  const keep = async () => {
    if (!found) return;
    const done =
      found.what === 'customers'
        ? await give('shelf.import-customers', { customers: [...found.entries] })
        : await give('shelf.import-instruments', {
            instruments: found.entries.map((i) => ({
              ...i,
              construction: { ...i.construction, strings: [...i.construction.strings] },
            })),
          });
    if (!done) return;
    setSaid(`${done.added} ${found.what} written, ${done.known} were known already.`);
    setFound(null);
  };
  return (
    <section aria-labelledby={`${id}-title`} className="space-y-3">
      <h2 id={`${id}-title`} className="text-xl">
        Customers and instruments in
      </h2>
      <FileField
        label="A file of vCards, or CSV as it goes out here"
        accept=".vcf,.csv,text/vcard,text/csv"
        wrong={wrong && `${wrong} Nothing was changed.`}
        onFile={(file) => void read(file)}
      />
      <Trouble trouble={trouble} />
      <p role="status">{said}</p>
      {found && (
        <div className="space-y-2 border border-line p-3">
          <p>
            {found.entries.length} {found.what}: <span className="text-ink">{first(found)}</span>
            {found.entries.length > 5 && ' …'}
          </p>
          <button type="button" className="button button-main" disabled={busy} onClick={() => void keep()}>
            Write them into the book
          </button>
        </div>
      )}
    </section>
  );
}

/**
 * A whole job from another house, by its zip.
 * @param props.there what was brought in of late and is still here, as the house says it
 */
export function BringJobIn({ there }: { readonly there: readonly string[] }) {
  const id = useId();
  const [state, setState] = useState<{
    readonly busy: boolean;
    readonly wrong: string;
    readonly number: number | null;
  }>({
    busy: false,
    wrong: '',
    number: null,
  });
  const send = async (file: File) => {
    setState({ busy: true, wrong: '', number: null });
    const answer = await fetch('/api/exchange', {
      method: 'POST',
      headers: { 'Content-Type': 'application/zip' },
      body: file,
    }).catch(() => null);
    const done = answer ? ((await answer.json().catch(() => null)) as Result<number, string> | null) : null;
    if (done?.ok) setState({ busy: false, wrong: '', number: done.value });
    else
      setState({
        busy: false,
        wrong: done?.error ?? 'No connection to the shop. Nothing was changed; try again.',
        number: null,
      });
  };
  return (
    <section aria-labelledby={`${id}-title`} className="space-y-3">
      <h2 id={`${id}-title`} className="text-xl">
        A job from another house
      </h2>
      <FileField
        label="The zip of a job"
        accept=".zip,application/zip"
        wrong={state.wrong}
        disabled={state.busy}
        onFile={(file) => void send(file)}
      />
      <p role="status">
        {state.busy && 'Reading, checking, writing …'}
        {state.number !== null && there.includes(`job ${state.number}`) && (
          <>
            It is here as{' '}
            <Link href={`/job/${state.number}/arrival`} className="underline">
              job {state.number}
            </Link>
            .
          </>
        )}
      </p>
    </section>
  );
}
