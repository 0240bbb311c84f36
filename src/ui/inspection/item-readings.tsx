'use client';

import { useId } from 'react';
import type { LeafJob } from '../job/leaf-props.ts';
import type { RoundKind } from '../../core/readings/rounds.ts';
import { fieldState, ReadingField } from '../neck-sheet/reading-field.tsx';
import type { StationView } from '../../core/job/views/sheet-stations.ts';
import { useReadings } from '../neck-sheet/use-readings.ts';
import { useDisplayUnit, useWords } from '../data/display-unit.ts';
import { answerByKey } from '../neck-sheet/sheet-says.tsx';

type State = ReturnType<typeof useReadings>;

/** What a field says of itself, and what can be answered to it. */
function Says({
  station: s,
  state,
  shown,
  id,
}: {
  readonly station: StationView;
  readonly state: State;
  readonly shown: ReturnType<typeof fieldState>;
  readonly id: string;
}) {
  const draft = state.drafts[s.key];
  const words = useWords();
  const asked = draft?.state === 'asked' ? draft.question : undefined;
  const says = draft?.message ?? (draft?.question ? words(draft.question.message) : shown.words);
  return (
    <span id={id} className={`block empty:hidden ${shown.red ? 'text-rubric' : 'text-quiet'}`}>
      {shown.mark} {says}
      {asked?.others.map((o) => (
        <button key={o.text} type="button" className="button" onClick={() => state.say(s, o.text)}>
          {o.says}
        </button>
      ))}
      {draft?.state === 'asked' && (
        <button type="button" className="button" onClick={() => state.say(s, draft.text)}>
          It is {draft.text}
        </button>
      )}
      {draft?.state === 'conflict' && draft.theirs && (
        <>
          <button type="button" className="button" onClick={() => state.takeTheirs(s.key)}>
            Leave {draft.theirs.says}
          </button>
          <button type="button" className="button" onClick={() => state.keepMine(s)}>
            Save {draft.text}
          </button>
        </>
      )}
    </span>
  );
}

/** The fields of some stations, away from the neck sheet: the same drafts, questions and saves. */
export function ItemReadings({
  job,
  round,
  stations,
  editable,
  columns = 2,
}: {
  readonly job: LeafJob;
  readonly round: RoundKind;
  readonly stations: readonly StationView[];
  readonly editable: boolean;
  readonly columns?: 2 | 3;
}) {
  const id = useId();
  const [displayUnit] = useDisplayUnit();
  const state = useReadings(job, round, displayUnit);
  const next = (from: StationView, back: boolean) => {
    const to = stations[stations.indexOf(from) + (back ? -1 : 1)];
    const field = to ? document.getElementById(`${id}-${to.key}`) : null;
    if (field) field.focus();
    else (document.activeElement as HTMLElement | null)?.blur();
  };
  return (
    <ul className={`grid gap-x-4 gap-y-1 ${columns === 3 ? 'grid-cols-3' : 'grid-cols-2'}`}>
      {stations.map((s) => {
        const reading = job.readings.readings.find((r) => r.round === round && r.key === s.key);
        const draft = state.drafts[s.key];
        const shown = fieldState(s, reading, state.kept[s.key], draft, displayUnit, job.readings.habits);
        return (
          <li key={s.key} className="text-sm">
            <span aria-hidden className="text-quiet">
              {s.label}
            </span>
            <ReadingField
              station={s}
              prefix={id}
              state={shown}
              editable={editable}
              className="h-11 w-full bg-card text-lg"
              describedBy={`${id}-says-${s.key}`}
              onType={(text) => state.type(s.key, text)}
              onCommit={(by) => state.commit(s, false, by)}
              onSame={() => state.sameAgain(s)}
              onAnswer={(key) => answerByKey(state, s, key)}
              onNext={(back) => next(s, back)}
              onFocus={() => undefined}
            />
            <Says station={s} state={state} shown={shown} id={`${id}-says-${s.key}`} />
          </li>
        );
      })}
    </ul>
  );
}
