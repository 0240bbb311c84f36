'use client';

import { sayLeft } from '../../core/days/say-left.ts';
import { readEntry } from '../../core/readings/entry.ts';
import { tellsApart } from '../../core/readings/gauge.ts';
import { METHODS, methodWords } from '../../core/readings/methods.ts';
import { QUANTITY_FACTS } from '../../core/readings/quantities.ts';
import type { RoundKind } from '../../core/readings/rounds.ts';
import { LAYER_NAMES } from '../../core/targets/target.ts';
import { useWords } from '../data/display-unit.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { HearAgain } from '../readings/hear-again.tsx';
import { methodsOf, type StationView } from '../../core/job/views/sheet-stations.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { sayValue, unitOf } from '../../core/targets/say-values.ts';
import type { ReadingsState } from './use-readings.ts';

interface Props {
  readonly station: StationView | null;
  readonly state: ReadingsState;
  readonly displayUnit: DisplayUnit;
  readonly job: LeafJob;
  readonly round: RoundKind;
}

/** The gauge a quantity is read with on a round: the round's, the shop's, or what usually serves. */
function gaugeWords(job: LeafJob, round: RoundKind, quantity: StationView['quantity']): string {
  const taken = job.readings.rounds.find((r) => r.kind === round)?.gauges[quantity];
  const own = job.readings.gauges.find((g) => g.id === taken);
  return own?.name ?? QUANTITY_FACTS[quantity].gauge;
}

/** Keys that answer a question at a field; none of them begins anything that is typed there. */
const YES_KEY = 'y';
const OTHER_KEYS = ['a', 'b', 'd', 'e'] as const;

/** Answers the question asked at a place by one key. Says whether the key was one. */
export function answerByKey(state: ReadingsState, station: StationView, key: string): boolean {
  const draft = state.drafts[station.key];
  if (draft?.state !== 'asked' || !draft.question) return false;
  const other = draft.question.others[OTHER_KEYS.findIndex((k) => k === key.toLowerCase())];
  if (key.toLowerCase() !== YES_KEY && !other) return false;
  state.say(station, other?.text ?? draft.text);
  return true;
}

function Asked({ about, state }: { readonly about: StationView; readonly state: ReadingsState }) {
  const draft = state.drafts[about.key];
  const words = useWords();
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
  if (draft?.state !== 'asked' || !draft.question) return null;
  const answer = (text: string) => {
    state.say(about, text);
    focus();
  };
  return (
    <span className="flex flex-wrap items-center gap-2 text-rubric">
      ◆ {about.label}: {words(draft.question.message)}
      {draft.question.others.map((o, i) => (
        <button key={o.text} type="button" className="button" onClick={() => answer(o.text)}>
          <kbd className="mr-1 text-quiet">{OTHER_KEYS[i]}</kbd> {o.says}
        </button>
      ))}
      <button type="button" className="button" onClick={() => answer(draft.text)}>
        <kbd className="mr-1 text-quiet">{YES_KEY}</kbd>{' '}
        {draft.question.code === 'take-back' ? 'Take it back' : `It is ${draft.text}, as typed`}
      </button>
    </span>
  );
}

/** How the reading that stands there came about, and what it is worth. */
function standing({ station: about, state, displayUnit, job, round }: Props): string {
  if (!about) return '';
  const reading = job.readings.readings.find((r) => r.round === round && r.key === about.key);
  const draft = state.drafts[about.key];
  const unit = unitOf(about.quantity, displayUnit, job.readings.habits.units);
  const read = draft ? readEntry(draft.text, about.quantity, unit, job.readings.habits.feelings) : null;
  if (read?.ok) return ` = ${read.value.says}`;
  if (draft || !reading) return '';
  const tells = tellsApart(reading.uncertainty);
  const give = tells > 0 ? ` ± ${sayValue(tells, about.quantity, displayUnit).replace(/^\+/, '')}` : '';
  return ` = ${sayValue(reading.value, about.quantity, displayUnit)}${give}, ${reading.by}`;
}

function why({ station: about, job, round, displayUnit }: Props): string {
  const reading = about && job.readings.readings.find((r) => r.round === round && r.key === about.key);
  if (!reading) return '';
  if (reading.notRepresentative) return ` Not used: ${reading.notRepresentative}.`;
  if (reading.stale) return ` Stale since: ${reading.stale}. Read again.`;
  if (reading.unrested) {
    const { title, at, until } = reading.unrested;
    const after = sayLeft(at, Date.parse(reading.takenAt));
    return ` Read ${after} after “${title}”, which rests ${sayLeft(at, until)}: it may have moved since.`;
  }
  if (reading.converted)
    return ` Converted from “${reading.converted}”: ${sayValue(reading.standard, reading.quantity, displayUnit)} by the reference way.`;
  if (reading.copiedFrom) return ' Carried forward: it still holds.';
  return '';
}

/** The line that reads back what is typed, and asks. */
export function SheetSays(props: Props) {
  const { station, state, job, round } = props;
  const asked = state.stations.find((s) =>
    ['asked', 'conflict', 'wrong'].includes(state.drafts[s.key]?.state ?? ''),
  );
  const about = asked ?? station;
  if (!about)
    return (
      <>
        Enter keeps a reading and goes to the next place. Any unit: 5/64, .078, 8 thou, 2,1 mm; “5 to 6”,
        “4.0; 4.2”, “just clicks” are understood too.
      </>
    );
  if (asked) return <Asked about={asked} state={state} />;
  const usual =
    about.quantity in METHODS
      ? methodWords(about.quantity, methodsOf(job, round))
      : QUANTITY_FACTS[about.quantity].method;
  // What stands there was read in its own way.
  const stands = state.drafts[about.key]
    ? undefined
    : job.readings.readings.find((r) => r.round === round && r.key === about.key);
  return (
    <>
      {about.label}
      {standing({ ...props, station: about })}: {stands?.method ?? usual},{' '}
      {stands?.gauge ?? gaugeWords(job, round, about.quantity)}.
      {about.target && ` Target from ${LAYER_NAMES[about.target.layer]}.`}
      {why({ ...props, station: about })}
      {stands?.sound != null && <HearAgain sound={stands.sound} />}
    </>
  );
}
