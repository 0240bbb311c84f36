'use client';

import { useState } from 'react';
import { QUANTITY_FACTS } from '../../core/readings/quantities.ts';
import { readEntry } from '../../core/readings/entry.ts';
import { ROUND_KINDS, ROUND_NAMES, type RoundKind } from '../../core/readings/reading.ts';
import { POSITIONS, STRINGS_STATES } from '../../core/readings/conditions.ts';
import { ConditionsDialog } from '../conditions-dialog.tsx';
import { NeckSheet } from '../neck-sheet/neck-sheet.tsx';
import type { StationView } from '../neck-sheet/reading-field.tsx';
import { useReadings, type ReadingsState } from '../neck-sheet/use-readings.ts';
import { sayValue, unitOf, type Tongue } from '../neck-sheet/units.ts';
import { PillChoice } from '../pill-choice.tsx';
import { Sentences } from '../sentences.tsx';
import type { LeafProps } from './leaf-props.ts';

const TONGUES: Readonly<Record<Tongue, string>> = { '64ths': '64ths', thou: 'thou', mm: 'mm' };

const firstRound = (job: LeafProps['job']): RoundKind => {
  const done = job.facts.stepsDone > 0;
  return job.readings.rounds.some((r) => r.kind === 'as-left') || (done && job.facts.stepsOpen === 0)
    ? 'as-left'
    : done || job.readings.rounds.some((r) => r.kind === 'after-work')
      ? 'after-work'
      : 'as-found';
};

/** The line that reads back what is typed, and asks. */
function Says({
  station,
  state,
  tongue,
  job,
  round,
}: {
  station: StationView | null;
  state: ReadingsState;
  tongue: Tongue;
  job: LeafProps['job'];
  round: RoundKind;
}) {
  const asked = job.readings.stations.find((s) =>
    ['asked', 'conflict', 'wrong'].includes(state.drafts[s.key]?.state ?? ''),
  );
  const about = asked ?? station;
  if (!about)
    return <>Enter keeps a reading and goes to the next place. Any unit: 5/64, .078, 8 thou, 2,1 mm.</>;
  const draft = state.drafts[about.key];
  const focus = () => document.getElementById(`station-${about.key}`)?.focus();
  if (draft?.state === 'wrong') {
    return (
      <span className="text-rubric">
        ◆ {about.label}: {draft.message}
      </span>
    );
  }
  if (draft?.state === 'conflict' && draft.theirs) {
    return (
      <span className="flex flex-wrap items-center gap-2 text-rubric">
        ◆ {about.label}: {draft.theirs.by} wrote <b>{draft.theirs.says}</b>, you wrote <b>{draft.text}</b>.
        <button type="button" className="button" onClick={() => state.takeTheirs(about.key)}>
          Leave {draft.theirs.says}
        </button>
        <button type="button" className="button" onClick={() => state.keepMine(about)}>
          Save {draft.text}
        </button>
      </span>
    );
  }
  if (draft?.state === 'asked' && draft.question) {
    const answer = (text: string) => {
      state.say(about, text);
      focus();
    };
    return (
      <span className="flex flex-wrap items-center gap-2 text-rubric">
        ◆ {about.label}: {draft.question.message}
        {draft.question.others.map((o) => (
          <button key={o.text} type="button" className="button" onClick={() => answer(o.text)}>
            {o.says}
          </button>
        ))}
        <button type="button" className="button" onClick={() => answer(draft.text)}>
          It is {draft.text}, as typed
        </button>
      </span>
    );
  }
  const reading = job.readings.readings.find((r) => r.round === round && r.key === about.key);
  const facts = QUANTITY_FACTS[about.quantity];
  const read = draft ? readEntry(draft.text, about.quantity, unitOf(about.quantity, tongue)) : null;
  const back = read?.ok
    ? ` = ${read.value.says}`
    : !draft && reading
      ? ` = ${sayValue(reading.value, about.quantity, tongue)}, ${reading.by}`
      : '';
  const why = reading?.notRepresentative
    ? ` Not used: ${reading.notRepresentative}.`
    : reading?.stale
      ? ` Stale since: ${reading.stale}. Read again.`
      : '';
  const from = about.target
    ? ` Target from ${about.target.layer === 'job' ? 'this job' : about.target.layer === 'touch' ? 'the touch' : 'the kind'}.`
    : '';
  return (
    <>
      {about.label}
      {back}: {facts.method}, {facts.gauge}.{from}
      {why}
    </>
  );
}

/** Readings at the places where they are taken, on the neck sheet. */
export function ReadingsLeaf({ job, allowed }: LeafProps) {
  const [round, setRound] = useState<RoundKind>(() => firstRound(job));
  const [tongue, setTongue] = useState<Tongue>(job.shop.heights);
  const [station, setStation] = useState<StationView | null>(null);
  const [enlarged, setEnlarged] = useState(20);
  const state = useReadings(job, round, tongue);
  const held = job.readings.rounds.find((r) => r.kind === round);
  const [asking, setAsking] = useState(false);
  return (
    <>
      <div className="mb-1 flex flex-wrap items-end gap-x-4 gap-y-1">
        <PillChoice quiet legend="Round" value={round} options={ROUND_NAMES} onChange={setRound} />
        <button
          type="button"
          className={`button border-line text-left text-sm ${held && held.strings !== 'at-pitch' ? 'text-rubric' : 'text-ink'}`}
          onClick={() => setAsking(true)}
          disabled={!allowed.measure}
        >
          {held && held.strings !== 'at-pitch' && '◆ '}
          {STRINGS_STATES[held?.strings ?? 'at-pitch']} · {POSITIONS[held?.position ?? 'playing']}
          {held?.temperature != null && ` · ${held.temperature} °C`}
          {held?.humidity != null && ` · ${held.humidity} %`} · change
        </button>
        <p className="ml-auto pb-2 text-sm text-quiet">height drawn × {enlarged}</p>
        <PillChoice quiet legend="Units" value={tongue} options={TONGUES} onChange={setTongue} />
      </div>
      <NeckSheet
        job={job}
        round={round}
        tongue={tongue}
        editable={allowed.measure}
        state={state}
        onFocus={setStation}
        onScale={setEnlarged}
      />
      <div id="sheet-says" aria-live="polite" className="min-h-8 border-t border-line py-1 text-sm">
        <Says station={station} state={state} tongue={tongue} job={job} round={round} />
      </div>
      <Sentences job={job} />
      {asking && <ConditionsDialog job={job} round={round} onClose={() => setAsking(false)} />}
      <p className="sr-only">Rounds: {ROUND_KINDS.map((k) => ROUND_NAMES[k]).join(', ')}</p>
    </>
  );
}
