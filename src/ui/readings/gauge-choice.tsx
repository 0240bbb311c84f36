'use client';

import { QUANTITY_FACTS, type Quantity } from '../../core/readings/quantities.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { FormField } from '../kit/form-field.tsx';

type Chosen = Readonly<Partial<Record<Quantity, number>>>;

const CHOSEN_FOR = ['relief', 'action', 'nut-gap', 'saddle-standout'] as const;

/** Which of the shop's gauges a round is read with. */
export function GaugeChoice({
  gauges,
  chosen,
  onChange,
}: {
  readonly gauges: LeafJob['readings']['gauges'];
  readonly chosen: Chosen;
  readonly onChange: (chosen: Chosen) => void;
}) {
  const inUse = gauges.filter((g) => !g.retired);
  if (inUse.length === 0) return null;
  const choose = (quantity: Quantity, id: string) => {
    const { [quantity]: _old, ...rest } = chosen;
    onChange(id === '' ? rest : { ...rest, [quantity]: Number(id) });
  };
  return (
    <div className="grid grid-cols-4 gap-3 max-sm:grid-cols-2">
      {CHOSEN_FOR.map((quantity) => (
        <FormField key={quantity} label={`${QUANTITY_FACTS[quantity].name} with`}>
          {(w) => (
            <select
              {...w}
              className="field"
              value={chosen[quantity] ?? ''}
              onChange={(e) => choose(quantity, e.target.value)}
            >
              <option value="">{QUANTITY_FACTS[quantity].gauge}</option>
              {inUse.map((g) => (
                <option key={g.id} value={g.id}>
                  {g.name}
                </option>
              ))}
            </select>
          )}
        </FormField>
      ))}
    </div>
  );
}
