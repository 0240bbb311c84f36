import { PageHead } from '../../../ui/kit/page-head.tsx';
import { SumsPlace } from '../../../ui/sums/sums-place.tsx';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'Sums' };

export default async function SumsPage() {
  await requireActor();
  return (
    <>
      <PageHead title="Sums" note="any calculation, without a job" />
      <SumsPlace id={null} query="" />
    </>
  );
}
