import { sayLeft } from '../../core/days/say-left.ts';
import type { BenchWait } from '../../server/bench/load-waits.ts';
import { useSend } from '../data/use-send.ts';
import { sayMoment } from '../kit/dates.ts';
import Link from '../kit/link.tsx';

export interface BellNotice {
  readonly id: number;
  readonly kind: string;
  readonly words: string;
  readonly at: string;
  readonly number: number;
}

const LEAF: Readonly<Record<string, string>> = { handed: 'work', customer: 'work' };

/** What is new, in turn: rests that are over, then what colleagues and customers said. */
function News({
  notices,
  over,
}: {
  readonly notices: readonly BellNotice[];
  readonly over: readonly BenchWait[];
}) {
  return (
    <ul className="divide-y divide-line">
      {over.map((w) => (
        <li key={`${w.number} ${w.until}`}>
          <Link href={`/job/${w.number}/work`} className="block min-h-11 py-2 hover:bg-shade">
            <b className="font-serif">{w.number}</b> The rest is over: {w.title}
          </Link>
        </li>
      ))}
      {notices.map((n) => (
        <li key={n.id}>
          <Link
            href={`/job/${n.number}/${LEAF[n.kind] ?? 'work'}`}
            className="block min-h-11 py-2 hover:bg-shade"
          >
            {n.words} <span className="text-sm text-quiet">{sayMoment(n.at)}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

/** What rests still, and how long. */
function Resting({ waits, now }: { readonly waits: readonly BenchWait[]; readonly now: number }) {
  if (waits.length === 0) return null;
  return (
    <>
      <h2 className="mt-3 text-lg">Resting</h2>
      <ul className="text-sm">
        {waits.map((w) => (
          <li key={`${w.number} ${w.until}`}>
            <b className="font-serif">{w.number}</b> {w.title}: {sayLeft(now, w.until)}
          </li>
        ))}
      </ul>
    </>
  );
}

/** What the bell tells when it is opened: what is new, and what rests. */
export function BellPanel({
  notices,
  over,
  resting,
  now,
}: {
  readonly notices: readonly BellNotice[];
  readonly over: readonly BenchWait[];
  readonly resting: readonly BenchWait[];
  /** ms since the epoch */
  readonly now: number;
}) {
  const { give, busy } = useSend();
  const [newest] = notices;
  return (
    <>
      <h2 className="text-lg">For you</h2>
      {notices.length + over.length === 0 && <p className="text-quiet">Nothing new.</p>}
      <News notices={notices} over={over} />
      {newest && (
        <button
          type="button"
          className="button mt-2"
          disabled={busy}
          onClick={() => void give('people.seen', { upTo: newest.id })}
        >
          All seen
        </button>
      )}
      <Resting waits={resting} now={now} />
    </>
  );
}
