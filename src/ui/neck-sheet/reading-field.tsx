'use client';

import { useLayoutEffect, useRef, useState, type KeyboardEvent } from 'react';
import { pastedCells } from '../../core/readings/pasted-cells.ts';
import { readEntry, sayEntry } from '../../core/readings/entry.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import type { StationView } from '../../core/job/views/sheet-stations.ts';
import { isGone, type Draft, type KeptText } from './use-readings.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { asTyped, sayVerdict, unitOf } from '../../core/targets/say-values.ts';

export type ReadingView = LeafJob['readings']['readings'][number];

/** What one field shows: the text, how it stands, and the words under it. */
export interface FieldState {
  /** what stands in the field while it is written in: as typed */
  readonly text: string;
  /** what stands there otherwise: in the sheet's unit */
  readonly shown: string;
  readonly mark: string;
  readonly red: boolean;
  readonly words: string;
  readonly struck: boolean;
  /** on its way to the house, not yet acknowledged */
  readonly sending?: boolean;
}

const DRAFT_WORDS: Readonly<Record<Draft['state'], string>> = {
  typing: '',
  sending: '',
  unsent: 'unsent, kept here',
  wrong: 'cannot be read',
  asked: 'is it so?',
  conflict: 'changed by a colleague',
};

/** Works out what a field shows from the house's reading and what is being typed over it. */
export function fieldState(
  station: StationView,
  reading: ReadingView | undefined,
  kept: KeptText | undefined,
  draft: Draft | undefined,
  displayUnit: DisplayUnit,
  habits: Pick<LeafJob['readings']['habits'], 'units' | 'feelings'> = { units: {}, feelings: [] },
): FieldState {
  const unit = unitOf(station.quantity, displayUnit, habits.units);
  const gone = isGone(kept, reading?.version);
  const fresh = kept !== undefined && kept.version !== 0 && kept.version > (reading?.version ?? 0);
  const stored = reading ? asTyped(reading.typed, reading.unit, unit, station.quantity) : '';
  const own = draft ?? (fresh ? { text: kept.typed, unit: kept.unit } : null);
  const text = own ? asTyped(own.text, own.unit ?? unit, unit, station.quantity) : gone ? '' : stored;
  const read = own ? readEntry(text, station.quantity, unit, habits.feelings) : null;
  const value = read ? (read.ok ? read.value.value : null) : gone ? null : (reading?.value ?? null);
  const shown = draft || value === null ? text : sayEntry(value, station.quantity, unit);
  const sending = draft?.state === 'sending' || draft?.state === 'unsent';
  const plain = { text, shown, mark: '', red: false, struck: false, sending };
  if (draft && draft.state !== 'typing' && draft.state !== 'sending') {
    return { ...plain, mark: '◆', red: true, words: DRAFT_WORDS[draft.state] };
  }
  if (text === '') return { ...plain, words: station.optional ? 'optional' : '' };
  if (!draft && reading && !fresh && reading.notRepresentative !== null) {
    return { ...plain, mark: '◇', red: true, words: `not used: ${reading.notRepresentative}` };
  }
  if (!draft && reading && !fresh && reading.stale !== null) {
    return { ...plain, mark: '◆', red: true, words: `stale: ${reading.stale.toLowerCase()}`, struck: true };
  }
  if (!draft && !fresh && reading?.converted != null && reading.key.startsWith('action')) {
    return { ...plain, words: `converted: ${reading.converted}` };
  }
  if (value === null || station.target === null) return { ...plain, words: draft ? '' : 'kept' };
  const course = own ? null : (reading?.asCourse ?? null);
  const said = sayVerdict(course ?? value, station.target, station.quantity, displayUnit);
  return { ...plain, ...said, words: course === null ? said.words : `as a course ${said.words}` };
}

interface Props {
  readonly station: StationView;
  readonly state: FieldState;
  readonly editable: boolean;
  readonly className?: string;
  readonly describedBy?: string;
  readonly onType: (text: string) => void;
  /** keeps what is typed; `leave` when the hand only goes elsewhere */
  readonly onCommit: (by: 'enter' | 'leave') => boolean;
  /** the same was typed again over what stands there */
  readonly onSame?: (() => void) | undefined;
  /** a key that may answer the question asked at this field */
  readonly onAnswer?: ((key: string) => boolean) | undefined;
  readonly onNext: (back: boolean) => void;
  readonly onFocus: () => void;
  /** a column pasted from a spreadsheet: one cell a place, from this one on */
  readonly onCells?: ((cells: readonly string[]) => void) | undefined;
  /** begins the field's id; two fields of one station may be on a page */
  readonly prefix?: string;
}

/** One place where a reading is taken. Enter keeps it and goes on to the next place. */
export function ReadingField({
  station,
  state,
  editable,
  className,
  describedBy,
  onType,
  onCommit,
  onSame,
  onAnswer,
  onNext,
  onFocus,
  onCells,
  prefix = 'station',
}: Props) {
  const field = useRef<HTMLInputElement>(null);
  const [writing, setWriting] = useState(false);
  useLayoutEffect(() => {
    if (writing) field.current?.select();
  }, [writing]);
  // Typing over what stands there with the same digits changes nothing in the field, and is a reading all the same.
  const typedOver = useRef(false);
  const commit = (by: 'enter' | 'leave'): boolean => {
    if (typedOver.current && state.sending !== true) onSame?.();
    typedOver.current = false;
    return onCommit(by);
  };
  const key = (e: KeyboardEvent<HTMLInputElement>) => {
    if (!e.ctrlKey && !e.metaKey && !e.altKey && onAnswer?.(e.key)) return e.preventDefault();
    if (e.key !== 'Enter') return;
    e.preventDefault();
    if (commit('enter')) onNext(e.shiftKey);
  };
  return (
    <input
      ref={field}
      id={`${prefix}-${station.key}`}
      data-station={station.key}
      data-sending={state.sending ? '' : undefined}
      aria-label={station.label}
      aria-invalid={state.mark === '◆' && !state.struck ? true : undefined}
      aria-describedby={describedBy}
      className={`border-b-2 border-plain px-1 font-bold text-ink outline-offset-0 focus:bg-card ${state.struck ? 'line-through decoration-rubric' : ''} ${className ?? ''}`}
      autoComplete="off"
      spellCheck={false}
      enterKeyHint="next"
      maxLength={60}
      placeholder="–"
      value={writing ? state.text : state.shown}
      readOnly={!editable}
      onBeforeInput={() => (typedOver.current = true)}
      onChange={(e) => {
        typedOver.current = false;
        onType(e.target.value);
      }}
      onKeyDown={key}
      onPaste={(e) => {
        const cells = onCells ? pastedCells(e.clipboardData.getData('text/plain')) : null;
        if (!cells) return;
        e.preventDefault();
        onCells?.(cells);
      }}
      onBlur={() => {
        setWriting(false);
        commit('leave');
      }}
      onFocus={() => {
        setWriting(true);
        onFocus();
      }}
    />
  );
}
