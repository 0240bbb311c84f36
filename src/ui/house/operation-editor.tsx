'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import { operationsFile } from '../../contracts/formats/operations-file.ts';
import { formatMoney, type MoneyForm } from '../../core/money/currency.ts';
import type { Operation } from '../../core/catalogue/operation.ts';
import { ownOperationId } from '../../core/catalogue/operation-ids.ts';
import { circleIn, OPERATIONS, ownOperation } from '../../core/catalogue/operations.ts';
import type { LoadedOperations } from '../../server/house/load-operations.ts';
import { FileField } from '../kit/file-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { VersionList } from './version-list.tsx';

const wait = (minutes: number): string =>
  minutes === 0
    ? ''
    : minutes < 60
      ? `${minutes} min`
      : minutes < 1440
        ? `${Math.round(minutes / 60)} h`
        : `${Math.round(minutes / 1440)} d`;

// All that is known of one is loaded when one is opened.
const OperationForm = lazyPart(() => import('./operation-form.tsx').then((m) => m.OperationForm));

type ById = Readonly<Record<string, Operation | null>>;

const byId = (list: readonly Operation[]): ById => Object.fromEntries(list.map((o) => [o.id, o]));

const inOrder = (value: ById): readonly Operation[] =>
  Object.values(value)
    .filter((o) => o !== null)
    .sort((a, b) => a.order - b.order);

const sayOperation = (o: Operation | null, currency: MoneyForm): string =>
  o === null
    ? 'not offered'
    : `${o.minutes.low}–${o.minutes.likely}–${o.minutes.high} min, price ${formatMoney(o.price, currency)}, parts ${formatMoney(o.parts, currency)}`;

/** The shop's catalogue: what each kind of work takes, costs, moves and asks for. Kept by versions, in and out as a file. */
export function OperationEditor({
  loaded,
  currency,
  may,
}: {
  readonly loaded: LoadedOperations;
  readonly currency: string;
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  // One field an operation: two people who change different ones do not meet.
  const edit = useEdit(byId(loaded.operations), loaded.version, 'house:operations');
  const list = inOrder(edit.value);
  const setList = (to: readonly Operation[]) => {
    const gone = list.filter((o) => !to.some((x) => x.id === o.id)).map((o) => [o.id, null] as const);
    edit.set({ ...byId(to.filter((o) => edit.value[o.id] !== o)), ...Object.fromEntries(gone) });
  };
  const [open, setOpen] = useState<Operation['id'] | null>(null);
  const [find, setFind] = useState('');
  const [note, setNote] = useState('');
  const [fileWrong, setFileWrong] = useState('');
  const changed = edit.changed;
  const circle = circleIn(list);
  const gone = OPERATIONS.filter((o) => !list.some((x) => x.id === o.id));
  const shown = list.filter((o) => o.name.toLowerCase().includes(find.trim().toLowerCase()));
  const chosen = list.find((o) => o.id === open);
  const names = Object.fromEntries([...OPERATIONS, ...list].map((o) => [o.id, o.name]));
  const name = (id: Operation['id']) => list.find((o) => o.id === id)?.name ?? id;
  const change = (to: Operation) => setList(list.map((o) => (o.id === to.id ? to : o)));
  const add = () => {
    const id = ownOperationId(find, [...list.map((o) => o.id), ...OPERATIONS.map((o) => o.id)]);
    const fresh = ownOperation(id, find.trim());
    setList([...list, fresh].sort((a, b) => a.order - b.order));
    setOpen(id);
  };
  const keep = async () => {
    const kept = await edit.save((value, version) =>
      give('house.save-operations', { version, operations: operationsFile(inOrder(value)), note }),
    );
    if (kept) setNote('');
  };
  const bringIn = async (file: File) => {
    const { readOperationsFile } = await import('../../contracts/formats/operations.ts');
    const read = readOperationsFile(await file.text());
    setFileWrong(read.ok ? '' : `${read.error} Nothing was changed.`);
    if (read.ok) setList(read.value);
  };
  return (
    <div className="grid gap-6 px-5 py-3 lg:grid-cols-[1fr_27rem]">
      <section aria-label="Catalogue" className="min-w-0 space-y-2">
        <div className="flex flex-wrap items-end gap-3">
          <TextField label="Find an operation" className="w-72" value={find} onChange={setFind} />
          {may &&
            find.trim() !== '' &&
            !list.some((o) => o.name.toLowerCase() === find.trim().toLowerCase()) && (
              <button type="button" className="button" onClick={add}>
                Add “{find.trim()}”
              </button>
            )}
        </div>
        <div className="max-h-[60vh] overflow-auto" tabIndex={0} role="group" aria-label="The operations">
          <table className="w-full text-left text-sm">
            <thead className="sticky top-0 bg-paper">
              <tr className="border-b-2 border-plain">
                {['Operation', 'Minutes', 'Wait', 'Price', 'Parts', ''].map((h) => (
                  <th key={h} scope="col" className="pr-3">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {shown.map((o) => (
                <tr key={o.id} className={`border-b border-line ${o.id === open ? 'bg-shade' : ''}`}>
                  <th scope="row" className="font-normal">
                    <button
                      type="button"
                      className="min-h-11 w-full cursor-pointer text-left underline"
                      aria-expanded={o.id === open}
                      onClick={() => setOpen(o.id === open ? null : o.id)}
                    >
                      {o.name}
                    </button>
                  </th>
                  <td>
                    {o.minutes.low}–{o.minutes.likely}–{o.minutes.high}
                  </td>
                  <td>{wait(o.wait)}</td>
                  <td>{formatMoney(o.price, currency)}</td>
                  <td>{o.parts === 0 ? '' : formatMoney(o.parts, currency)}</td>
                  <td>{o.reversible ? '' : 'for good'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        {gone.length > 0 && (
          <p className="text-sm">
            Not offered:{' '}
            {gone.map((o) => (
              <button
                key={o.id}
                type="button"
                className="button mr-1"
                disabled={!may}
                onClick={() => setList([...list, o].sort((a, b) => a.order - b.order))}
              >
                Offer “{o.name}” again
              </button>
            ))}
          </p>
        )}
        {may && (
          <div className="space-y-2 border-t border-line pt-2">
            {circle && (
              <p role="alert" className="text-rubric">
                ◆ {circle.map(name).join(' needs ')}: that is a circle. Take one of these needs away.
              </p>
            )}
            <div className="flex flex-wrap items-end gap-3">
              <TextField
                label="What changed, in words"
                className="w-72"
                maxLength={200}
                value={note}
                onChange={setNote}
              />
              <button
                type="button"
                className="button button-main"
                disabled={busy || !changed || circle !== null || edit.conflicts.length > 0}
                onClick={() => void keep()}
              >
                Keep as version {loaded.version + 1}
              </button>
              <button type="button" className="button" disabled={!changed} onClick={edit.reset}>
                Undo my changes
              </button>
            </div>
            <ConflictChoice
              edit={edit}
              say={(_, v) => sayOperation(v as Operation | null, currency)}
              names={names}
            />
            <Trouble trouble={edit.conflicts.length > 0 ? null : trouble} />
          </div>
        )}
      </section>
      <section aria-label={chosen ? chosen.name : 'Versions'} className="space-y-3">
        {chosen ? (
          <Suspense>
            <OperationForm
              key={chosen.id}
              operation={chosen}
              currency={currency}
              list={list}
              may={may}
              onChange={change}
              onLeave={() => {
                setList(list.filter((o) => o.id !== chosen.id));
                setOpen(null);
              }}
            />
          </Suspense>
        ) : (
          <>
            <h2 className="text-xl">Versions</h2>
            <VersionList
              versions={[
                ...loaded.versions,
                { version: 0, operations: OPERATIONS, note: 'as it ships', by: '', at: '' },
              ]}
              may={may}
              onTake={(v) => setList(v.operations)}
            />
            {may && (
              <FileField
                label="Operations from a file"
                accept=".json,application/json"
                wrong={fileWrong}
                onFile={(file) => void bringIn(file)}
              />
            )}
          </>
        )}
      </section>
    </div>
  );
}
