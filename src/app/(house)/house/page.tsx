import { sayDate } from '../../../core/days/say-days.ts';
import { dayIn } from '../../../core/days/zone.ts';
import { formatMoney } from '../../../core/money/currency.ts';
import { offeredKinds } from '../../../server/house/kinds.ts';
import { loadOperations } from '../../../server/house/load-operations.ts';
import { loadTargets } from '../../../server/house/load-targets.ts';
import { database } from '../../../server/db/connection.ts';
import { loadShop } from '../../../server/house/load-shop.ts';
import { bandsOf } from '../../../core/targets/bands-of.ts';
import { TargetsInForce } from '../../../ui/house/targets-in-force.tsx';
import { PageHead } from '../../../ui/kit/page-head.tsx';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'House' };

function Table({
  caption,
  head,
  rows,
}: {
  readonly caption: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
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
  const [{ operations }, { targets }, kinds, shop, people, devices] = await Promise.all([
    loadOperations(db),
    loadTargets(db),
    offeredKinds(db),
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
            rows={devices.map((d) => [
              `${d.name} (${d.id})`,
              sayDate(dayIn(d.pairedAt.getTime(), shop.zone), shop.dates),
            ])}
          />
          <TargetsInForce
            kinds={kinds.map(({ id, name, own, usual }) => ({
              id,
              name,
              targets: bandsOf(targets, { id, base: own ? usual.kind : id }),
            }))}
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
