'use client';

import { useState } from 'react';
import { itemsFor, type Checklist, type ChecklistItem } from '../core/inspection/checklist.ts';
import { conditionWords, type ConditionFact } from '../core/inspection/condition.ts';
import { FACTS } from '../core/instrument/construction.ts';
import { usualConstruction } from '../core/instrument/defaults.ts';
import { KIND_NAMES, KINDS, type Kind } from '../core/instrument/kinds.ts';
import { operation } from '../core/plan/operations.ts';
import { QUANTITY_FACTS } from '../core/readings/quantities.ts';
import { FormField } from './form-field.tsx';
import { ListChoice } from './list-choice.tsx';

/** A list as a shop keeps it. */
export type KeptChecklist = Omit<Checklist, 'id'> & { readonly id: number };

const PHASES = { 'strings-on': 'strings on', 'strings-off': 'strings off' } as const;

/** A fact's value as the shop calls it. */
function valueName(fact: ConditionFact, value: string): string {
  if (fact === 'kind') return (KIND_NAMES[value as Kind] ?? value).toLowerCase();
  const names: Readonly<Record<string, string>> = FACTS[fact];
  return names[value] ?? value;
}

function Row({ item, asked }: { readonly item: ChecklistItem; readonly asked: boolean }) {
  return (
    <tr className={`border-b border-line align-top ${asked ? '' : 'text-quiet'}`}>
      <td className="py-1 pr-3">
        {asked ? '●' : '○'}
        <span className="sr-only">{asked ? 'asked' : 'not asked'}</span>
      </td>
      <td className="py-1 pr-4">
        <b className={asked ? '' : 'font-normal'}>{item.title}</b>
        <span className="block text-sm">{item.help}</span>
      </td>
      <td className="py-1 pr-4 text-sm whitespace-nowrap">{PHASES[item.phase]}</td>
      <td className="py-1 pr-4 text-sm">{conditionWords(item.when, valueName)}</td>
      <td className="py-1 pr-4 text-sm">{item.reading ? QUANTITY_FACTS[item.reading].name : ''}</td>
      <td className="py-1 text-sm">{item.leadsTo ? operation(item.leadsTo).name : ''}</td>
    </tr>
  );
}

/** The shop's checklists, and what each asks of any kind of instrument. */
export function ChecklistPreview({ lists }: { readonly lists: readonly KeptChecklist[] }) {
  const [listId, setListId] = useState(String(lists[0]?.id ?? ''));
  const [kind, setKind] = useState<Kind>('steel-acoustic');
  const list = lists.find((l) => String(l.id) === listId);
  if (!list) return <p className="p-5">There is no checklist yet.</p>;
  const asked = new Set(itemsFor(list, usualConstruction(kind)).map((i) => i.key));
  const groups = [...new Set(list.items.map((i) => i.group))];
  return (
    <div className="px-5 py-3">
      <div className="mb-3 grid max-w-3xl grid-cols-2 gap-4">
        <FormField label="Checklist">
          {(w) => (
            <ListChoice
              {...w}
              value={listId}
              items={lists.map((l) => ({ value: String(l.id), name: `${l.name}, version ${l.version}` }))}
              onChange={setListId}
            />
          )}
        </FormField>
        <FormField label="As it meets a">
          {(w) => (
            <ListChoice
              {...w}
              value={kind}
              items={KINDS.map((k) => ({ value: k, name: KIND_NAMES[k] }))}
              onChange={(k) => setKind(k as Kind)}
            />
          )}
        </FormField>
      </div>
      <p role="status" className="mb-2">
        {asked.size} of {list.items.length} items are asked of a {KIND_NAMES[kind].toLowerCase()} as it
        usually is.
        {list.ends.length > 0 && ` It ends in “${list.ends.join('” or “')}”.`}
      </p>
      <table className="w-full text-left">
        <thead>
          <tr className="border-b-2 border-plain">
            {['', 'Item', 'Phase', 'Asked when', 'Reading', 'Leads to'].map((h) => (
              <th key={h} scope="col" className="pr-4 font-serif">
                {h || <span className="sr-only">Asked</span>}
              </th>
            ))}
          </tr>
        </thead>
        {groups.map((g) => (
          <tbody key={g}>
            <tr>
              <th colSpan={6} scope="rowgroup" className="pt-3 text-left font-serif text-lg">
                {g}
              </th>
            </tr>
            {list.items
              .filter((i) => i.group === g)
              .map((i) => (
                <Row key={i.key} item={i} asked={asked.has(i.key)} />
              ))}
          </tbody>
        ))}
      </table>
    </div>
  );
}
