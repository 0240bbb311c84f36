import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadRules } from '../../../../server/house/load-rules.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { RulesEditor } from '../../../../ui/house/rules-editor.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Handing over' };

export default async function HandOverRulesPage() {
  const actor = await requireActor();
  const db = database();
  const [{ rules, rulesVersion }, shop] = await Promise.all([loadRules(db), loadShop(db)]);
  return (
    <>
      <PageHead title="Handing over" note="second check, tweaks, the next check, customers’ links" />
      <RulesEditor
        rules={rules}
        version={rulesVersion}
        currency={shop.currency}
        may={may(actor.role, 'house')}
      />
    </>
  );
}
