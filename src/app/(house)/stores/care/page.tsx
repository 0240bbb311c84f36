import { may } from '../../../../core/people/roles.ts';
import { loadJobCare } from '../../../../server/care/load-job-care.ts';
import { database } from '../../../../server/db/connection.ts';
import { readShop } from '../../../../server/house/read-shop.ts';
import { CareDesk } from '../../../../ui/care/care-desk.tsx';
import Link from '../../../../ui/kit/link.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Care' };

export default async function CarePage({
  searchParams,
}: {
  readonly searchParams: Promise<{ readonly job?: string }>;
}) {
  const actor = await requireActor();
  const { job } = await searchParams;
  const db = database();
  const [own, { care }] = await Promise.all([
    job !== undefined && /^\d{1,9}$/.test(job) ? loadJobCare(db, Number(job)) : null,
    readShop(db.models),
  ]);
  return (
    <>
      <PageHead title="Care" note="what may touch what, and what to beware of">
        {may(actor.role, 'house') && (
          <Link href="/house/care" className="button">
            As the shop says it
          </Link>
        )}
        <Link href="/stores" className="button">
          Stores
        </Link>
      </PageHead>
      <CareDesk care={care} instrument={own?.instrument ?? null} parts={own?.parts ?? []} />
    </>
  );
}
