import type { Construction } from '../instrument/construction.ts';
import type { Reading } from '../readings/reading.ts';
import { roundName, type RoundKind } from '../readings/rounds.ts';
import type { FinishedOperation } from '../staleness/stale.ts';
import { hearTuning, stringsOf } from '../strings/hear-tuning.ts';
import { pulls } from '../strings/string-pull.ts';
import type { Hz, Newton } from '../units/unit-types.ts';
import type { LifeReading, LifeVisit } from './acts.ts';

/** A visit as the house reads it. */
export interface ReadVisit {
  readonly number: number;
  readonly rounds: readonly {
    readonly kind: RoundKind;
    readonly title: string;
    readonly humidity: number | null;
    /** as it was said; empty: as the instrument is strung */
    readonly tuning: string;
    /** A4, where it was said */
    readonly pitch: Hz | null;
  }[];
  /** by the reference methods */
  readonly readings: readonly (Reading & { readonly copiedFrom?: string | null })[];
  readonly turns: readonly {
    readonly eighths: number;
    readonly before: number | null;
    readonly after: number | null;
    readonly turnedAt: Date;
  }[];
  readonly operations: readonly FinishedOperation[];
}

const USUAL_PITCH = 440;

/** The pull of all strings of an instrument at a tuning; null where the tuning says nothing. */
function pullAt(c: Construction, tuning: string, pitch: Hz | null): Newton | null {
  const own = (strings: Construction['strings']): Newton =>
    pulls(c, strings, pitch ?? USUAL_PITCH).reduce((a, b) => a + b, 0);
  if (tuning === '' || tuning === 'as strung') return own(c.strings);
  const heard = hearTuning(tuning, { ...c, usual: c.strings, gauges: c.strings });
  return heard.ok ? own(stringsOf(c.strings, heard.value.notes)) : null;
}

/** A visit as its acts are found: what stands for the instrument and was read there, not carried forward. */
export const lifeOf = (c: Construction, v: ReadVisit): LifeVisit => ({
  job: v.number,
  rounds: v.rounds.map((r) => ({
    name: roundName(r.kind, r.title).toLowerCase(),
    humidity: r.humidity,
    pull: pullAt(c, r.tuning, r.pitch),
    readings: new Map(
      v.readings
        .filter((x) => x.round === r.kind && x.notRepresentative === null && !x.copiedFrom)
        .map((x): [string, LifeReading] => [
          x.key,
          { value: x.value, uncertainty: x.uncertainty ?? null, at: x.takenAt },
        ]),
    ),
  })),
  turns: v.turns.flatMap(({ eighths, before, after, turnedAt }) =>
    before === null || after === null || eighths === 0
      ? []
      : [{ eighths, before, after, at: turnedAt.getTime() }],
  ),
  work: v.operations.map((o) => ({ at: o.at, moved: o.stale })),
});
