'use client';

import { sayQuantity, SORTS } from '../../core/stock/sorts.ts';
import type { LoadedJobStock } from '../../server/stores/load-job-stock.ts';
import { useSend } from '../data/use-send.ts';
import Link from '../kit/link.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useJobStock } from './job-stock.ts';
import { SayArrival } from './say-arrival.tsx';
import { AskWhatItTook } from './what-it-took.tsx';

type Need = LoadedJobStock['lines'][number]['needs'][number];
type Option = Need['options'][number];
/** What is done with a thing; waited for, or not any more, where none is here. */
type Doing = 'set-aside' | 'released' | 'used' | 'wait' | 'wait no longer';
type Take = (o: Option, doing: Doing, lineId: number | null) => void;

/** A button that does something with one thing. */
function Give({
  says,
  name,
  busy,
  main = false,
  on,
}: {
  readonly says: string;
  readonly name: string;
  readonly busy: boolean;
  readonly main?: boolean;
  readonly on: () => void;
}) {
  return (
    <button
      type="button"
      className={main ? 'button button-main' : 'button'}
      disabled={busy}
      aria-label={`${says}: ${name}`}
      onClick={on}
    >
      {says}
    </button>
  );
}

/** What the job waits for of it, and when it will likely be here. */
function Awaited({ option: { wanted, sort } }: { readonly option: Option }) {
  if (!wanted) return null;
  return (
    <span className="block text-sm">
      The job waits for {sayQuantity(sort, wanted.quantity)}: <SayArrival arrival={wanted} />
    </span>
  );
}

/** One thing that does: set aside, let go, taken. */
function OptionRow({
  option: o,
  lineId,
  busy,
  may,
  take,
}: {
  readonly option: Option;
  readonly lineId: number | null;
  readonly busy: boolean;
  readonly may: boolean;
  readonly take: Take;
}) {
  const there = o.free + o.aside > 0;
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-1">
      <span className="min-w-0 flex-1 basis-60">
        <Link href={`/stores/${o.itemId}`} className="underline">
          {o.name}
        </Link>
        {o.place !== '' && <span className="text-ink">, {o.place}</span>}
        {o.how === 'would do' && <span className="block text-sm text-quiet">would do: {o.why}</span>}
        <span className={`block text-sm ${there ? 'text-quiet' : 'text-rubric'}`}>
          {o.aside > 0 &&
            `${sayQuantity(o.sort, o.aside)} ${o.aside === 1 ? 'waits' : 'wait'} for this job, `}
          {there ? `${o.free} free` : '◆ none there'}
          {o.price !== null && <span className="text-quiet">, {o.price} each</span>}
        </span>
        <Awaited option={o} />
      </span>
      {may && !there && !o.wanted && (
        <Give {...{ busy, name: o.name }} says="Wait for it" on={() => take(o, 'wait', lineId)} />
      )}
      {may && o.wanted && (
        <Give
          {...{ busy, name: o.name }}
          says="Wait no longer"
          on={() => take(o, 'wait no longer', lineId)}
        />
      )}
      {may && o.aside > 0 && (
        <Give {...{ busy, name: o.name }} says="Let it go" on={() => take(o, 'released', lineId)} />
      )}
      {may && o.aside === 0 && o.free > 0 && (
        <Give {...{ busy, name: o.name }} says="Set aside" on={() => take(o, 'set-aside', lineId)} />
      )}
      {may && there && (
        <Give
          {...{ busy, name: o.name }}
          says={`Used 1 ${SORTS[o.sort].unit[0]}`}
          main
          on={() => take(o, 'used', lineId)}
        />
      )}
    </li>
  );
}

/** What is needed, with everything on the shelves that does. */
function NeedRows({
  need,
  ...rest
}: { readonly need: Need } & Omit<Parameters<typeof OptionRow>[0], 'option'>) {
  return (
    <div>
      <p className="text-sm">
        Takes {need.words}
        {need.options.length === 0 && (
          <span className="text-quiet">: nothing on the shelves is known to fit</span>
        )}
      </p>
      <ul>
        {need.options.map((o) => (
          <OptionRow key={o.itemId} option={o} {...rest} />
        ))}
      </ul>
    </div>
  );
}

/** What was used for the job; what was not after all goes back where it came from. */
function UsedRows({
  stock,
  may,
  busy,
  give,
}: {
  readonly stock: LoadedJobStock;
  readonly may: boolean;
  readonly busy: boolean;
  readonly give: ReturnType<typeof useSend>['give'];
}) {
  if (stock.used.length === 0) return null;
  const { jobId } = stock;
  return (
    <ul aria-label="Used for this job" className="border-t border-line text-sm">
      {stock.used.map(({ itemId, quantity, sort, item }) => (
        <li key={itemId} className="flex flex-wrap items-center gap-3 border-b border-line py-1">
          <span className="flex-1">
            <span className="text-ink">{sayQuantity(sort, quantity)}</span> of {item} used
          </span>
          {may && (
            <Give
              says="Put it back"
              name={item}
              busy={busy}
              on={() =>
                void give('stores.move', {
                  itemId,
                  kind: 'returned',
                  quantity,
                  jobId,
                  lineId: null,
                  reason: '',
                })
              }
            />
          )}
        </li>
      ))}
    </ul>
  );
}

/** What the work of a job takes from the shelves: what fits, what waits for it, what was used. */
export function FromTheShelf({ number, may }: { readonly number: number; readonly may: boolean }) {
  const { data } = useJobStock(number);
  const { give, busy, trouble } = useSend();
  if (!data || (data.lines.length === 0 && data.used.length === 0)) return null;
  const singles = data.singles.filter((n) => n.options.length > 0);
  const take: Take = (o, kind, lineId) => {
    if (kind === 'wait' || kind === 'wait no longer') {
      const { jobId } = data;
      void give('stores.want', { jobId, itemId: o.itemId, lineId, quantity: kind === 'wait' ? 1 : 0 });
      return;
    }
    void give('stores.move', {
      itemId: o.itemId,
      kind,
      quantity: kind === 'released' ? o.aside : 1,
      jobId: data.jobId,
      lineId: kind === 'used' ? lineId : null,
      reason: '',
    });
  };
  return (
    <section aria-labelledby="from-the-shelf" className="space-y-2">
      <h2 id="from-the-shelf" className="text-xl">
        From the shelf
      </h2>
      <Trouble trouble={trouble} />
      {may && <AskWhatItTook stock={data} />}
      {data.lines.map((l) => (
        <div key={l.lineId} className="border-t-2 border-plain pt-1">
          <h3 className="font-semibold">{l.title}</h3>
          {l.needs.map((n) => (
            <NeedRows
              key={n.words}
              need={n}
              lineId={l.lineId}
              busy={busy}
              may={may && data.open}
              take={take}
            />
          ))}
        </div>
      ))}
      {singles.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2">One string alone, where one broke</summary>
          {singles.map((n) => (
            <NeedRows key={n.number} need={n} lineId={null} busy={busy} may={may && data.open} take={take} />
          ))}
        </details>
      )}
      <UsedRows stock={data} may={may} busy={busy} give={give} />
    </section>
  );
}
