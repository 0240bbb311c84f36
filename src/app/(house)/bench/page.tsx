import { may } from '../../../core/people/roles.ts';
import { loadBenchJob } from '../../../server/bench/load-bench-job.ts';
import { loadBench } from '../../../server/bench/load-bench.ts';
import { loadFinishedLately } from '../../../server/bench/load-finished-lately.ts';
import { loadWaits } from '../../../server/bench/load-waits.ts';
import { database } from '../../../server/db/connection.ts';
import { sharedLoad } from '../../../server/db/shared-load.ts';
import { BenchNow } from '../../../ui/bench/bench-now.tsx';
import { BenchSteps, BenchWaits } from '../../../ui/bench/bench-steps.tsx';
import { TookLately } from '../../../ui/stores/took-lately.tsx';
import { firstOfDay, MyDay } from '../../../ui/bench/my-day.tsx';
import { ShowsJob } from '../../../ui/data/shows-job.tsx';
import { PageHead } from '../../../ui/kit/page-head.tsx';
import { loadWeek } from '../../../server/week/load-week.ts';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'Bench' };

export default async function BenchPage() {
  const actor = await requireActor();
  const db = database();
  const [steps, waits, week] = await Promise.all([
    loadBench(db, actor.personId),
    sharedLoad('waits', () => loadWaits(db)),
    loadWeek(db),
  ]);
  // What runs; else what was interrupted last; else the first of mine that is ready.
  const now =
    steps.find((s) => s.mine && s.step === 'running') ??
    steps.find((s) => s.mine && s.step === 'paused') ??
    steps.find((s) => s.mine);
  const job = now ? await sharedLoad(`bench job ${now.number}`, () => loadBenchJob(db, now.number)) : null;
  const lately = await loadFinishedLately(db, actor.personId);
  const mine = steps.filter((s) => s.mine && s !== now);
  const anyone = steps.filter((s) => !s.mine);
  return (
    <>
      <PageHead title="Bench" note={actor.name} />
      <ShowsJob number={now?.number ?? 0} />
      <div className="grid gap-8 px-5 py-4 grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_22rem]">
        <BenchNow
          job={job}
          lineId={now?.lineId ?? null}
          first={firstOfDay(week, actor.personId)}
          may={may(actor.role, 'work')}
        />
        <div className="space-y-6">
          <TookLately numbers={lately} />
          <MyDay week={week} person={actor.personId} />
          <BenchSteps title="Yours, next" empty="Nothing else agreed is in your hands." steps={mine} />
          <BenchWaits waits={waits} />
          <BenchSteps title="Nobody’s yet" empty="Nothing agreed waits for hands." steps={anyone} />
        </div>
      </div>
    </>
  );
}
