'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import { itemsFor, type Checklist, type ChecklistItem } from '../../core/inspection/checklist.ts';
import { conditionWords } from '../../core/instrument/condition.ts';
import { usualConstruction } from '../../core/instrument/defaults.ts';
import { KIND_NAMES, type Kind } from '../../core/instrument/kinds.ts';
import { operation } from '../../core/catalogue/operations.ts';
import { QUANTITY_FACTS } from '../../core/readings/quantities.ts';
import { PHASES, valueName } from './words.ts';
import { Sideways } from '../kit/sideways.tsx';

const KindChoice = lazyPart(() => import('../instrument/kind-choice.tsx').then((m) => m.KindChoice));

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

/** What a list asks of any kind of instrument. */
export function ChecklistPreview({ list }: { readonly list: Checklist }) {
  const [kind, setKind] = useState<Kind>('steel-acoustic');
  const asked = new Set(itemsFor(list, usualConstruction(kind)).map((i) => i.key));
  const groups = [...new Set(list.items.map((i) => i.group))];
  return (
    <div className="px-5 py-3">
      <div className="mb-3 max-w-sm">
        <Suspense>
          <KindChoice label="As it meets a" value={kind} onChange={setKind} />
        </Suspense>
      </div>
      <p role="status" className="mb-2">
        {asked.size} of {list.items.length} items are asked of a {KIND_NAMES[kind].toLowerCase()} as it
        usually is.
        {list.ends.length > 0 && ` It ends in “${list.ends.join('” or “')}”.`}
      </p>
      <Sideways label="The items">
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
      </Sideways>
    </div>
  );
}
