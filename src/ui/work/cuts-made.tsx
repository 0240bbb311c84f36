'use client';

import { useState } from 'react';
import { formatLength } from '../../core/units/format-length.ts';
import type { LengthUnit } from '../../core/units/length-units.ts';
import { bareUnit } from '../../core/units/bare-unit.ts';
import { parseLength } from '../../core/units/parse-length.ts';
import { sayCutPlace, whyNoSuchCut, type CutPlace } from '../../core/work/cuts.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { useSend } from '../data/use-send.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { amountUnit } from '../../core/targets/say-values.ts';
import type { Line } from './clock.tsx';
import { LoggedRow } from './logged-row.tsx';

type Place = NonNullable<Line['cuts']>['places'][number];

const lengthOf = (typed: string, unit: LengthUnit) =>
  typed.trim() === '' ? null : parseLength(typed, bareUnit(typed, unit));

/** What is typed of the next cut: its place as it waits until another is chosen, what is meant as the plan says until it is typed. */
function useCut(line: Line, places: readonly Place[], unit: LengthUnit) {
  const { give, busy, trouble } = useSend();
  const [chosen, setChosen] = useState<CutPlace | null>(null);
  const [own, setOwn] = useState<string | null>(null);
  const [took, setTook] = useState('');
  const waiting = places.find((p) => p.next !== null) ?? places[0];
  const place = places.find((p) => p.place === chosen) ?? waiting;
  const next = place?.next ?? null;
  const meant = own ?? (next === null ? '' : formatLength(next, unit));
  const [was, came] = [lengthOf(meant, unit), lengthOf(took, unit)];
  const slip = was?.ok && came?.ok ? whyNoSuchCut(was.value.mm, came.value.mm) : null;
  const refused = trouble?.code === 'invalid' ? trouble.fields : {};
  return {
    busy,
    trouble: trouble?.code === 'invalid' ? null : trouble,
    place,
    meant,
    took,
    wrong: {
      meant: (was && !was.ok ? was.error.message : undefined) ?? refused['meant'],
      took: (came && !came.ok ? came.error.message : undefined) ?? slip ?? refused['took'],
    },
    fine: was?.ok === true && came?.ok === true && slip === null,
    choose: (v: string) => {
      setChosen(v as CutPlace);
      setOwn(null);
    },
    setOwn,
    setTook,
    log: async () => {
      if (!place || !(await give('work.cut', { lineId: line.id, place: place.place, meant, took, unit })))
        return;
      // The next place that waits comes by itself.
      setChosen(null);
      setOwn(null);
      setTook('');
    },
  };
}

/** Where, what was meant, what came off: proposed by the plan, read off the gauge. */
function LogCut({
  line,
  places,
  unit,
}: {
  readonly line: Line;
  readonly places: readonly Place[];
  readonly unit: LengthUnit;
}) {
  const cut = useCut(line, places, unit);
  if (!cut.place) return null;
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void cut.log();
      }}
    >
      <FormField label="Cut at" className="w-40">
        {(w) => (
          <ListChoice
            {...w}
            value={cut.place?.place ?? ''}
            items={places.map((p) => ({ value: p.place, name: sayCutPlace(p.place) }))}
            onChange={cut.choose}
          />
        )}
      </FormField>
      <TextField
        label="Meant to take"
        error={cut.wrong.meant}
        className="w-36"
        inputMode="decimal"
        value={cut.meant}
        onChange={cut.setOwn}
      />
      <TextField
        label="Came off"
        error={cut.wrong.took}
        className="w-36"
        inputMode="decimal"
        placeholder="by the gauge"
        value={cut.took}
        onChange={cut.setTook}
      />
      <button type="submit" className="button" disabled={cut.busy || !cut.fine}>
        Log the cut
      </button>
      <Trouble trouble={cut.trouble} />
    </form>
  );
}

/** The cuts of a saddle or a nut where they are made: the first short of the whole, each by what is left. */
export function CutsMade({ line, may }: { readonly line: Line; readonly may: boolean }) {
  const unit = amountUnit(useDisplayUnit()[0]);
  if (line.cuts === null) return null;
  const { places } = line.cuts;
  const made = places
    .flatMap((p) => p.made.map((c) => ({ ...c, place: p.place })))
    .sort((a, b) => a.id - b.id);
  const at = line.step === 'running' || line.step === 'paused';
  if (!at && made.length === 0) return null;
  const left = places.filter((p) => p.planned !== null);
  return (
    <section aria-label={`Cuts: ${line.title}`} className="space-y-2 border-l-2 border-line pl-3">
      {made.length > 0 && (
        <ol className="space-y-1">
          {made.map((c, i) => (
            <LoggedRow
              key={c.id}
              by={c.by}
              at={c.at}
              back={
                may && at && i === made.length - 1
                  ? { name: 'work.take-back-cut', input: { cutId: c.id, version: c.version } }
                  : null
              }
            >
              {sayCutPlace(c.place)}: meant {formatLength(c.meant, unit)}, came off{' '}
              <b className="text-ink">{formatLength(c.took, unit)}</b>
            </LoggedRow>
          ))}
        </ol>
      )}
      {at && left.length > 0 && (
        <p>
          {left
            .map(
              (p) =>
                `${sayCutPlace(p.place)}: ${formatLength(p.planned ?? 0, unit)} in all, ${
                  p.next === null ? 'taken' : `next ${formatLength(p.next, unit)}`
                }`,
            )
            .join('; ')}
          . Read again after each cut: the reading decides, not this sum.
        </p>
      )}
      {may && at && <LogCut line={line} places={places} unit={unit} />}
    </section>
  );
}
