import Link from '../../../../../ui/kit/link.tsx';
import { notFound } from 'next/navigation';
import { database } from '../../../../../server/db/connection.ts';
import { loadRounds } from '../../../../../server/shelf/load-rounds.ts';
import { PageHead } from '../../../../../ui/kit/page-head.tsx';
import { CompareRounds } from '../../../../../ui/shelf/compare-rounds.tsx';
import { requireActor } from '../../../../_lib/session.ts';

export const metadata = { title: 'What moved' };

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ a?: string | string[]; b?: string | string[] }>;
}

const one = (value: string | string[] | undefined): string => (typeof value === 'string' ? value : '');

export default async function ComparePage({ params, searchParams }: Props) {
  await requireActor();
  const [{ id }, { a, b }] = await Promise.all([params, searchParams]);
  const db = database();
  const found = /^\d{1,9}$/.test(id) ? await loadRounds(db, Number(id)) : null;
  if (!found) notFound();
  return (
    <>
      <PageHead title={`What moved: ${found.name}`} note="any round of any visit against any other">
        <Link href={`/shelf/${found.id}`} className="button">
          The instrument
        </Link>
      </PageHead>
      <CompareRounds instrument={found} first={{ a: one(a), b: one(b) }} />
    </>
  );
}
