import { database } from '../../../server/db/connection.ts';
import { sharedLoad } from '../../../server/db/shared-load.ts';
import { loadDesk } from '../../../server/desk/load-desk.ts';
import type { RackTag } from '../../../server/rack/load-rack.ts';
import { DeskFind } from '../../../ui/desk/desk-find.tsx';
import { DeskWords } from '../../../ui/desk/desk-words.tsx';
import { TagRow } from '../../../ui/desk/tag-row.tsx';
import Link from '../../../ui/kit/link.tsx';
import { PageHead } from '../../../ui/kit/page-head.tsx';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'Desk' };

function Column({
  title,
  none,
  tags,
  today,
}: {
  readonly title: string;
  readonly none: string;
  readonly tags: readonly RackTag[];
  readonly today: string;
}) {
  return (
    <section aria-label={title}>
      <h2 className="border-b-2 border-plain text-xl">
        {title} {tags.length > 0 && <span className="text-base text-quiet">{tags.length}</span>}
      </h2>
      {tags.length === 0 && <p className="py-2 text-quiet">{none}</p>}
      <ul>
        {tags.map((t) => (
          <TagRow key={t.number} tag={t} today={today} />
        ))}
      </ul>
    </section>
  );
}

/** One place for who is at the counter: find first; below it, what the day promised. */
export default async function DeskPage() {
  await requireActor('take-in');
  const day = await sharedLoad('desk', () => loadDesk(database(), new Date()));
  const { goingHome, words, cameToday, today } = day;
  return (
    <>
      <PageHead title="Desk" note="who is at the counter, today">
        <Link href="/desk/afterwards" className="button">
          Afterwards
        </Link>
      </PageHead>
      <DeskFind>
        <div className="grid gap-8 pt-5 lg:grid-cols-3">
          <Column title="Going home" none="Nothing is promised for today." tags={goingHome} today={today} />
          <Column title="Waits for a word" none="Nobody waits for an answer." tags={words} today={today} />
          <Column title="Came in today" none="Nothing has come in yet." tags={cameToday} today={today} />
          <DeskWords day={day} />
        </div>
      </DeskFind>
    </>
  );
}
