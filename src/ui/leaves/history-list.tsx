'use client';

import { useState } from 'react';
import type { History } from '../../server/jobs/load-history.ts';
import { useWords } from '../data/display-unit.ts';
import { sayMoment } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';

const ALL = 'all';
const choices = (values: readonly string[], all: string) => [
  { value: ALL, name: all },
  ...[...new Set(values)].sort().map((v) => ({ value: v, name: v })),
];

/** One of what stands in the log, or all. */
function Narrow({
  label,
  className,
  value,
  values,
  all,
  onChange,
}: {
  readonly label: string;
  readonly className: string;
  readonly value: string;
  readonly values: readonly string[];
  readonly all: string;
  readonly onChange: (value: string) => void;
}) {
  return (
    <FormField label={label} className={className}>
      {(w) => <ListChoice {...w} value={value} items={choices(values, all)} onChange={onChange} />}
    </FormField>
  );
}

/** Changes, a line each. */
function Changes({ entries }: { readonly entries: History['entries'] }) {
  const words = useWords();
  return (
    <table className="w-full text-left text-sm">
      <caption className="sr-only">Changes, newest first</caption>
      <thead>
        <tr className="border-b-2 border-plain">
          {['When', 'Who', 'What'].map((h) => (
            <th key={h} scope="col" className="pr-4">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {entries.map((e) => (
          <tr key={e.id} className="border-b border-line align-top [&>*]:py-1 [&>*]:pr-4">
            <td className="whitespace-nowrap">
              {sayMoment(e.at)}
              {e.arrived !== null && (
                <span className="block text-quiet">here since {sayMoment(e.arrived)}</span>
              )}
            </td>
            <td className="whitespace-nowrap" title={e.on}>
              {e.by}
            </td>
            <th scope="row" className="w-full font-normal wrap-anywhere text-ink">
              {words(e.says)}
            </th>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The log of a job, newest first, by person, by kind of change, or by a word in it. */
export function HistoryList({ history }: { readonly history: History }) {
  const words = useWords();
  const [by, setBy] = useState(ALL);
  const [kind, setKind] = useState(ALL);
  const [find, setFind] = useState('');
  const wanted = find.trim().toLowerCase();
  const shown = [...history.entries]
    .reverse()
    .filter(
      (e) =>
        (by === ALL || e.by === by) &&
        (kind === ALL || e.kind === kind) &&
        (wanted === '' || `${words(e.says)} ${e.kind} ${e.from} ${e.by}`.toLowerCase().includes(wanted)),
    );
  return (
    <div className="space-y-3 px-5 py-3">
      <div className="flex flex-wrap gap-3">
        <Narrow
          label="By"
          className="w-52"
          value={by}
          values={history.entries.map((e) => e.by)}
          all="everybody"
          onChange={setBy}
        />
        <Narrow
          label="Kind of change"
          className="w-60"
          value={kind}
          values={history.entries.map((e) => e.kind)}
          all="every kind"
          onChange={setKind}
        />
        <TextField label="With the word" className="w-52" value={find} onChange={setFind} />
      </div>
      <p role="status" className="text-sm text-quiet">
        {shown.length === history.entries.length
          ? 'All of them.'
          : `${shown.length} of ${history.entries.length}.`}
      </p>
      <Changes entries={shown} />
    </div>
  );
}
