import { closedOn, openDay } from '../../core/days/opening.ts';
import { sayWeekday, shopOpening } from './dates.ts';

/**
 * What speaks against a day because the shop is closed on it, and the open days around it; null where it is open.
 * @param iso `yyyy-mm-dd`, or nothing
 */
function sayClosed(iso: string): string | null {
  const opening = shopOpening();
  const why = iso === '' ? null : closedOn(opening, iso);
  if (why === null) return null;
  const near = [openDay(opening, iso, -1), openDay(opening, iso)].flatMap((d) =>
    d === null ? [] : [sayWeekday(d)],
  );
  return `The shop is closed then (${why})${near.length === 0 ? '' : `: open on ${near.join(' and ')}`}.`;
}

/** Says beside a day that the shop is closed on it, and which open days are near. It may be meant: nothing is refused. */
export function ClosedDay({ day }: { readonly day: string }) {
  const said = sayClosed(day);
  return (
    <p role="status" className={said === null ? 'sr-only' : 'text-sm text-rubric'}>
      {said !== null && `◆ ${said}`}
    </p>
  );
}
