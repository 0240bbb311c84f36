'use client';

import { useState } from 'react';
import type { ShopHabits } from '../../contracts/habits.ts';
import { readers, type Gauge } from '../../core/readings/gauge.ts';
import { QUANTITIES, QUANTITY_FACTS, type Quantity } from '../../core/readings/quantities.ts';
import { LENGTH_UNITS, type LengthUnit } from '../../core/units/length-units.ts';
import { MethodChoice } from '../readings/method-choice.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import type { Fields } from '../data/edit-model.ts';
import { useEdit } from '../data/use-edit.ts';
import { SizeField } from './size-field.tsx';
import { useSend } from '../data/use-send.ts';
import { Sideways } from '../kit/sideways.tsx';

type Typed = ShopHabits & Fields;

const STRINGS = { lowest: 'the lowest string first', highest: 'the highest string first' } as const;

/** How the shop reads; rounds already begun keep their methods. */
export function HabitEditor({
  habits: first,
  version,
  gauges,
  may,
}: {
  readonly habits: ShopHabits;
  readonly version: number;
  readonly gauges: readonly Pick<Gauge, 'id' | 'name' | 'quantities'>[];
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit<Typed>({ ...first }, version, 'house:habits');
  const habits = edit.value;
  const [said, setSaid] = useState('');
  const move = (at: number, by: number) => {
    const order = [...habits.order];
    const [group] = order.splice(at, 1);
    if (group) order.splice(at + by, 0, group);
    edit.set({ order });
  };
  const set = <K extends 'units' | 'gauges'>(
    which: K,
    quantity: Quantity,
    value: ShopHabits[K][Quantity],
  ) => {
    const { [quantity]: _old, ...rest } = habits[which];
    edit.set({ [which]: value === undefined ? rest : { ...rest, [quantity]: value } });
  };
  const feel = (at: number, end: 'low' | 'high', mm: number) => {
    const feelings = habits.feelings.map((f, i) => (i === at ? { ...f, [end]: mm } : f));
    edit.set({ feelings });
  };
  const keep = async () => {
    setSaid('');
    const kept = await edit.save((value, began) =>
      give('house.save-habits', { version: began, habits: value as ShopHabits }),
    );
    if (kept) setSaid('Kept. Rounds begun from now on follow it.');
  };
  return (
    <div className="grid gap-8 px-5 py-3 lg:grid-cols-2">
      <section aria-labelledby="methods" className="space-y-3">
        <h2 id="methods" className="text-xl">
          Methods
        </h2>
        <MethodChoice
          methods={habits.methods}
          disabled={!may}
          onChange={(methods) => edit.set({ methods })}
        />
        <h2 className="text-xl">Working order</h2>
        <ol className="space-y-1">
          {habits.order.map((group, i) => (
            <li key={group} className="flex items-center gap-2 border-b border-line py-1">
              <span className="grow">
                {i + 1}. {QUANTITY_FACTS[group].name}
              </span>
              {may && (
                <>
                  <button
                    type="button"
                    className="button px-3"
                    aria-label={`${QUANTITY_FACTS[group].name} earlier`}
                    disabled={i === 0}
                    onClick={() => move(i, -1)}
                  >
                    ↑
                  </button>
                  <button
                    type="button"
                    className="button px-3"
                    aria-label={`${QUANTITY_FACTS[group].name} later`}
                    disabled={i === habits.order.length - 1}
                    onClick={() => move(i, 1)}
                  >
                    ↓
                  </button>
                </>
              )}
            </li>
          ))}
        </ol>
        <PillChoice
          legend="Across the board"
          value={habits.firstString}
          options={STRINGS}
          disabled={!may}
          onChange={(firstString) => edit.set({ firstString })}
        />
        <h2 className="text-xl">What a feeling stands for</h2>
        <ul className="text-sm">
          {habits.feelings.map((f, i) => (
            <li key={f.says} className="flex items-center gap-2 py-1">
              <span className="w-28">“{f.says}”</span>
              {(['low', 'high'] as const).map((end) => (
                <SizeField
                  key={end}
                  label={`“${f.says}”: ${end}`}
                  readOnly={!may}
                  value={f[end]}
                  onChange={(mm) => feel(i, end, mm)}
                />
              ))}
            </li>
          ))}
        </ul>
      </section>
      <section aria-labelledby="fields" className="space-y-3">
        <h2 id="fields" className="text-xl">
          Units and gauges
        </h2>
        <Sideways label="Units and gauges">
          <table className="w-full text-left text-sm">
            <caption className="sr-only">The unit of a bare number and the gauge, by what is read</caption>
            <thead>
              <tr className="border-b-2 border-plain">
                <th scope="col">What is read</th>
                <th scope="col">Bare numbers are</th>
                <th scope="col">Gauge</th>
              </tr>
            </thead>
            <tbody>
              {QUANTITIES.map((q) => (
                <tr key={q} className="border-b border-line">
                  <th scope="row" className="font-normal">
                    {QUANTITY_FACTS[q].name}
                  </th>
                  <td>
                    {QUANTITY_FACTS[q].measure === 'length' ? (
                      <select
                        className="field w-36"
                        aria-label={`Unit of ${QUANTITY_FACTS[q].name}`}
                        disabled={!may}
                        value={habits.units[q] ?? ''}
                        onChange={(e) =>
                          set('units', q, e.target.value === '' ? undefined : (e.target.value as LengthUnit))
                        }
                      >
                        <option value="">as the sheet</option>
                        {LENGTH_UNITS.map((u) => (
                          <option key={u}>{u}</option>
                        ))}
                      </select>
                    ) : (
                      QUANTITY_FACTS[q].measure
                    )}
                  </td>
                  <td>
                    <select
                      className="field w-56"
                      aria-label={`Gauge for ${QUANTITY_FACTS[q].name}`}
                      disabled={!may}
                      value={habits.gauges[q] ?? ''}
                      onChange={(e) =>
                        set('gauges', q, e.target.value === '' ? undefined : Number(e.target.value))
                      }
                    >
                      <option value="">{QUANTITY_FACTS[q].gauge}</option>
                      {gauges
                        .filter((g) => g.id === habits.gauges[q] || readers(q, [g]).length > 0)
                        .map((g) => (
                          <option key={g.id} value={g.id}>
                            {g.name}
                          </option>
                        ))}
                    </select>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Sideways>
        {may && (
          <>
            <ConflictChoice edit={edit} />
            <Trouble trouble={edit.conflicts.length > 0 ? null : trouble} />
            <button
              type="button"
              className="button button-main"
              disabled={busy || edit.conflicts.length > 0}
              onClick={() => void keep()}
            >
              Keep how we read
            </button>
            <p aria-live="polite">{said}</p>
          </>
        )}
      </section>
    </div>
  );
}
