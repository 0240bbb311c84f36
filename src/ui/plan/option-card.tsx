import type { ReactNode } from 'react';
import { formatMoney } from '../../core/money/currency.ts';
import type { CustomerOption } from '../../core/plan/options.ts';

/** One option as the customer reads it: what is done and left, price, days, risk, what stays original. */
export function OptionCard({
  option: o,
  currency,
  children,
}: {
  readonly option: CustomerOption;
  readonly currency: string;
  readonly children?: ReactNode;
}) {
  const money = (v: number) => formatMoney(v, currency);
  return (
    <article aria-label={o.name} className="flex flex-col gap-2 border border-plain bg-card p-4">
      <h3 className="text-xl">{o.name}</h3>
      <p className="text-lg font-bold">
        {o.price.high === 0
          ? 'No charge'
          : o.price.low === o.price.high
            ? money(o.price.low)
            : `${money(o.price.low)} to ${money(o.price.high)}`}
        <span className="text-base font-normal">
          {' '}
          · {o.days === 0 ? 'at once' : `about ${o.days} ${o.days === 1 ? 'day' : 'days'}`}
        </span>
      </p>
      <ul className="list-disc pl-5">
        {o.done.map((d) => (
          <li key={d}>{d}</li>
        ))}
      </ul>
      {o.left.length > 0 && (
        <div>
          <p className="font-bold">What it leaves</p>
          <ul className="list-disc pl-5 text-sm">
            {o.left.map((l) => (
              <li key={l}>{l}</li>
            ))}
          </ul>
        </div>
      )}
      <p className="text-sm">
        <b>Risk:</b> {o.risk}
      </p>
      <p className="text-sm">
        <b>Original:</b> {o.original}
      </p>
      {children}
    </article>
  );
}
