'use client';

import { useState } from 'react';
import { placeNow, placePlan, type PlacedAmount, type PlaceRound } from '../../core/ear/place-round.ts';
import { buzzes, keptBuzz } from '../../core/sound/say-buzz.ts';
import { isPlaceTrouble, sayPlace, sayPlaceOutcome } from '../../core/ear/say-places.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import type { HeardPlace } from '../../core/whatif/heard.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { EarControls } from './ear-controls.tsx';
import { useWords } from './ear-hearing.tsx';
import { Which } from './ear-begin.tsx';
import { useEar } from './use-ear.ts';
import { EarStands, EarStart } from './ear-start.tsx';

/** One that is written down: what stood there before goes with it, so that nothing is overwritten unseen. */
export type Note = Pick<HeardPlace, 'string' | 'held' | 'heard'> & { readonly amount: number };

interface Props {
  readonly construction: Construction;
  readonly tuning: string;
  /** A4, Hz */
  readonly pitch: number;
  readonly firstString: 'lowest' | 'highest';
  readonly onNote: (note: Note) => void;
  readonly onClose: () => void;
}

const USUAL_LAST = 12;

/** Plays every place: what is awaited, what was heard, and each clear or buzzing place is written down. */
export function PlacesPanel({ construction: c, tuning, pitch, firstString, onNote, onClose }: Props) {
  const [string, setString] = useState(0);
  const [upTo, setUpTo] = useState(Math.min(USUAL_LAST, c.frets - 1));
  const ear = useEar({
    onPlayed: ({ place, amount }: PlacedAmount) =>
      onNote({
        string: place.string,
        held: place.held,
        heard: buzzes(amount) ? 'buzzes' : 'clear',
        amount: keptBuzz(amount),
      }),
  });
  const listening = ear.stands.kind === 'listening';
  useWords(listening, ear.say);
  const work = () =>
    ({
      kind: 'places',
      plan: placePlan(c, { tuning, pitch, firstString, only: string === 0 ? null : [string], upTo }),
    }) as const;
  return (
    <section aria-label="Play every place" className="mt-2 space-y-2 border-t-2 border-plain py-2">
      {listening && ear.places && (
        <div className="grid items-start gap-x-6 gap-y-2 md:grid-cols-[1fr_auto]">
          <Playing round={ear.places} />
          <EarControls ear={ear} />
        </div>
      )}
      {!listening && (
        <>
          <EarStands ear={ear} says={ear.places ? sayOver(ear.places) : BEFORE} />
          <EarStart ear={ear} work={work} onClose={onClose}>
            <Which construction={c} value={string} onChange={setString} />
            <FormField label="Held up to fret" className="w-32">
              {(w) => (
                <ListChoice
                  {...w}
                  value={String(upTo)}
                  items={Array.from({ length: c.frets }, (_, n) => ({ value: String(n), name: String(n) }))}
                  onChange={(v) => setUpTo(Number(v))}
                />
              )}
            </FormField>
          </EarStart>
        </>
      )}
    </section>
  );
}

const BEFORE =
  'String by string, open and then held at every fret, each plucked once as this player does, the others damped. What is heard stays on this tablet and is forgotten at once; only clear or buzzing is written down, and how much.';

function sayOver(round: PlaceRound): string {
  const heard = round.amounts.filter((a) => a !== null);
  const buzzing = heard.filter(buzzes).length;
  return `${heard.length} of ${round.amounts.length} places were heard, ${buzzing} of them buzz.`;
}

function Playing({ round }: { readonly round: PlaceRound }) {
  const now = placeNow(round);
  const { last } = round;
  const heard = round.amounts.filter((a) => a !== null).length;
  return (
    <div className="min-w-0 space-y-1">
      <p className="text-2xl" aria-live="polite">
        {now && (
          <>
            <b>String {now.name}</b>: {sayPlace(now)}
          </>
        )}
      </p>
      <p className={`min-h-6 ${last && isPlaceTrouble(last) ? 'text-rubric' : ''}`} aria-live="polite">
        {last && `${isPlaceTrouble(last) ? '◆ ' : ''}${sayPlaceOutcome(last)}`}
      </p>
      <p className="text-sm text-quiet">
        {heard} of {round.amounts.length} places heard
      </p>
    </div>
  );
}
