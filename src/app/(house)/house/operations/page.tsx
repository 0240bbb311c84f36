import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadOperations } from '../../../../server/house/load-operations.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { OperationEditor } from '../../../../ui/house/operation-editor.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Operations' };

export default async function OperationsPage() {
  const actor = await requireActor();
  const db = database();
  const [loaded, shop] = await Promise.all([loadOperations(db), loadShop(db)]);
  return (
    <>
      <PageHead
        title="Operations"
        note={`${loaded.operations.length} offered, ${loaded.version === 0 ? 'as they ship' : `version ${loaded.version} of the shop`}`}
      >
        <a href="/api/operations" className="button" download="operations.json">
          As a file
        </a>
      </PageHead>
      <OperationEditor loaded={loaded} currency={shop.currency} may={may(actor.role, 'house')} />
    </>
  );
}
