'use client';

import {
  SHEET_FIELDS,
  type Columns,
  type Sheet,
  type SheetContent,
  type WrongRow,
} from '../../contracts/formats/spreadsheet.ts';
import type { OfferedKind } from '../../core/job/shop.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { MatchColumns } from './match-columns.tsx';

const SHOWN = 20;

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
      <WrongRows wrong={wrong} />
    </div>
  );
}

/** The rows that do not fit, each with why. */
export function WrongRows({ wrong }: { readonly wrong: readonly WrongRow[] }) {
  if (wrong.length === 0) return null;
  return (
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
  );
}

/** A list's columns as they are matched, and what it comes to. */
export function SheetMatching({
  sheet,
  columns,
  content,
  kinds,
  usual,
  onColumns,
  onUsual,
}: {
  readonly sheet: Sheet;
  readonly columns: Columns;
  readonly content: SheetContent;
  readonly kinds: readonly OfferedKind[];
  readonly usual: string;
  readonly onColumns: (to: Columns) => void;
  readonly onUsual: (id: string) => void;
}) {
  return (
    <>
      <MatchColumns fields={SHEET_FIELDS} sheet={sheet} columns={columns} onChange={onColumns} />
      <UsualKind kinds={kinds} value={usual} onChange={onUsual} />
      <Preview content={content} rows={sheet.rows.length} />
    </>
  );
}
