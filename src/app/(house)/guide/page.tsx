import { Guide } from '../../../ui/guide/guide.tsx';
import { PageHead } from '../../../ui/kit/page-head.tsx';
import { PrintButton } from '../../../ui/kit/print-button.tsx';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'Guide' };

export default async function GuidePage() {
  await requireActor();
  return (
    <>
      <PageHead title="Guide" note="a day at each place, and the words the screens use">
        <PrintButton low={false} />
      </PageHead>
      <Guide />
    </>
  );
}
