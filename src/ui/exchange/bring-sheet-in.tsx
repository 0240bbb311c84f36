'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useId, useState } from 'react';
import type { Columns, Sheet, SheetContent } from '../../contracts/formats/spreadsheet.ts';
import type { OfferedKind } from '../../core/job/shop.ts';
import { useSend } from '../data/use-send.ts';
import { FileField } from '../kit/file-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

type Formats = typeof import('../../contracts/formats/spreadsheet.ts');

/** What the list comes to is shown once there is one. */
const SheetMatching = lazyPart(() => import('./sheet-matching.tsx').then((m) => m.SheetMatching));

interface Loaded {
  readonly formats: Formats;
  readonly sheet: Sheet;
  readonly columns: Columns;
}

/** Keeps what fits: customers first, then their instruments; what the book has already is left alone. */
function useTaking() {
  const { give, busy, trouble } = useSend();
  const take = async ({ customers, instruments }: SheetContent): Promise<string | null> => {
    const people = await give('shelf.import-customers', { customers: [...customers] });
    if (!people) return null;
    const theirs =
      instruments.length === 0
        ? { added: 0, known: 0 }
        : await give('shelf.import-instruments', {
            instruments: instruments.map((i) => ({
              ...i,
              construction: { ...i.construction, strings: [...i.construction.strings] },
            })),
          });
    if (!theirs) return null;
    const known = people.known + theirs.known;
    return `${people.added} customers and ${theirs.added} instruments written${known > 0 ? `, ${known} were known already` : ''}.`;
  };
  return { take, busy, trouble };
}

/** A list as it was read, or what is wrong with its file. */
function useLoadedSheet(onRead: () => void) {
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const [wrong, setWrong] = useState('');
  const read = async (file: File) => {
    const formats = await import('../../contracts/formats/spreadsheet.ts');
    const done = formats.readSheet(formats.decodeSheet(new Uint8Array(await file.arrayBuffer())));
    onRead();
    setWrong(done.ok ? '' : done.error);
    setLoaded(
      done.ok ? { formats, sheet: done.value, columns: formats.guessColumns(done.value.head) } : null,
    );
  };
  return { loaded, setLoaded, read, wrong };
}

/** Customers and instruments from a list of somebody's own: its columns are matched, shown, and what fits is taken. */
export function BringSheetIn({ kinds }: { readonly kinds: readonly OfferedKind[] }) {
  const id = useId();
  const { take, busy, trouble } = useTaking();
  const [usual, setUsual] = useState(kinds[0]?.id ?? '');
  const [said, setSaid] = useState('');
  const { loaded, setLoaded, read, wrong } = useLoadedSheet(() => setSaid(''));
  const content = loaded && loaded.formats.sheetContent(loaded.sheet, loaded.columns, kinds, usual);
  const keep = async () => {
    const done = content && (await take(content));
    if (!done) return;
    setSaid(done);
    setLoaded(null);
  };
  return (
    <section aria-labelledby={`${id}-title`} className="space-y-3">
      <h2 id={`${id}-title`} className="text-xl">
        From a spreadsheet of your own
      </h2>
      <FileField
        label="A list as CSV, with its columns named in the first line"
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        wrong={wrong && `${wrong} Nothing was changed.`}
        onFile={(file) => void read(file)}
      />
      <Trouble trouble={trouble} />
      <p role="status">{said}</p>
      {loaded && content && (
        <div className="space-y-4 border border-line p-3">
          <Suspense>
            <SheetMatching
              sheet={loaded.sheet}
              columns={loaded.columns}
              content={content}
              kinds={kinds}
              usual={usual}
              onColumns={(columns) => setLoaded({ ...loaded, columns })}
              onUsual={setUsual}
            />
          </Suspense>
          <button
            type="button"
            className="button button-main"
            disabled={busy || content.customers.length === 0}
            onClick={() => void keep()}
          >
            Write what fits into the book
          </button>
        </div>
      )}
    </section>
  );
}
