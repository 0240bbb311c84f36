'use client';

import { useLayoutEffect, useRef, useState, type KeyboardEvent } from 'react';
import { pastedCells } from '../../contracts/formats/readings.ts';
import { readEntry, sayEntry } from '../../core/readings/entry.ts';
import type { LeafJob } from '../leaves/leaf-props.ts';
import type { StationView } from './sheet-stations.ts';
import type { Draft } from './use-readings.ts';
import { asTyped, sayVerdict, unitOf, type Tongue } from './units.ts';

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
  asked: 'which unit?',
  conflict: 'changed by a colleague',
};

/** Works out what a field shows from the house's reading and what is being typed over it. */
export function fieldState(
  station: StationView,
  reading: ReadingView | undefined,
  kept: { readonly typed: string; readonly version: number } | undefined,
  draft: Draft | undefined,
  tongue: Tongue,
  habits: Pick<LeafJob['readings']['habits'], 'units' | 'feelings'> = { units: {}, feelings: [] },
): FieldState {
  const unit = unitOf(station.quantity, tongue, habits.units);
  const fresh = kept !== undefined && kept.version > (reading?.version ?? 0);
  const stored = reading ? asTyped(reading.typed, reading.unit, unit) : '';
  const text = draft?.text ?? (fresh ? kept.typed : stored);
  const read = draft || fresh ? readEntry(text, station.quantity, unit, habits.feelings) : null;
  const value = read ? (read.ok ? read.value.value : null) : (reading?.value ?? null);
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
  return { ...plain, ...sayVerdict(value, station.target, station.quantity, tongue) };
}

interface Props {
  readonly station: StationView;
  readonly state: FieldState;
  readonly editable: boolean;
  readonly className?: string;
  readonly describedBy?: string;
  readonly onType: (text: string) => void;
  readonly onCommit: () => boolean;
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
  const key = (e: KeyboardEvent<HTMLInputElement>) => {
    if (e.key !== 'Enter') return;
    e.preventDefault();
    if (onCommit()) onNext(e.shiftKey);
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
      className={`border-b-2 border-plain bg-transparent px-1 font-bold text-ink outline-offset-0 focus:bg-card ${state.struck ? 'line-through decoration-rubric' : ''} ${className ?? ''}`}
      autoComplete="off"
      spellCheck={false}
      enterKeyHint="next"
      maxLength={60}
      placeholder="–"
      value={writing ? state.text : state.shown}
      readOnly={!editable}
      onChange={(e) => onType(e.target.value)}
      onKeyDown={key}
      onPaste={(e) => {
        const cells = onCells ? pastedCells(e.clipboardData.getData('text/plain')) : null;
        if (!cells) return;
        e.preventDefault();
        onCells?.(cells);
      }}
      onBlur={() => {
        setWriting(false);
        onCommit();
      }}
      onFocus={() => {
        setWriting(true);
        onFocus();
      }}
    />
  );
}
