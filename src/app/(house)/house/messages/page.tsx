import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadRules } from '../../../../server/house/load-rules.ts';
import { loadOutbox } from '../../../../server/messages/load-outbox.ts';
import { Outbox } from '../../../../ui/house/outbox.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Messages' };

export default async function MessagesPage() {
  const actor = await requireActor();
  const db = database();
  const [{ gateway, gatewayVersion }, messages] = await Promise.all([loadRules(db), loadOutbox(db)]);
  return (
    <>
      <PageHead title="Messages" note="a simulated gateway: nothing leaves the house" />
      <Outbox
        messages={messages}
        gateway={gateway}
        version={gatewayVersion}
        mayChange={may(actor.role, 'house')}
        maySend={may(actor.role, 'hand-over')}
      />
    </>
  );
}
