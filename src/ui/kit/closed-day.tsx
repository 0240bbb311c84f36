import { sayClosed } from './dates.ts';

/** Says beside a day that the shop is closed on it, and which open days are near. It may be meant: nothing is refused. */
export function ClosedDay({ day }: { readonly day: string }) {
  const said = sayClosed(day);
  return (
    <p role="status" className={said === null ? 'sr-only' : 'text-sm text-rubric'}>
      {said !== null && `◆ ${said}`}
    </p>
  );
}
