'use client';

import { useState } from 'react';
import { operationsFile, readOperationsFile } from '../../contracts/formats/operations.ts';
import { formatMoney } from '../../core/money/money.ts';
import { op, type Operation } from '../../core/plan/operation.ts';
import { ownOperationId } from '../../core/plan/operation-ids.ts';
import { circleIn, OPERATIONS } from '../../core/plan/operations.ts';
import type { LoadedOperations } from '../../server/house/load-operations.ts';
import { FileField } from '../file-field.tsx';
import { FormField } from '../form-field.tsx';
import { Trouble } from '../trouble.tsx';
import { useSend } from '../use-send.ts';
import { VersionList } from './version-list.tsx';
import { OperationForm } from './operation-form.tsx';

const wait = (minutes: number): string =>
  minutes === 0
    ? ''
    : minutes < 60
      ? `${minutes} min`
      : minutes < 1440
        ? `${Math.round(minutes / 60)} h`
        : `${Math.round(minutes / 1440)} d`;

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
  const [list, setList] = useState<readonly Operation[]>(loaded.operations);
  const [open, setOpen] = useState<Operation['id'] | null>(null);
  const [find, setFind] = useState('');
  const [note, setNote] = useState('');
  const [fileWrong, setFileWrong] = useState('');
  const changed = JSON.stringify(list) !== JSON.stringify(loaded.operations);
  const circle = circleIn(list);
  const gone = OPERATIONS.filter((o) => !list.some((x) => x.id === o.id));
  const shown = list.filter((o) => o.name.toLowerCase().includes(find.trim().toLowerCase()));
  const chosen = list.find((o) => o.id === open);
  const name = (id: Operation['id']) => list.find((o) => o.id === id)?.name ?? id;
  const change = (to: Operation) => setList(list.map((o) => (o.id === to.id ? to : o)));
  const add = () => {
    const id = ownOperationId(find, [...list.map((o) => o.id), ...OPERATIONS.map((o) => o.id)]);
    const fresh = op(id, find.trim(), 75, [10, 20, 30], 0);
    setList([...list, fresh].sort((a, b) => a.order - b.order));
    setOpen(id);
  };
  const keep = () =>
    give('house.save-operations', { version: loaded.version, operations: operationsFile(list), note });
  const bringIn = async (file: File) => {
    const read = readOperationsFile(await file.text());
    setFileWrong(read.ok ? '' : `${read.error} Nothing was changed.`);
    if (read.ok) setList(read.value);
  };
  return (
    <div className="grid gap-6 px-5 py-3 lg:grid-cols-[1fr_27rem]">
      <section aria-label="Catalogue" className="min-w-0 space-y-2">
        <div className="flex flex-wrap items-end gap-3">
          <FormField label="Find an operation" className="w-72">
            {(w) => <input {...w} className="field" value={find} onChange={(e) => setFind(e.target.value)} />}
          </FormField>
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
              <FormField label="What changed, in words" className="w-72">
                {(w) => (
                  <input
                    {...w}
                    className="field"
                    maxLength={200}
                    value={note}
                    onChange={(e) => setNote(e.target.value)}
                  />
                )}
              </FormField>
              <button
                type="button"
                className="button button-main"
                disabled={busy || !changed || circle !== null}
                onClick={() => void keep()}
              >
                Keep as version {loaded.version + 1}
              </button>
              <button
                type="button"
                className="button"
                disabled={!changed}
                onClick={() => setList(loaded.operations)}
              >
                Undo my changes
              </button>
            </div>
            <Trouble trouble={trouble} />
          </div>
        )}
      </section>
      <section aria-label={chosen ? chosen.name : 'Versions'} className="space-y-3">
        {chosen ? (
          <OperationForm
            key={chosen.id}
            operation={chosen}
            list={list}
            may={may}
            onChange={change}
            onLeave={() => {
              setList(list.filter((o) => o.id !== chosen.id));
              setOpen(null);
            }}
          />
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
