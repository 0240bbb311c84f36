import { dayIn } from '../../../core/days/zone.ts';
import { KIND_NAMES, KINDS } from '../../../core/instrument/kinds.ts';
import { formatMoney } from '../../../core/money/currency.ts';
import { KIND_TARGETS } from '../../../core/targets/defaults.ts';
import { loadOperations } from '../../../server/house/load-operations.ts';
import { loadTargets } from '../../../server/house/load-targets.ts';
import type { ReactNode } from 'react';
import type { Band } from '../../../core/neck/truss-rod.ts';
import { database } from '../../../server/db/connection.ts';
import { loadShop } from '../../../server/house/load-shop.ts';
import { PageHead } from '../../../ui/kit/page-head.tsx';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'House' };

/** The aim, and its band on a line of its own where there is no room beside it. */
const say = (b: Band) => (
  <>
    {b.aim.toFixed(2)}{' '}
    <span className="whitespace-nowrap text-quiet">
      ({b.low.toFixed(2)}–{b.high.toFixed(2)})
    </span>
  </>
);

function Table({
  caption,
  head,
  rows,
}: {
  readonly caption: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly [string, ...ReactNode[]])[];
}) {
  return (
    <table className="w-full self-start text-left text-sm">
      <caption className="py-1 text-left font-serif text-xl font-semibold">{caption}</caption>
      <thead>
        <tr className="border-b-2 border-plain">
          {head.map((h) => (
            <th key={h} scope="col" className="pr-2">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row[0]} className="border-b border-line">
            {row.map((cell, i) => (
              <td key={head[i]} className="py-1 pr-2">
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export default async function HousePage() {
  await requireActor();
  const db = database();
  const [{ operations }, { targets }, shop, people, devices] = await Promise.all([
    loadOperations(db),
    loadTargets(db),
    loadShop(db),
    db.models.Person.findAll({ order: [['name', 'ASC']] }),
    db.models.Device.findAll({ where: { revokedAt: null }, order: [['pairedAt', 'DESC']] }),
  ]);
  return (
    <>
      <PageHead title="House" note={`${shop.name}: the rules in force`} />
      <div className="grid gap-8 px-5 py-3 lg:grid-cols-2">
        <div className="space-y-6">
          <Table
            caption="People"
            head={['Name', 'Role']}
            rows={people.filter((p) => p.active).map((p) => [p.name, p.role])}
          />
          <Table
            caption="Paired devices"
            head={['Device', 'Paired']}
            rows={devices.map((d) => [`${d.name} (${d.id})`, dayIn(d.pairedAt.getTime(), shop.zone)])}
          />
          <Table
            caption="Targets by kind, mm: aim (band)"
            head={['Kind', 'Relief', 'Action 12, low', 'Action 12, high', 'Gap over 1']}
            rows={KINDS.map((k) => {
              const t = targets.kinds[k] ?? KIND_TARGETS[k];
              return [KIND_NAMES[k], say(t.relief), say(t.actionBass), say(t.actionTreble), say(t.nutGap)];
            })}
          />
        </div>
        <Table
          caption="Operations"
          head={['Operation', 'Minutes', 'Price', 'Can be undone']}
          rows={operations.map((o) => [
            o.name,
            `${o.minutes.low}–${o.minutes.likely}–${o.minutes.high}`,
            formatMoney(o.price + o.parts, shop.currency),
            o.reversible ? 'yes' : 'no',
          ])}
        />
      </div>
    </>
  );
}
