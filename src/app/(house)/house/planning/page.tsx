import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadPlanning } from '../../../../server/house/load-planning.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { PlanningEditor } from '../../../../ui/house/planning-editor.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'How we plan' };

export default async function PlanningPage() {
  const actor = await requireActor();
  const db = database();
  const [{ rules, version }, shop] = await Promise.all([loadPlanning(db), loadShop(db)]);
  return (
    <>
      <PageHead title="How we plan" note="limits, weights, and what a worth decides" />
      <PlanningEditor
        rules={rules}
        version={version}
        currency={shop.currency}
        may={may(actor.role, 'house')}
      />
    </>
  );
}
