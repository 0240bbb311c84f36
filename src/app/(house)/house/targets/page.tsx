import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { offeredKinds } from '../../../../server/house/kinds.ts';
import { loadTargets } from '../../../../server/house/load-targets.ts';
import { TargetEditor } from '../../../../ui/house/target-editor.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Targets' };

export default async function TargetsPage() {
  const actor = await requireActor();
  const db = database();
  const [loaded, kinds] = await Promise.all([loadTargets(db), offeredKinds(db)]);
  return (
    <>
      <PageHead
        title="Targets"
        note={
          loaded.version === 0
            ? 'as they ship: ordinary trade practice'
            : `version ${loaded.version} of the shop`
        }
      >
        <a href="/api/targets" className="button" download="targets.json">
          As a file
        </a>
      </PageHead>
      <TargetEditor
        loaded={loaded}
        kinds={kinds.map(({ id, name, own, usual }) => ({ id, name, base: own ? usual.kind : id }))}
        may={may(actor.role, 'house')}
      />
    </>
  );
}
