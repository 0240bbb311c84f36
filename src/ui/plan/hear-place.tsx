'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { Volume2 } from 'lucide-react';
import { stringName } from '../../core/instrument/construction.ts';
import type { Hand } from '../../core/whatif/clearance-map.ts';
import type { Outcome } from '../../core/whatif/consequences.ts';
import { isStill, NO_MOVES, type Moves } from '../../core/whatif/moves.ts';
import type { NeckModel } from '../../core/whatif/neck-model.ts';
import { soundingPlace, type PlaceSound, type SoundingPlace } from '../../core/whatif/sounding.ts';
import { play } from '../../devices/speaker.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { useWorker } from './use-worker.ts';
import { WorkerSays } from './worker-says.tsx';

/** A place somebody tapped: a string from the lowest, and where it is held. */
export interface TappedPlace {
  readonly string: number;
  readonly held: number;
  /** counts the taps: the same place may be tapped again */
  readonly tap: number;
}

interface Props {
  readonly model: NeckModel;
  readonly now: Outcome;
  readonly tried: Outcome;
  readonly moves: Moves;
  readonly hand: Hand;
  readonly tapped: TappedPlace;
  readonly onTap: (string: number, held: number) => void;
}

/** What a sound touches, in words. */
function sayTouched({ touched }: Pick<PlaceSound, 'touched'>): string {
  const [most] = touched;
  if (!most) return 'clear';
  const ms = Math.round(1000 * touched.reduce((sum, t) => sum + t.seconds, 0));
  return `touches fret ${most.fret}${touched.length > 1 ? ` and ${touched.length - 1} more` : ''}, ${Math.max(1, ms)} ms in all`;
}

interface Heard {
  readonly says: string;
  readonly place: SoundingPlace;
}

/** What is heard of a place: as tried and as it was read, or only that where nothing is tried. */
function heardOf({ model, now, tried, moves, hand, tapped }: Props): readonly Heard[] {
  const at = (o: Outcome, m: Moves): SoundingPlace =>
    soundingPlace(model, o, m, tapped.string, tapped.held, hand);
  const asRead = { says: 'as read', place: at(now, NO_MOVES) };
  return isStill(moves) ? [asRead] : [{ says: 'as tried', place: at(tried, moves) }, asRead];
}

/** Works out what a tapped place sounds like and plays it, once a tap. */
function useHearing(props: Props) {
  const { tapped } = props;
  // What is heard is what stood when it was tapped: a handle that moves meanwhile makes no sound.
  const asked = useRef(props);
  useEffect(() => {
    asked.current = props;
  });
  const [heard, setHeard] = useState<readonly Heard[]>([]);
  useEffect(() => {
    if (tapped.tap > 0) setHeard(heardOf(asked.current));
  }, [tapped]);
  const question = useMemo(
    () => (heard.length === 0 ? null : { kind: 'sound' as const, places: heard.map((h) => h.place) }),
    [heard],
  );
  const worker = useWorker<'sound'>(question);
  const [playing, setPlaying] = useState<number | null>(null);
  const stop = useRef<() => void>(() => undefined);
  const sounds = worker.answer?.sounds;
  useEffect(() => {
    if (!sounds) return;
    stop.current = play(sounds, setPlaying);
    return () => stop.current();
  }, [sounds]);
  return { heard, sounds, playing, stop: () => stop.current(), worker, begun: question !== null };
}

/** Which place is heard, for a hand that does not tap on the drawing. */
function PlaceChoice({ model: { construction: c }, tapped, onTap }: Props) {
  const strings = c.strings.map((s, i) => ({
    value: String(i),
    name: `${stringName(c, c.strings.length - i)} ${s.note}`,
  }));
  const places = Array.from({ length: c.frets }, (_, i) => ({
    value: String(i),
    name: i === 0 ? 'open' : `at ${i}`,
  }));
  return (
    <>
      <FormField label="String" className="w-28">
        {(w) => (
          <ListChoice
            {...w}
            value={String(tapped.string)}
            items={strings}
            onChange={(v) => onTap(Number(v), tapped.held)}
          />
        )}
      </FormField>
      <FormField label="Held" className="w-28">
        {(w) => (
          <ListChoice
            {...w}
            value={String(tapped.held)}
            items={places}
            onChange={(v) => onTap(tapped.string, Number(v))}
          />
        )}
      </FormField>
      <button type="button" className="button" onClick={() => onTap(tapped.string, tapped.held)}>
        <Volume2 aria-hidden size={18} /> Play
      </button>
    </>
  );
}

/** A tapped place as it would sound with what is tried, and as it was read, one after the other. */
export function HearPlace(props: Props) {
  const { heard, sounds, playing, stop, worker, begun } = useHearing(props);
  return (
    <section
      aria-label="Hear it"
      className="flex flex-wrap items-end gap-2 border-y border-line py-2 text-sm"
    >
      <PlaceChoice {...props} />
      {playing !== null && (
        <button type="button" className="button" onClick={stop}>
          Stop
        </button>
      )}
      <div aria-live="polite" className="min-w-0 flex-1 self-center">
        {sounds
          ? sounds.map((s, i) => (
              <span key={i} className={`mr-4 ${playing === i ? 'font-bold' : ''}`}>
                {playing === i ? '▶ ' : ''}
                {heard[i]?.says}: {sayTouched(s)}
              </span>
            ))
          : 'Tap a place of the drawing, or choose one: it is heard as tried, then as read.'}
        <span className="block text-quiet">
          Made up from what was read: the string alone, without body and room.
        </span>
      </div>
      {begun && <WorkerSays of={worker} what="The sound" />}
    </section>
  );
}
