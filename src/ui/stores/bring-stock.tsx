'use client';

import { useState } from 'react';
import type { TaxRate } from '../../core/money/tax.ts';
import type { MoneyForm } from '../../core/money/currency.ts';
import { SORTS, SORT_IDS, type SortId } from '../../core/stock/sorts.ts';
import { decodeSheet, readSheet, type Sheet } from '../../contracts/formats/spreadsheet.ts';
import { guessStockColumns, STOCK_FIELDS, stockContent } from '../../contracts/formats/stock-file.ts';
import { MatchColumns } from '../exchange/match-columns.tsx';
import { WrongRows } from '../exchange/sheet-matching.tsx';
import { useSend } from '../data/use-send.ts';
import { FileField } from '../kit/file-field.tsx';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';

interface Loaded {
  readonly sheet: Sheet;
  readonly columns: Readonly<Partial<Record<string, number>>>;
}

/** A list as it was read, and how it is kept. */
function useBringing() {
  const { give, busy, trouble } = useSend();
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const [wrong, setWrong] = useState('');
  const [said, setSaid] = useState('');
  const read = async (file: File) => {
    const done = readSheet(decodeSheet(new Uint8Array(await file.arrayBuffer())));
    setSaid('');
    setWrong(done.ok ? '' : `${done.error} Nothing was changed.`);
    setLoaded(done.ok ? { sheet: done.value, columns: guessStockColumns(done.value.head) } : null);
  };
  const keep = async (entries: ReturnType<typeof stockContent>['entries']) => {
    const done = await give('stores.import', {
      items: entries.map((e) => ({ ...e, facts: { ...e.facts } })),
    });
    if (!done) return;
    setSaid(
      `${done.added} things are on the shelves now${done.known > 0 ? `, ${done.known} were there already` : ''}.`,
    );
    setLoaded(null);
  };
  return { loaded, setLoaded, wrong, said, read, keep, busy, trouble };
}

/** Things from a list of somebody's own: its columns are matched, what it comes to is shown, and what fits is put on the shelves. */
export function BringStock({
  money,
  rates,
}: {
  readonly money: MoneyForm;
  readonly rates: readonly TaxRate[];
}) {
  const { loaded, setLoaded, wrong, said, read, keep, busy, trouble } = useBringing();
  const [usual, setUsual] = useState<SortId>('own');
  const content = loaded && stockContent(loaded.sheet, loaded.columns, usual, { money, rates });
  return (
    <section aria-label="From a list" className="space-y-3 border border-line p-3">
      <FileField
        label="A list as CSV, with its columns named in the first line"
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        wrong={wrong}
        onFile={(file) => void read(file)}
      />
      <Trouble trouble={trouble} />
      <p role="status">{said}</p>
      {loaded && content && (
        <>
          <MatchColumns
            fields={STOCK_FIELDS}
            sheet={loaded.sheet}
            columns={loaded.columns}
            onChange={(columns) => setLoaded({ ...loaded, columns })}
          />
          <FormField label="What a row is that does not say it" className="w-72">
            {(w) => (
              <ListChoice
                {...w}
                value={usual}
                items={SORT_IDS.map((id) => ({ value: id, name: SORTS[id].name }))}
                onChange={(to) => setUsual(to as SortId)}
              />
            )}
          </FormField>
          <p>
            {content.entries.length} of {loaded.sheet.rows.length} rows fit.
          </p>
          <WrongRows wrong={content.wrong} />
          <button
            type="button"
            className="button button-main"
            disabled={busy || content.entries.length === 0}
            onClick={() => void keep(content.entries)}
          >
            Put them on the shelves
          </button>
        </>
      )}
    </section>
  );
}
