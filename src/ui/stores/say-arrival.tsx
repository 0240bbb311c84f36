import type { Arrival } from '../../core/stock/orders.ts';
import { sayDate } from '../kit/dates.ts';
import Link from '../kit/link.tsx';

/** When something that is waited for will likely be here. */
export function SayArrival({ arrival: a }: { readonly arrival: Arrival }) {
  if (a.order === null) return <span className="text-rubric">◆ on no order that went out</span>;
  const with_ = (
    <Link href={`/stores/orders/${a.order}`} className="inline-flex min-h-6 items-center underline">
      order {a.order}
    </Link>
  );
  if (a.expected === null) return <>with {with_}, nobody said when</>;
  if (a.late)
    return (
      <span className="text-rubric">
        ◆ late: {with_} should have come on {sayDate(a.expected)}
      </span>
    );
  return (
    <>
      likely on {sayDate(a.expected)}, with {with_}
    </>
  );
}
