import { notFound } from 'next/navigation';
import { database } from '../../../../server/db/connection.ts';
import { readShop } from '../../../../server/house/read-shop.ts';
import { loadBench } from '../../../../server/practice/load-practice.ts';
import Link from '../../../../ui/kit/link.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { PracticeBench } from '../../../../ui/practice/practice-bench.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'A practice instrument' };

export default async function PracticeBenchPage({
  params,
}: {
  readonly params: Promise<{ readonly id: string }>;
}) {
  const actor = await requireActor();
  const { id } = await params;
  const db = database();
  const bench = /^\d{1,9}$/.test(id) ? await loadBench(db, actor.personId, Number(id)) : null;
  if (!bench) notFound();
  const shop = await readShop(db.models);
  return (
    <>
      <PageHead title={`Practice: ${bench.view.name}`} note="simulated; nothing of it reaches the shop">
        <span className="text-quiet">code {bench.view.code}</span>
        <Link href="/practice" className="button">
          Practice
        </Link>
      </PageHead>
      <PracticeBench
        key={bench.opened === null ? 'bench' : 'opened'}
        bench={bench}
        currency={shop.info.currency}
      />
    </>
  );
}
