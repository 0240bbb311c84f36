import { dayIn } from '../../../../core/days/zone.ts';
import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { loadPeople } from '../../../../server/people/load-people.ts';
import { loadAway, loadExtraHours } from '../../../../server/week/load-away.ts';
import { loadReliability } from '../../../../server/week/load-reliability.ts';
import { loadWeekRules } from '../../../../server/week/week-rules.ts';
import { AwayEditor } from '../../../../ui/house/away-editor.tsx';
import { LongerEditor } from '../../../../ui/house/longer-editor.tsx';
import { WeekEditor } from '../../../../ui/house/week-editor.tsx';
import { PromisesKept } from '../../../../ui/house/promises-kept.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'The week' };

export default async function WeekRulesPage() {
  const actor = await requireActor();
  const db = database();
  const [{ rules, version }, people, shop] = await Promise.all([
    loadWeekRules(db),
    loadPeople(db),
    loadShop(db),
  ]);
  const today = dayIn(Date.now(), shop.zone);
  const [away, extra, promises] = await Promise.all([
    loadAway(db, today),
    loadExtraHours(db, today),
    loadReliability(db, shop.zone),
  ]);
  const workers = people.filter((p) => p.active && may(p.role, 'work')).map(({ id, name }) => ({ id, name }));
  return (
    <>
      <PageHead title="The week" note="what there is little of, who is not here, what counts" />
      <AwayEditor people={workers} away={away} may={may(actor.role, 'plan')} />
      <LongerEditor people={workers} extra={extra} may={may(actor.role, 'plan')} />
      <PromisesKept promises={promises} />
      <WeekEditor rules={rules} version={version} may={may(actor.role, 'house')} />
    </>
  );
}
