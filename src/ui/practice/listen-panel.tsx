'use client';

import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import type { HeardView } from '../../core/practice/bench-view.ts';
import type { SoundingPlace } from '../../core/whatif/sounding.ts';
import { play } from '../../devices/speaker.ts';
import { getJson } from '../data/queries.tsx';
import { useWorker } from '../plan/use-worker.ts';
import { WorkerSays } from '../plan/worker-says.tsx';
import { HEARD_MARKS } from './heard-marks.ts';
import type { Practice } from './use-practice.ts';

interface Props {
  readonly sessionId: number;
  readonly strings: readonly string[];
  readonly played: number;
  readonly heard: readonly HeardView[];
  readonly practice: Practice;
}

/** Plays the string as it is over its frets: made beside the page, in a second or so. */
function useSound(sessionId: number) {
  const [place, setPlace] = useState<SoundingPlace | null>(null);
  const question = useMemo(
    () => (place === null ? null : { kind: 'sound' as const, places: [place] }),
    [place],
  );
  const worker = useWorker<'sound'>(question);
  const stop = useRef<() => void>(() => undefined);
  const sounds = worker.answer?.sounds;
  useEffect(() => {
    if (!sounds) return;
    stop.current = play(sounds, () => undefined);
    return () => stop.current();
  }, [sounds]);
  const sound = async (string: number, held: number): Promise<void> => {
    const asked = new AbortController();
    const path = `/api/practice/${sessionId}/sound?string=${string}&held=${held}`;
    const got = await getJson<SoundingPlace>(path, asked.signal).catch(() => null);
    if (got) setPlace({ ...got });
  };
  return { sound, worker, begun: place !== null };
}

interface At {
  readonly string: number;
  readonly held: number;
}

interface GridProps {
  readonly strings: readonly string[];
  readonly played: number;
  readonly of: (at: At) => HeardView | undefined;
  readonly at: At;
  readonly nameOf: (at: At) => string;
  readonly onGo: (at: At) => void;
  readonly onPluck: (at: At) => void;
}

const isBad = (h: HeardView | undefined): boolean =>
  h !== undefined && h.mark !== 'clear' && h.mark !== 'close';

function Cell({
  place,
  isAt,
  heard,
  name,
  onPluck,
}: {
  readonly place: At;
  readonly isAt: boolean;
  readonly heard: HeardView | undefined;
  readonly name: string;
  readonly onPluck: (at: At) => void;
}) {
  return (
    <td role="gridcell" className="p-0">
      <button
        type="button"
        data-place={`${place.string}:${place.held}`}
        tabIndex={isAt ? 0 : -1}
        aria-label={`${name}${heard ? `: ${heard.says}` : ''}`}
        onClick={() => onPluck(place)}
        className={`h-11 w-10 cursor-pointer border border-line hover:bg-shade ${isBad(heard) ? 'text-rubric' : ''}`}
      >
        {heard ? HEARD_MARKS[heard.mark] : '·'}
      </button>
    </td>
  );
}

/** Strings by frets, the highest string on top; one place is in the way of the tab key, arrows go about. */
function Grid({ strings, played, of, at, nameOf, onGo, onPluck }: GridProps) {
  const grid = useRef<HTMLTableElement>(null);
  const go = (e: KeyboardEvent): void => {
    const step = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [1, 0], ArrowDown: [-1, 0] }[e.key];
    if (!step) return;
    e.preventDefault();
    const string = Math.min(strings.length - 1, Math.max(0, at.string + (step[0] ?? 0)));
    const held = Math.min(played - 1, Math.max(0, at.held + (step[1] ?? 0)));
    onGo({ string, held });
    grid.current?.querySelector<HTMLButtonElement>(`[data-place="${string}:${held}"]`)?.focus();
  };
  const frets = Array.from({ length: played }, (_, n) => n);
  return (
    <table
      ref={grid}
      role="grid"
      aria-label="Pluck"
      onKeyDown={go}
      className="border-collapse text-center text-sm"
    >
      <thead>
        <tr>
          <td />
          {frets.map((n) => (
            <th key={n} scope="col" className="font-normal text-quiet">
              {n === 0 ? 'open' : n}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {strings
          .map((name, string) => ({ name, string }))
          .reverse()
          .map(({ name, string }) => (
            <tr key={string}>
              <th scope="row" className="pr-2 text-left font-normal whitespace-nowrap">
                {name}
              </th>
              {frets.map((held) => (
                <Cell
                  key={held}
                  place={{ string, held }}
                  isAt={at.string === string && at.held === held}
                  heard={of({ string, held })}
                  name={nameOf({ string, held })}
                  onPluck={onPluck}
                />
              ))}
            </tr>
          ))}
      </tbody>
    </table>
  );
}

/** Every string at every fret: a tap or Enter plucks it as the customer does, arrow keys go about. */
export function ListenPanel({ sessionId, strings, played, heard, practice }: Props) {
  const [at, setAt] = useState<At>({ string: 0, held: 0 });
  const { sound, worker, begun } = useSound(sessionId);
  const pluck = ({ string, held }: At): void => {
    setAt({ string, held });
    void practice
      .act({ kind: 'pluck', string, held })
      .then((done) => (done ? sound(string, held) : undefined));
  };
  const of = ({ string, held }: At): HeardView | undefined =>
    heard.find((h) => h.string === string && h.held === held);
  const nameOf = ({ string, held }: At): string =>
    `String ${strings[string] ?? ''} ${held === 0 ? 'open' : `at ${held}`}`;
  const here = of(at);
  return (
    <div className="space-y-2">
      <p className="text-sm text-quiet">
        A tap plucks it, as hard as its owner does; arrow keys and Enter do the same. The sound is made up:
        the string, and what rattles along with it.
      </p>
      <div className="overflow-x-auto">
        <Grid
          strings={strings}
          played={played}
          of={of}
          at={at}
          nameOf={nameOf}
          onGo={setAt}
          onPluck={pluck}
        />
      </div>
      <p role="status" className={isBad(here) ? 'text-rubric' : ''}>
        {here ? `${nameOf(at)} ${here.says}.` : 'Nothing was plucked there since the last work.'}
      </p>
      <p className="text-sm text-quiet">
        ● rings clear · ▲ buzzes · ✕ chokes · ≈ something else is heard with it
      </p>
      {begun && <WorkerSays of={worker} what="The sound" />}
    </div>
  );
}
