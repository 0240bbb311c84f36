import Link from '../kit/link.tsx';
import { isLate } from '../../core/job/waiting.ts';
import type { RackTag } from '../../server/rack/load-rack.ts';
import { dayOf, sayDay, sayWeekday } from '../kit/dates.ts';
import { ENDANGERED, sayChance } from '../../core/schedule/say-chance.ts';

/** What the counter usually does next with an instrument that is here. */
function nextAtCounter(tag: RackTag): { readonly leaf: string; readonly says: string } {
  if (tag.facts.asked > 0) return { leaf: 'work', says: `Answer (${tag.facts.asked})` };
  if (tag.waitingFor === 'home' || tag.facts.benchChecked) return { leaf: 'hand-over', says: 'Hand back' };
  return { leaf: 'arrival', says: 'Look' };
}

/** An instrument in the house, in one line, with what the counter does next. */
export function TagRow({ tag, today }: { readonly tag: RackTag; readonly today: string }) {
  const late = isLate(tag.neededBy, today, tag.waitingFor);
  const next = nextAtCounter(tag);
  const unlikely = tag.chance !== null && tag.chance < ENDANGERED;
  return (
    <li className="flex items-center gap-3 border-b border-line py-1">
      <Link
        href={`/job/${tag.number}/arrival`}
        className="flex min-h-11 min-w-0 flex-1 flex-col justify-center hover:underline"
      >
        <span className="truncate">
          <b className="font-serif">{tag.number}</b> {tag.maker} {tag.model}
        </span>
        <span className="text-sm text-quiet">
          <span className="text-ink">{tag.customer}</span> · {tag.place ?? 'no place'}
          {tag.neededBy !== null && (
            <span className={late ? 'text-rubric' : ''}>
              {' · '}
              {late && '◆ '}
              {sayDay(tag.neededBy, today)}
            </span>
          )}
          {tag.readyAt !== null && (
            <span className={unlikely ? 'text-rubric' : ''}>
              {` · ${unlikely ? '◆ ' : ''}ready ${sayWeekday(dayOf(tag.readyAt))}`}
              {tag.chance !== null && `, ${sayChance(tag.chance)} in time`}
            </span>
          )}
          {tag.waitingNote !== '' && ` · ${tag.waitingNote}`}
        </span>
      </Link>
      <Link href={`/job/${tag.number}/${next.leaf}`} className="button shrink-0 px-3">
        {next.says}
        <span className="sr-only"> {tag.number}</span>
      </Link>
    </li>
  );
}
