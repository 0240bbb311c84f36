import Link from '../../../../ui/kit/link.tsx';
import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadGauges } from '../../../../server/house/load-gauges.ts';
import { GaugeEditor } from '../../../../ui/house/gauge-editor.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Gauges' };

export default async function GaugesPage() {
  const actor = await requireActor();
  const gauges = await loadGauges(database());
  return (
    <>
      <PageHead title="Gauges" note="what each can tell, and when it was last held against a reference">
        <Link href="/house/readings" className="button">
          How we read
        </Link>
      </PageHead>
      <GaugeEditor
        gauges={gauges}
        now={Date.now()}
        mayEdit={may(actor.role, 'house')}
        mayCheck={may(actor.role, 'measure')}
      />
    </>
  );
}
