'use client';

import type { KindTargets } from '../../core/instrument/kind-record.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { sayBand, sayValue } from '../../core/targets/say-values.ts';
import { TARGET_FIELDS } from './target-texts.ts';

const SHOWN = ['relief', 'actionBass', 'actionTreble', 'nutGap'] as const satisfies (keyof KindTargets)[];

/** What is aimed at on every kind, each number as it is read on a neck sheet. */
export function TargetsInForce({
  kinds,
}: {
  readonly kinds: readonly { readonly id: string; readonly name: string; readonly targets: KindTargets }[];
}) {
  const [unit] = useDisplayUnit();
  return (
    <table className="w-full self-start text-left text-sm">
      <caption className="py-1 text-left font-serif text-xl font-semibold">
        Targets by kind: aim (band)
      </caption>
      <thead>
        <tr className="border-b-2 border-plain">
          <th scope="col" className="pr-2">
            Kind
          </th>
          {SHOWN.map((field) => (
            <th key={field} scope="col" className="pr-2">
              {TARGET_FIELDS[field].name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {kinds.map(({ id, name, targets }) => (
          <tr key={id} className="border-b border-line">
            <th scope="row" className="py-1 pr-2 font-normal">
              {name}
            </th>
            {SHOWN.map((field) => {
              const { quantity } = TARGET_FIELDS[field];
              return (
                <td key={field} className="py-1 pr-2">
                  {sayValue(targets[field].aim, quantity, unit)}{' '}
                  <span className="whitespace-nowrap text-quiet">
                    ({sayBand(targets[field], quantity, unit)})
                  </span>
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
