import { formatMoney } from '../../core/money/currency.ts';
import type { PricedLine } from '../../core/money/money.ts';
import { limitStand, sayLimit } from '../../core/work/limit.ts';
import type { LeafProps } from '../job/leaf-props.ts';

/** How the order stands against the customer’s limit, while it is approached: red once somebody must say something. */
export function LimitSays({
  job,
  planned = [],
}: Pick<LeafProps, 'job'> & {
  /** what would be put on the order next */
  readonly planned?: readonly PricedLine[];
}) {
  const stand = limitStand(job.lines, job.limit, job.shop.tax, job.discount, planned);
  if (!stand) return null;
  const calm = stand.stands === 'inside';
  const wants = !calm && stand.stands !== 'near';
  return (
    <p className={wants ? 'text-rubric' : calm ? 'text-sm text-quiet' : 'font-bold'}>
      {wants ? '◆ ' : calm ? '' : '▸ '}
      {sayLimit(stand, (value) => formatMoney(value, job.shop.currency))}
    </p>
  );
}
