'use client';

import type { RoundKind } from '../../core/readings/rounds.ts';
import { SHEET_PARTS, type SheetPart } from '../../core/readings/stations.ts';
import { LAYER_NAMES } from '../../core/targets/target.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { fieldState, ReadingField } from './reading-field.tsx';
import type { StationView } from '../../core/job/views/sheet-stations.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { sayBand, sayValue } from '../../core/targets/say-values.ts';
import type { ReadingsState } from './use-readings.ts';
import { answerByKey } from './sheet-says.tsx';

interface Props {
  readonly job: LeafJob;
  readonly round: RoundKind;
  readonly displayUnit: DisplayUnit;
  readonly editable: boolean;
  readonly state: ReadingsState;
  readonly onFocus: (station: StationView) => void;
}

type Round = LeafJob['readings']['rounds'][number];

const readingAt = (job: LeafJob, kind: RoundKind, key: string) =>
  job.readings.readings.find((r) => r.round === kind && r.key === key);

/** A place with its field, its target and what other rounds showed there. */
function Row({
  sheet: { job, round, displayUnit, editable, state, onFocus },
  station: s,
  others,
}: {
  readonly sheet: Props;
  readonly station: StationView;
  readonly others: readonly Round[];
}) {
  const said = fieldState(
    s,
    readingAt(job, round, s.key),
    state.kept[s.key],
    state.drafts[s.key],
    displayUnit,
    job.readings.habits,
  );
  const next = (back: boolean) => {
    const to = state.stations[state.stations.findIndex((x) => x.key === s.key) + (back ? -1 : 1)];
    document.getElementById(`station-${to?.key ?? ''}`)?.focus();
  };
  return (
    <tr className="border-b border-line">
      <th scope="row" className="pr-3 font-normal">
        {s.label}
      </th>
      <td className="w-40 pr-3">
        <ReadingField
          station={s}
          state={said}
          editable={editable}
          className="h-11 w-full text-base"
          describedBy="sheet-says"
          onType={(text) => state.type(s.key, text)}
          onCommit={(by) => state.commit(s, false, by)}
          onSame={() => state.sameAgain(s)}
          onAnswer={(key) => answerByKey(state, s, key)}
          onNext={next}
          onFocus={() => onFocus(s)}
          onCells={(found) => state.fill(state.stations.slice(state.stations.indexOf(s)), found)}
        />
      </td>
      <td className={`pr-3 ${said.red ? 'text-rubric' : 'text-quiet'}`}>
        {said.mark} {said.words}
      </td>
      <td className="pr-3 text-quiet">
        {s.target && `${sayBand(s.target, s.quantity, displayUnit)}, ${LAYER_NAMES[s.target.layer]}`}
      </td>
      {others.map((r) => {
        const reading = readingAt(job, r.kind, s.key);
        return (
          <td key={r.kind} className="pr-3 text-ink">
            {reading ? sayValue(reading.value, s.quantity, displayUnit) : ''}
          </td>
        );
      })}
    </tr>
  );
}

/** The sheet as a table: every place with its field, its target and what other rounds showed there. */
export function ReadingsTable(sheet: Props) {
  const { job, round, state } = sheet;
  const others = job.readings.rounds.filter((r) => r.begun && r.kind !== round);
  return (
    <table className="w-full text-left text-sm">
      <caption className="sr-only">
        Every place this instrument is read at, with the same fields as the drawing
      </caption>
      <thead className="sticky top-0 bg-paper">
        <tr className="border-b-2 border-plain">
          <th scope="col">Place</th>
          <th scope="col">Reading</th>
          <th scope="col">How it stands</th>
          <th scope="col">Target</th>
          {others.map((r) => (
            <th key={r.kind} scope="col" className="pr-3">
              {r.name}
            </th>
          ))}
        </tr>
      </thead>
      {(Object.keys(SHEET_PARTS) as SheetPart[]).map((part) => {
        const stations = state.stations.filter((s) => s.part === part);
        if (stations.length === 0) return null;
        return (
          <tbody key={part}>
            <tr>
              <th colSpan={4 + others.length} scope="colgroup" className="pt-3 font-serif text-lg">
                {SHEET_PARTS[part]}
              </th>
            </tr>
            {stations.map((s) => (
              <Row key={s.key} sheet={sheet} station={s} others={others} />
            ))}
          </tbody>
        );
      })}
    </table>
  );
}
