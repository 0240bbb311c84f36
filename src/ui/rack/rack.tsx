'use client';

import { isLate } from '../../core/job/waiting.ts';
import { leafStates } from '../../core/job/leaves.ts';
import type { RackPage, RackTag as Tag } from '../../server/rack/load-rack.ts';
import { useLoaded } from '../data/queries.tsx';
import { RACK_KEY } from '../data/refresh.ts';
import { sayDay } from '../kit/dates.ts';
import { FindField } from '../kit/find-field.tsx';
import Link from '../kit/link.tsx';
import { PageHead } from '../kit/page-head.tsx';
import { RackBoard } from './rack-board.tsx';

function matches(tag: Tag, piece: string): boolean {
  const text =
    `${tag.number} ${tag.maker} ${tag.model} ${tag.customer} ${tag.place ?? ''} ${tag.holder ?? ''}`.toLowerCase();
  return text.includes(piece.toLowerCase());
}

interface Wants {
  readonly tag: Tag;
  readonly why: string;
}

function wantsDecision(tags: readonly Tag[], today: string): Wants[] {
  return tags.flatMap((tag) => {
    const leaves = Object.values(leafStates(tag.facts));
    const trouble = leaves.find((l) => l.kind === 'trouble');
    if (isLate(tag.neededBy, today, tag.waitingFor))
      return [{ tag, why: `was promised for ${sayDay(tag.neededBy ?? today, today)}.` }];
    if (trouble?.kind === 'trouble') return [{ tag, why: `${trouble.why}.` }];
    return tag.facts.asked > 0
      ? [{ tag, why: `${tag.customer} has not answered yet (${tag.facts.asked} to approve).` }]
      : [];
  });
}

function Decisions({ wants }: { readonly wants: readonly Wants[] }) {
  return (
    <aside className="w-69 shrink-0 border-l border-line bg-shade p-5 max-lg:w-full max-lg:border-l-0">
      <h2 className="mb-3 text-lg">Wants a decision</h2>
      {wants.length === 0 && <p className="text-quiet">Nothing. A good day.</p>}
      <ul className="space-y-3">
        {wants.map(({ tag, why }) => (
          <li key={tag.number} className="text-sm">
            <Link href={`/job/${tag.number}/plan`} className="block min-h-11 hover:underline">
              <b className="font-serif text-base text-rubric">◆ {tag.number}</b> {tag.maker} {tag.model}:{' '}
              {why}
            </Link>
          </li>
        ))}
      </ul>
    </aside>
  );
}

/** Nothing hangs here yet: where to begin. */
function EmptyRack({ firstDay }: { readonly firstDay: boolean }) {
  const way = 'inline-flex min-h-11 items-center underline';
  return (
    <p className="text-lg">
      The rack is empty.{' '}
      <Link href="/desk/take-in" className={way}>
        Take an instrument in
      </Link>
      {firstDay && (
        <>
          , or{' '}
          <Link href="/house/first-day" className={way}>
            go on with the first day
          </Link>
        </>
      )}
      .
    </p>
  );
}

/** The rack: every instrument in the house on its rail, and what wants a decision. It loads itself again when something moves. */
export function Rack({
  initial,
  find,
  firstDay,
}: {
  readonly initial: RackPage;
  readonly find: string;
  /** whether the shop is on its first day still */
  readonly firstDay: boolean;
}) {
  const { tags: all, places, today } = useLoaded([RACK_KEY], '/api/rack', initial);
  const tags = find === '' ? all : all.filter((t) => matches(t, find));
  return (
    <>
      <PageHead title="Rack" note={`${all.length} instruments in the house`}>
        <FindField action="/rack" value={find} hint="/ number, name, place" />
      </PageHead>
      <div className="flex max-lg:flex-col">
        <div className="min-w-0 flex-1 px-5 py-1">
          <RackBoard
            tags={tags}
            places={places}
            today={today}
            empty={
              all.length === 0 ? (
                <EmptyRack firstDay={firstDay} />
              ) : tags.length === 0 ? (
                <p className="text-lg">Nothing here is called “{find}”.</p>
              ) : null
            }
          />
        </div>
        <Decisions wants={wantsDecision(all, today)} />
      </div>
    </>
  );
}
