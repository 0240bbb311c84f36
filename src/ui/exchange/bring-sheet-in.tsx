'use client';

import { useId, useState } from 'react';
import {
  SHEET_FIELDS,
  type Columns,
  type Sheet,
  type SheetContent,
  type SheetField,
} from '../../contracts/formats/spreadsheet.ts';
import type { OfferedKind } from '../../core/job/shop.ts';
import { useSend } from '../data/use-send.ts';
import { FileField } from '../kit/file-field.tsx';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';

const NONE = '';
const SHOWN = 20;
type Formats = typeof import('../../contracts/formats/spreadsheet.ts');

interface Loaded {
  readonly formats: Formats;
  readonly sheet: Sheet;
  readonly columns: Columns;
}

/** Which column of the list holds what; each is shown with its first entry. */
function Matching({
  loaded,
  onChange,
}: {
  readonly loaded: Loaded;
  readonly onChange: (to: Columns) => void;
}) {
  const { head, rows } = loaded.sheet;
  const sample = rows[0]?.cells ?? [];
  const items = [
    { value: NONE, name: 'not in the list' },
    ...head.map((h, i) => ({ value: String(i), name: `${h || `column ${i + 1}`}: ${sample[i] ?? ''}` })),
  ];
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      {(Object.keys(SHEET_FIELDS) as SheetField[]).map((field) => (
        <FormField key={field} label={SHEET_FIELDS[field]}>
          {(w) => (
            <ListChoice
              {...w}
              value={loaded.columns[field] === undefined ? NONE : String(loaded.columns[field])}
              items={items}
              onChange={(to) => {
                const { [field]: _was, ...rest } = loaded.columns;
                onChange(to === NONE ? rest : { ...rest, [field]: Number(to) });
              }}
            />
          )}
        </FormField>
      ))}
    </div>
  );
}

/** The kind of an instrument whose row names none. */
function UsualKind({
  kinds,
  value,
  onChange,
}: {
  readonly kinds: readonly OfferedKind[];
  readonly value: string;
  readonly onChange: (id: string) => void;
}) {
  return (
    <FormField label="Kind of an instrument whose row names none" className="w-72">
      {(w) => (
        <ListChoice
          {...w}
          value={value}
          items={kinds.map((k) => ({ value: k.id, name: k.name }))}
          onChange={onChange}
        />
      )}
    </FormField>
  );
}

/** What the list comes to: how many fit, and each row that does not, with why. */
function Preview({ content, rows }: { readonly content: SheetContent; readonly rows: number }) {
  const { customers, instruments, wrong } = content;
  return (
    <div role="status" className="space-y-2">
      <p>
        Of {rows} rows {rows - wrong.length} fit: {customers.length} customers, {instruments.length}{' '}
        instruments.
      </p>
      {wrong.length > 0 && (
        <>
          <p>{wrong.length} do not, and are left out:</p>
          <ul className="list-disc pl-5 text-sm">
            {wrong.slice(0, SHOWN).map((w) => (
              <li key={w.line}>
                line {w.line}: {w.why}
              </li>
            ))}
          </ul>
          {wrong.length > SHOWN && <p className="text-sm">… and {wrong.length - SHOWN} more.</p>}
        </>
      )}
    </div>
  );
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

/** Customers and instruments from a list of somebody's own: its columns are matched, shown, and what fits is taken. */
export function BringSheetIn({ kinds }: { readonly kinds: readonly OfferedKind[] }) {
  const id = useId();
  const { take, busy, trouble } = useTaking();
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const [usual, setUsual] = useState(kinds[0]?.id ?? '');
  const [said, setSaid] = useState('');
  const [wrong, setWrong] = useState('');
  const read = async (file: File) => {
    const formats = await import('../../contracts/formats/spreadsheet.ts');
    const done = formats.readSheet(formats.decodeSheet(new Uint8Array(await file.arrayBuffer())));
    setSaid('');
    setWrong(done.ok ? '' : done.error);
    setLoaded(
      done.ok ? { formats, sheet: done.value, columns: formats.guessColumns(done.value.head) } : null,
    );
  };
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
          <Matching loaded={loaded} onChange={(columns) => setLoaded({ ...loaded, columns })} />
          <UsualKind kinds={kinds} value={usual} onChange={setUsual} />
          <Preview content={content} rows={loaded.sheet.rows.length} />
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
