'use client';

import { useState } from 'react';
import { setCompensation } from '../../core/intonation/set-compensation.ts';
import { frequenciesOf, STRING_SETS, type StringSet } from '../../core/strings/string-sets.ts';
import { TUNINGS } from '../../core/strings/pitch.ts';
import type { StringMake } from '../../core/strings/unit-mass.ts';
import type { Say } from '../../core/sums/sum.ts';
import { referenceOf, type Typed } from '../../contracts/sums/typed-form.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';

const thou = (mm: number): string => `.${String(Math.round(mm / 0.0254)).padStart(3, '0')} in`;

/** The tunings a set can be strung to: those of as many strings. */
const tuningsFor = (set: StringSet): string[] =>
  Object.keys(TUNINGS).filter((t) => TUNINGS[t]?.length === set.strings.length);

/** Rows of the string-tension form for a usual set and tuning. */
function rowsOf(set: StringSet, notes: readonly string[]): Record<string, string> {
  const typed: Record<string, string> = {};
  for (const [i, s] of set.strings.entries()) {
    typed[`strings.${i}.gauge`] = thou(s.gauge);
    typed[`strings.${i}.kind`] = s.kind;
    if (s.wrapDensity !== undefined) typed[`strings.${i}.wrapDensity`] = String(s.wrapDensity);
    typed[`strings.${i}.frequency`] = notes[i] ?? '';
  }
  return typed;
}

/** Fills the strings of a form from the shop's usual sets; the pull that was there becomes the one before. */
export function StringPresets({
  typed,
  total,
  onFill,
}: {
  readonly typed: Typed;
  readonly total: number | null;
  readonly onFill: (typed: Typed) => void;
}) {
  const sets = STRING_SETS.filter((s) => tuningsFor(s).length > 0);
  const [setId, setSetId] = useState('');
  const [tuning, setTuning] = useState('');
  const set = sets.find((s) => s.id === setId);
  const fill = (next: StringSet, name: string) => {
    const notes = TUNINGS[name] ?? [];
    const rest = Object.fromEntries(Object.entries(typed).filter(([k]) => !k.startsWith('strings.')));
    const before = total === null ? {} : { before: total.toFixed(1) };
    onFill({ ...rest, ...before, ...rowsOf(next, notes) });
  };
  const chooseSet = (id: string) => {
    const next = sets.find((s) => s.id === id);
    if (!next) return;
    const names = tuningsFor(next);
    const name = names.includes(tuning) ? tuning : (names[0] ?? '');
    setSetId(id);
    setTuning(name);
    fill(next, name);
  };
  const chooseTuning = (name: string) => {
    setTuning(name);
    if (set) fill(set, name);
  };
  return (
    <div className="mb-2 grid grid-cols-2 gap-3">
      <FormField label="Fill in a usual set">
        {(w) => (
          <ListChoice
            {...w}
            value={setId}
            items={sets.map((s) => ({ value: s.id, name: s.name }))}
            onChange={chooseSet}
          />
        )}
      </FormField>
      <FormField label="Tuning">
        {(w) => (
          <ListChoice
            {...w}
            value={tuning}
            items={(set ? tuningsFor(set) : []).map((t) => ({ value: t, name: t }))}
            onChange={chooseTuning}
          />
        )}
      </FormField>
    </div>
  );
}

type Neck = Parameters<typeof setCompensation>[0];

/** The strings of a set with their compensation, each with the tap that takes it over. */
function SetTable({
  strings,
  notes,
  found,
  say,
  onUse,
}: {
  readonly strings: readonly StringMake[];
  readonly notes: readonly string[];
  readonly found: readonly (number | null)[];
  readonly say: Say;
  readonly onUse: (make: StringMake, note: string) => void;
}) {
  return (
    <table className="mt-1 w-full text-left">
      <thead className="sr-only">
        <tr>
          <th scope="col">Note</th>
          <th scope="col">Gauge</th>
          <th scope="col">Compensation</th>
          <th scope="col">Take over</th>
        </tr>
      </thead>
      <tbody>
        {strings.map((make, i) => (
          <tr key={i} className="border-b border-line">
            <td>{notes[i]}</td>
            <td>
              {thou(make.gauge)} {make.kind}
            </td>
            <td className="font-bold">{found[i] == null ? '–' : say.length(found[i])}</td>
            <td className="text-right">
              <button type="button" className="button" onClick={() => onUse(make, notes[i] ?? '')}>
                Use {notes[i]}
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A starting compensation for every string of a usual set at the form's scale and action; one tap takes a string over. */
export function SetCompensation({
  neck,
  say,
  typed,
  onFill,
}: {
  readonly neck: Neck | null;
  readonly say: Say;
  readonly typed: Typed;
  readonly onFill: (typed: Typed) => void;
}) {
  const sets = STRING_SETS.filter((s) => tuningsFor(s).length > 0);
  const [setId, setSetId] = useState('acoustic-12');
  const set = sets.find((s) => s.id === setId);
  const tuning = set ? (tuningsFor(set)[0] ?? '') : '';
  const notes = TUNINGS[tuning] ?? [];
  const reference = referenceOf(typed);
  const pitches = frequenciesOf(notes, reference.ok ? reference.value : undefined);
  const found = neck && set ? setCompensation(neck, set.strings, pitches) : [];
  const use = (make: StringMake, note: string) => {
    const rest = Object.fromEntries(Object.entries(typed).filter(([k]) => !k.startsWith('string.')));
    onFill({
      ...rest,
      'string.gauge': thou(make.gauge),
      'string.kind': make.kind,
      'string.frequency': note,
      ...(make.wrapDensity !== undefined && { 'string.wrapDensity': String(make.wrapDensity) }),
    });
  };
  return (
    <section aria-labelledby="whole-set" className="no-print mt-4">
      <h3 id="whole-set" className="text-lg">
        For a whole set, at these heights
      </h3>
      <FormField label="Set">
        {(w) => (
          <ListChoice
            {...w}
            value={setId}
            items={sets.map((s) => ({ value: s.id, name: s.name }))}
            onChange={setSetId}
          />
        )}
      </FormField>
      <SetTable strings={set?.strings ?? []} notes={notes} found={found} say={say} onUse={use} />
    </section>
  );
}
