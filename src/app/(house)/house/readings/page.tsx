import Link from '../../../../ui/kit/link.tsx';
import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadGauges } from '../../../../server/house/load-gauges.ts';
import { loadHabits } from '../../../../server/house/load-habits.ts';
import { HabitEditor } from '../../../../ui/house/habit-editor.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'How we read' };

export default async function HabitsPage() {
  const actor = await requireActor();
  const db = database();
  const [{ habits, version }, gauges] = await Promise.all([loadHabits(db), loadGauges(db)]);
  return (
    <>
      <PageHead title="How we read" note="methods, working order, units and gauges">
        <Link href="/house/gauges" className="button">
          Gauges
        </Link>
      </PageHead>
      <HabitEditor
        habits={habits}
        version={version}
        gauges={gauges
          .filter((g) => !g.retired)
          .map(({ id, name, quantities }) => ({ id, name, quantities }))}
        may={may(actor.role, 'house')}
      />
    </>
  );
}
