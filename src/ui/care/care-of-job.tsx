'use client';

import { useQuery } from '@tanstack/react-query';
import type { LoadedJobCare } from '../../server/care/load-job-care.ts';
import { getJson } from '../data/queries.tsx';
import { BESIDE_KEY } from '../data/refresh.ts';
import Link from '../kit/link.tsx';
import { CareSaid } from './care-answer.tsx';

/** What may touch this very instrument, where a step or an item of its inspection asks for it. */
export function CareOfJob({
  number,
  at,
  id,
}: {
  readonly number: number;
  readonly at: 'operations' | 'items';
  /** the operation, or the item */
  readonly id: string;
}) {
  const { data } = useQuery<LoadedJobCare>({
    queryKey: [BESIDE_KEY, number, 'care'],
    queryFn: ({ signal }) => getJson(`/api/job/${number}/care`, signal),
  });
  const said = data?.[at][id] ?? [];
  if (said.length === 0) return null;
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 text-sm">What may touch it</summary>
      <div className="space-y-3">
        {said.map((a) => (
          <CareSaid key={`${a.part} ${a.task}`} answer={a} part={a.part} />
        ))}
        <Link href={`/stores/care?job=${number}`} className="inline-flex min-h-11 items-center underline">
          May I use … on this?
        </Link>
      </div>
    </details>
  );
}
