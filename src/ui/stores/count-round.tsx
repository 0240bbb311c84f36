'use client';

import { useMemo, useState } from 'react';
import { isCodeOf, isNamed } from '../../core/stock/short.ts';
import { sayFacts } from '../../core/stock/read-facts.ts';
import { SORTS, sayQuantity } from '../../core/stock/sorts.ts';
import type { ShelfItem } from '../../server/stores/load-stores.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { readMany } from './typed-item.ts';
import { sayDate } from '../kit/dates.ts';

const OFFERED = 8;

interface Counted {
  readonly itemId: number;
  readonly many: number;
  readonly before: number;
}

/** One item in the hand: how many of it are there. */
function HowMany({
  item,
  onCounted,
  onLeave,
}: {
  readonly item: ShelfItem;
  readonly onCounted: (c: Counted) => void;
  readonly onLeave: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const [many, setMany] = useState('');
  const [wrong, setWrong] = useState('');
  const keep = async () => {
    const quantity = many.trim() === '' ? Number.NaN : readMany(many);
    setWrong(Number.isNaN(quantity) ? 'How many? A number, like 1 or 2.5' : '');
    if (Number.isNaN(quantity)) return;
    const done = await give('stores.move', {
      itemId: item.id,
      kind: 'counted',
      quantity,
      jobId: null,
      lineId: null,
      reason: 'stocktaking',
    });
    if (done) onCounted({ itemId: item.id, many: quantity, before: item.onHand });
  };
  return (
    <form
      aria-label={`Count ${item.name}`}
      className="space-y-3 border-l-4 border-plain bg-card p-4"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <p className="text-2xl">
        {item.name} <span className="text-base text-quiet">{sayFacts(item.sort, item.facts, sayDate)}</span>
      </p>
      <p className="text-ink">{item.place === '' ? 'Nobody said where it lies.' : item.place}</p>
      <TextField
        label={`So many ${SORTS[item.sort].unit[1]} are there`}
        className="w-48"
        autoFocus
        inputMode="decimal"
        error={wrong === '' ? undefined : wrong}
        value={many}
        onChange={setMany}
      />
      <Trouble trouble={trouble} />
      <div className="flex gap-3">
        <button type="submit" className="button button-main" disabled={busy}>
          That many
        </button>
        <button type="button" className="button" onClick={onLeave}>
          Leave it
        </button>
      </div>
    </form>
  );
}

/** What was counted in this round, and what lies where the last one lay and was not. */
function Round({
  items,
  counted,
}: {
  readonly items: readonly ShelfItem[];
  readonly counted: readonly Counted[];
}) {
  const of = (id: number) => items.find((i) => i.id === id);
  const last = counted[0] && of(counted[0].itemId);
  const done = new Set(counted.map((c) => c.itemId));
  const left =
    last && last.place !== '' ? items.filter((i) => i.place === last.place && !done.has(i.id)) : [];
  return (
    <>
      {left.length > 0 && (
        <section aria-labelledby="left">
          <h2 id="left" className="text-xl">
            Still to count in {last?.place}
          </h2>
          <p>{left.map((i) => i.name).join(', ')}</p>
        </section>
      )}
      {counted.length > 0 && (
        <section aria-labelledby="counted">
          <h2 id="counted" className="text-xl">
            Counted
          </h2>
          <ul className="divide-y divide-line border-y border-line">
            {counted.map((c, i) => {
              const item = of(c.itemId);
              if (!item) return null;
              const off = Math.round((c.many - c.before) * 100) / 100;
              return (
                <li key={`${c.itemId}-${counted.length - i}`} className="py-1">
                  {item.name}: <span className="text-ink">{sayQuantity(item.sort, c.many)}</span>
                  {off !== 0 && (
                    <span className="text-rubric">
                      {' '}
                      ◆ {Math.abs(off)} {off < 0 ? 'fewer' : 'more'} than the book had
                    </span>
                  )}
                </li>
              );
            })}
          </ul>
        </section>
      )}
    </>
  );
}

/** Finds what lies in the hand: a scanned code opens it, a name offers what it may be. */
function Search({
  items,
  onTake,
}: {
  readonly items: readonly ShelfItem[];
  readonly onTake: (id: number) => void;
}) {
  const [typed, setTyped] = useState('');
  const [unknown, setUnknown] = useState('');
  const text = typed.trim();
  const found = useMemo(
    () => (text === '' ? [] : items.filter((i) => isNamed(i, sayFacts(i.sort, i.facts, sayDate), text))),
    [items, text],
  );
  const open = () => {
    const one = items.find((i) => isCodeOf(i, text)) ?? (found.length === 1 ? found[0] : undefined);
    if (one) onTake(one.id);
    else if (text !== '' && found.length === 0) setUnknown(`Nothing has the code or the name ${text}.`);
  };
  return (
    <form
      role="search"
      onSubmit={(e) => {
        e.preventDefault();
        open();
      }}
    >
      <label className="label" htmlFor="scan">
        Scan a code, or type a name
      </label>
      <input
        id="scan"
        // Where one counts there is nothing else to do on this page.
        autoFocus
        className="field w-full text-xl"
        autoComplete="off"
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          setUnknown('');
        }}
      />
      <p role="status" className="text-rubric">
        {unknown !== '' && `◆ ${unknown}`}
      </p>
      <ul aria-label="What that may be">
        {found.slice(0, OFFERED).map((i) => (
          <li key={i.id} className="border-b border-line">
            <button type="button" className="min-h-11 w-full text-left" onClick={() => onTake(i.id)}>
              <span className="underline">{i.name}</span> <span className="text-quiet">{i.place}</span>
            </button>
          </li>
        ))}
      </ul>
    </form>
  );
}

/** Stocktaking: a code is scanned or a name typed, how many are there is said, and the next one is scanned. */
export function CountRound({ items }: { readonly items: readonly ShelfItem[] }) {
  const [inHand, setInHand] = useState<number | null>(null);
  const [counted, setCounted] = useState<readonly Counted[]>([]);
  const here = useMemo(() => items.filter((i) => !i.retired), [items]);
  const item = here.find((i) => i.id === inHand);
  return (
    <div className="max-w-2xl space-y-5 px-5 py-4">
      {item ? (
        <HowMany
          key={item.id}
          item={item}
          onCounted={(c) => {
            setCounted([c, ...counted]);
            setInHand(null);
          }}
          onLeave={() => setInHand(null)}
        />
      ) : (
        <Search items={here} onTake={setInHand} />
      )}
      <Round items={here} counted={counted} />
    </div>
  );
}
