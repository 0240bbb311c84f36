import Link from '../kit/link.tsx';
import { LEAVES, leafStates, type Leaf } from '../../core/job/leaves.ts';
import { dangerOf } from '../../core/job/danger.ts';
import type { RackTag as Tag } from '../../server/rack/load-rack.ts';
import { Beads } from './beads.tsx';
import { dayOf, sayDay, sayWeekday } from '../kit/dates.ts';
import { ENDANGERED } from '../../core/schedule/say-chance.ts';

/** The leaf a tag opens: the first that wants a decision, else the first that is not done. */
function nextLeaf(tag: Tag): Leaf {
  const states = leafStates(tag.facts);
  return (
    LEAVES.find((l) => states[l].kind === 'trouble') ??
    LEAVES.find((l) => states[l].kind !== 'done') ??
    'hand-over'
  );
}

const sayInTime = (chance: number): string =>
  chance < 0.005 ? '<1 in 100' : `${Math.round(100 * chance)} in 100`;

/** One tag hanging from a rail. */
export function RackTag({ tag, today }: { readonly tag: Tag; readonly today: string }) {
  const danger = dangerOf(
    {
      neededBy: tag.neededBy,
      hardDate: tag.hardDate,
      waitingFor: tag.waitingFor,
      waitingUntil: tag.waitingUntil === null ? null : Date.parse(tag.waitingUntil),
      stepsOpen: tag.facts.stepsOpen,
      asked: tag.facts.asked,
    },
    today,
  );
  const due = tag.neededBy === null ? '' : sayDay(tag.neededBy, today);
  const late = danger === 'late';
  // What the plan counted says more than what was only suspected.
  const unlikely = tag.chance !== null && tag.chance < ENDANGERED ? sayInTime(tag.chance) : null;
  const says = late ? null : (unlikely ?? danger);
  const shown = says !== null;
  const red = danger !== null || unlikely !== null || tag.hardDate;
  return (
    <Link
      href={`/job/${tag.number}/${nextLeaf(tag)}`}
      className="flex min-h-30 h-full w-[138px] flex-col border border-b-0 border-line bg-card px-2.5 py-1.5 [clip-path:polygon(12px_0,100%_0,100%_100%,0_100%,0_12px)] hover:bg-shade max-sm:w-full"
    >
      <span className="flex items-baseline justify-between">
        <span className="font-serif text-xl font-bold">{tag.number}</span>
        <span className={`text-sm ${red ? 'text-rubric' : 'text-quiet'}`}>
          {red && '◆ '}
          {late ? 'late' : due}
        </span>
      </span>
      <span className="mb-1 line-clamp-2 text-sm leading-snug">
        {tag.maker} {tag.model}, {tag.kindName.toLowerCase()}
      </span>
      <span className="mt-auto">
        <Beads leaves={leafStates(tag.facts)} />
      </span>
      {tag.readyAt !== null && (
        <span className="mt-0.5 truncate text-sm text-quiet">ready {sayWeekday(dayOf(tag.readyAt))}</span>
      )}
      <span className="mt-1 truncate pr-7 text-sm text-quiet">
        {tag.holder && !shown && <b className="text-ink">{tag.holder.split(' ')[0]}</b>}
        {tag.holder && !shown && ' · '}
        {shown ? (
          <span className="text-rubric">◆ {says}</span>
        ) : tag.waitingFor === 'part' && tag.waitingUntil !== null ? (
          <>by {sayWeekday(dayOf(tag.waitingUntil))}</>
        ) : tag.waitingNote !== '' ? (
          tag.waitingNote
        ) : (
          (tag.place ?? 'no place')
        )}
      </span>
    </Link>
  );
}
