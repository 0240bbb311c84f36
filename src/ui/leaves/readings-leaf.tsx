'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useEffect, useMemo, useRef, useState } from 'react';
import { saySetOn } from '../../core/readings/set-on.ts';
import { POSITIONS, STRINGS_STATES } from '../../core/readings/conditions.ts';
import { afterNumber, type RoundKind } from '../../core/readings/rounds.ts';
import { SHEET_PARTS, type SheetPart } from '../../core/readings/stations.ts';
import { ConditionsDialog } from '../readings/conditions-dialog.tsx';
import { DrawingChoice } from '../neck-sheet/drawing-choice.tsx';
import { NeckSheet } from '../neck-sheet/neck-sheet.tsx';
import type { Playing } from '../neck-sheet/plan-view.tsx';
import { ReadingsTable } from '../neck-sheet/readings-table.tsx';
import type { LineChoice } from '../neck-sheet/sheet-lines.ts';
import { SheetSays } from '../neck-sheet/sheet-says.tsx';
import type { StationView } from '../../core/job/views/sheet-stations.ts';
import { SheetTools } from '../neck-sheet/sheet-tools.tsx';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { useReadings } from '../neck-sheet/use-readings.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Sentences } from '../readings/sentences.tsx';
import type { LeafProps } from '../job/leaf-props.ts';

/** Listening comes with what it needs when it is asked for. */
const EarPanel = lazyPart(() => import('../ear/ear-panel.tsx').then((m) => m.EarPanel));
const WatchedHere = lazyPart(() => import('../neck-sheet/watched-here.tsx').then((m) => m.WatchedHere));

const DISPLAY_UNITS: Readonly<Record<DisplayUnit, string>> = { '64ths': '64ths', thou: 'thou', mm: 'mm' };
const VIEWS = { ...SHEET_PARTS, table: 'Table' } as const;

const firstRound = (job: LeafProps['job']): RoundKind => {
  const done = job.facts.stepsDone > 0;
  const afters = job.readings.rounds.filter((r) => afterNumber(r.kind) > 0);
  return job.readings.rounds.some((r) => r.kind === 'as-left' && r.begun) ||
    (done && job.facts.stepsOpen === 0)
    ? 'as-left'
    : done || afters.some((r) => r.begun)
      ? (afters.at(-1)?.kind ?? 'after-work')
      : 'as-found';
};

/** Readings at the places where they are taken, on the neck sheet. */
export function ReadingsLeaf({ job, allowed }: LeafProps) {
  const [chosenRound, setRound] = useState<RoundKind>(() => firstRound(job));
  // A round that was only offered may be gone when another was begun meanwhile.
  const round = job.readings.rounds.some((r) => r.kind === chosenRound) ? chosenRound : firstRound(job);
  const [displayUnit, setDisplayUnit] = useDisplayUnit();
  const [view, setView] = useState<keyof typeof VIEWS>('setup');
  // A link from elsewhere comes to the part it means: `#frets`.
  useEffect(() => {
    const said = window.location.hash.slice(1);
    if (said in VIEWS) setView(said as keyof typeof VIEWS);
  }, []);
  const [lines, setLines] = useState<ReadonlySet<LineChoice>>(() => new Set(['found']));
  const [chosen, setChosen] = useState<number | null>(null);
  const [station, setStation] = useState<StationView | null>(null);
  const [enlarged, setEnlarged] = useState(20);
  const [asking, setAsking] = useState(false);
  const [listening, setListening] = useState(false);
  const [playing, setPlaying] = useState<Playing | null>(null);
  const sheet = useRef<HTMLDivElement>(null);
  const state = useReadings(job, round, displayUnit);
  const held = job.readings.rounds.find((r) => r.kind === round);
  const names = useMemo(
    () => Object.fromEntries(job.readings.rounds.map((r) => [r.kind, r.name])) as Record<RoundKind, string>,
    [job.readings.rounds],
  );
  const views = Object.fromEntries(
    Object.entries(VIEWS).filter(([v]) => v === 'table' || state.stations.some((s) => s.part === v)),
  ) as typeof VIEWS;
  return (
    <>
      {/* what paper needs of the head and the tools, which it does not show */}
      <p
        className="hidden text-sm before:content-[attr(data-says)] print:block"
        data-says={`${job.number}, ${job.instrument.name}, ${held?.name ?? ''}, ${job.customer.name}. Heights are enlarged ${enlarged} times.`}
      />
      <div className="mb-1 flex flex-wrap items-end gap-x-3 gap-y-1 text-sm">
        <PillChoice quiet legend="Round" value={round} options={names} onChange={setRound} />
        <button
          type="button"
          className={`button border-line text-left text-sm ${held && held.strings !== 'at-pitch' ? 'text-rubric' : 'text-ink'}`}
          onClick={() => setAsking(true)}
          disabled={!allowed.measure}
        >
          {held && held.strings !== 'at-pitch' && '◆ '}
          {STRINGS_STATES[held?.strings ?? 'at-pitch']} · {POSITIONS[held?.position ?? 'playing']}
          {held && saySetOn(held) !== '' && ` · ${saySetOn(held)}`}
          {held?.temperature != null && ` · ${held.temperature} °C`}
          {held?.humidity != null && ` · ${held.humidity} %`} · change
        </button>
        <span className="ml-auto">
          <PillChoice
            quiet
            legend="Units"
            value={displayUnit}
            options={DISPLAY_UNITS}
            onChange={setDisplayUnit}
          />
        </span>
      </div>
      <div className="mb-1 flex flex-wrap items-end gap-x-3 gap-y-1 text-sm print:hidden">
        <PillChoice quiet legend="Part of the sheet" value={view} options={views} onChange={setView} />
        <span className="ml-auto self-center text-quiet">
          {view === 'table' ? '' : `height drawn × ${enlarged}`}
        </span>
        {view !== 'table' && (
          <DrawingChoice lines={lines} onLines={setLines} chosen={chosen} onChosen={setChosen} />
        )}
        {allowed.measure && (
          <button
            type="button"
            className="button text-sm"
            aria-expanded={listening}
            onClick={() => setListening(!listening)}
          >
            Listen
          </button>
        )}
        <SheetTools job={job} round={round} state={state} station={station} may={allowed.measure} />
      </div>
      <div ref={sheet}>
        {view === 'table' ? (
          <ReadingsTable
            job={job}
            round={round}
            displayUnit={displayUnit}
            editable={allowed.measure}
            state={state}
            onFocus={setStation}
          />
        ) : (
          <NeckSheet
            job={job}
            round={round}
            part={view satisfies SheetPart}
            lines={lines}
            chosen={chosen}
            displayUnit={displayUnit}
            editable={allowed.measure}
            state={state}
            playing={playing}
            onFocus={setStation}
            onScale={setEnlarged}
          />
        )}
      </div>
      <div className="sticky bottom-0 bg-paper">
        {listening && (
          <Suspense fallback={null}>
            <EarPanel
              // What is heard belongs to the round it was begun in.
              key={round}
              job={job}
              round={round}
              state={state}
              sheet={sheet}
              onPlaying={setPlaying}
              onClose={() => setListening(false)}
            />
          </Suspense>
        )}
        <div id="sheet-says" aria-live="polite" className="min-h-8 border-t border-line py-1 text-sm">
          <SheetSays station={station} state={state} displayUnit={displayUnit} job={job} round={round} />
        </div>
      </div>
      {job.readings.watches.length > 0 && (
        <Suspense fallback={null}>
          <WatchedHere job={job} round={round} unit={displayUnit} />
        </Suspense>
      )}
      <Sentences job={job} />
      {asking && <ConditionsDialog job={job} round={round} onClose={() => setAsking(false)} />}
      <p className="sr-only">Rounds: {job.readings.rounds.map((r) => r.name).join(', ')}</p>
    </>
  );
}
