'use client';

import { useMemo, useState } from 'react';
import type { NoiseHeard } from '../../core/ear/noise-round.ts';
import { nextTries, type HuntedOn, type Proposed } from '../../core/hunt/hunt.ts';
import { answersOf, answerWords, TRIES, type TryId } from '../../core/hunt/tries.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { sayMoment } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { sayNoiseHeard } from '../../core/ear/say-noise.ts';
import { NoiseByEar, useNoise } from './noise-by-ear.tsx';

type Hunt = LeafProps<'plan'>['job']['plan']['hunt'];

/** Every try one may choose: those not tried yet, the best first, then the others once more. */
function choicesOf(proposed: readonly Proposed[], hunt: Hunt) {
  const all = [
    ...proposed.map((p) => ({ value: p.what, name: TRIES[p.what].name })),
    ...hunt.trail.map((e) => ({ value: e.what, name: `${TRIES[e.what].name}, once more` })),
  ];
  return all.filter((o, i) => all.findIndex((x) => x.value === o.value) === i);
}

interface NextProps {
  readonly hunt: Hunt;
  readonly on: HuntedOn;
  /** what the sheet has of what a try looks at, in the reader’s unit; empty where nothing */
  readonly known: (what: TryId) => string;
  readonly busy: boolean;
  readonly onTried: (
    what: TryId,
    answer: string,
    words: string,
    heard: NoiseHeard | null,
  ) => Promise<boolean>;
}

/** The next try: what tells most for its time, or another one by choice. */
export function NextTry({ hunt, on, known, busy, onTried }: NextProps) {
  const proposed = useMemo(() => nextTries(hunt.trail, on), [hunt.trail, on]);
  const [chosen, setChosen] = useState<TryId | null>(null);
  const [words, setWords] = useState('');
  const what = chosen ?? proposed[0]?.what;
  const noise = useNoise(what);
  if (what === undefined) return <p>Everything there is was tried.</p>;
  const { name, how, minutes } = TRIES[what];
  const again = hunt.trail.some((e) => e.what === what);
  const answered = async (answer: string) => {
    if (!(await onTried(what, answer, words, noise.with(answer)))) return;
    noise.over();
    setChosen(null);
    setWords('');
  };
  const others = choicesOf(proposed, hunt);
  return (
    <section aria-label="Next" className="space-y-2">
      <p className="text-2xl">
        <b>{name}</b>
        <span className="text-base text-quiet"> · about {minutes} min</span>
      </p>
      <p>{how}</p>
      {known(what) !== '' && <p className="text-ink">{known(what)}</p>}
      {what === proposed[0]?.what && chosen === null && (
        <p className="text-sm text-quiet">It tells most for its time.</p>
      )}
      {again && <p className="text-sm text-quiet">Tried before: what it does now is what counts.</p>}
      <div className="flex flex-wrap gap-2">
        {answersOf(what).map((answer) => (
          <button
            key={answer}
            type="button"
            className="button"
            disabled={busy}
            onClick={() => void answered(answer)}
          >
            {answerWords(what, answer)}
          </button>
        ))}
      </div>
      <NoiseByEar noise={noise} what={what} />
      <div className="flex flex-wrap items-end gap-3">
        <TextField label="What else was seen or heard" className="w-72" value={words} onChange={setWords} />
        <FormField label="Or try" className="w-72">
          {(w) => <ListChoice {...w} value={what} items={others} onChange={(v) => setChosen(v as TryId)} />}
        </FormField>
      </div>
    </section>
  );
}

/** What was tried, by whom, and what it did. */
export function Trail({
  hunt,
  may,
  onBack,
}: {
  readonly hunt: Hunt;
  readonly may: boolean;
  readonly onBack: (entry: number) => void;
}) {
  if (hunt.trail.length === 0) return null;
  return (
    <section aria-label="What was tried">
      <h3 className="font-semibold">What was tried</h3>
      <ol className="divide-y divide-line border-y border-line text-sm">
        {hunt.trail.map((e) => (
          <li key={e.id} className="flex flex-wrap items-center gap-x-3 py-1">
            <span>
              {TRIES[e.what].name}: <b className="text-ink">{answerWords(e.what, e.answer)}</b>
              {e.heard && <span className="text-quiet"> ({sayNoiseHeard(e.heard)})</span>}
              {e.words !== '' && <span className="text-ink"> “{e.words}”</span>}
            </span>
            <span className="text-quiet">
              {e.by}, {sayMoment(e.at)}
            </span>
            {may && (
              <button
                type="button"
                className="ml-auto min-h-11 underline"
                aria-label={`Take back ${TRIES[e.what].name}`}
                onClick={() => onBack(e.id)}
              >
                take back
              </button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
