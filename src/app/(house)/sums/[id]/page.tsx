import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { sumById } from '../../../../core/sums/run-sum.ts';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { SumsPlace } from '../../../../ui/sums/sums-place.tsx';
import { requireActor } from '../../../_lib/session.ts';

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { id } = await params;
  return { title: sumById(id)?.title ?? 'Sums' };
}

export default async function SumPage({ params, searchParams }: Props) {
  await requireActor();
  const { id } = await params;
  if (!sumById(id)) notFound();
  const given = Object.entries(await searchParams).flatMap(([k, v]) =>
    typeof v === 'string' ? [[k, v]] : [],
  );
  return (
    <>
      <PageHead title="Sums" note="any calculation, without a job" />
      <SumsPlace id={id} query={new URLSearchParams(given).toString()} />
    </>
  );
}
