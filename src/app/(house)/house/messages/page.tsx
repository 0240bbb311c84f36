import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadRules } from '../../../../server/house/load-rules.ts';
import { loadOutbox } from '../../../../server/messages/load-outbox.ts';
import { loadMessages } from '../../../../server/messages/settings.ts';
import { MessageEditor } from '../../../../ui/house/message-editor.tsx';
import { Outbox } from '../../../../ui/house/outbox.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Messages' };

export default async function MessagesPage() {
  const actor = await requireActor();
  const db = database();
  const [{ gateway, gatewayVersion }, messages, services] = await Promise.all([
    loadRules(db),
    loadOutbox(db),
    loadMessages(db),
  ]);
  const { mail, text } = services.messages;
  const simulated = mail.how === 'simulated' && text.how === 'simulated';
  return (
    <>
      <PageHead
        title="Messages"
        note={simulated ? 'a simulated gateway: nothing leaves the house' : 'what goes to customers, and how'}
      />
      <Outbox
        messages={messages}
        gateway={gateway}
        version={gatewayVersion}
        mayChange={may(actor.role, 'house')}
        maySend={may(actor.role, 'hand-over')}
      />
      <section aria-labelledby="how" className="border-t border-line px-5 py-4">
        <h2 id="how" className="mb-3 text-2xl">
          How messages go
        </h2>
        <MessageEditor {...services} may={may(actor.role, 'house')} />
      </section>
    </>
  );
}
