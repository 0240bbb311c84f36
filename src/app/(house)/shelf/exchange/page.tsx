import Link from '../../../../ui/kit/link.tsx';
import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { offeredKinds } from '../../../../server/house/kinds.ts';
import { BringSheetIn } from '../../../../ui/exchange/bring-sheet-in.tsx';
import { BringBookIn, BringJobIn } from '../../../../ui/exchange/bring-in.tsx';
import { BroughtList } from '../../../../ui/exchange/brought-list.tsx';
import { loadBrought } from '../../../../server/exchange/take-back.ts';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'In and out' };

const OUT = [
  ['customers.vcf', 'Customers as vCards'],
  ['customers.csv', 'Customers as CSV'],
  ['instruments.csv', 'Instruments as CSV'],
] as const;

export default async function ExchangePage() {
  const actor = await requireActor('take-in');
  const keeps = may(actor.role, 'house');
  const [kinds, brought] = await Promise.all([
    offeredKinds(database()),
    keeps ? loadBrought(database()) : [],
  ]);
  return (
    <>
      <PageHead title="In and out" note="the book in open formats">
        <Link href="/shelf" className="button">
          Shelf
        </Link>
      </PageHead>
      <div className="grid gap-10 px-5 py-3 lg:grid-cols-2">
        <div className="space-y-8">
          <section aria-labelledby="out" className="space-y-3">
            <h2 id="out" className="text-xl">
              Out
            </h2>
            {!keeps && <p className="text-quiet">A lead or the owner takes the book out.</p>}
            <ul className="space-y-2">
              {(keeps ? OUT : []).map(([file, name]) => (
                <li key={file}>
                  <a href={`/api/shelf/${file}`} className="button" download={file}>
                    {name}
                  </a>
                </li>
              ))}
            </ul>
            <p className="text-sm text-quiet">
              A whole job with its photos goes out as a zip from its hand-over leaf; checklists under House.
            </p>
          </section>
          <BringBookIn />
        </div>
        <div className="space-y-8">
          <BringSheetIn kinds={kinds.filter((k) => !k.retired)} />
          {keeps ? (
            <>
              <BringJobIn there={brought.map((b) => b.what)} />
              <BroughtList brought={brought} />
            </>
          ) : (
            <p className="text-quiet">A lead or the owner brings whole jobs in.</p>
          )}
        </div>
      </div>
    </>
  );
}
