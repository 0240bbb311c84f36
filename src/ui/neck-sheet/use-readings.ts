'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Theirs } from '../../contracts/failure.ts';
import { readEntry, type EntryQuestion } from '../../core/readings/entry.ts';
import type { RoundKind } from '../../core/readings/rounds.ts';
import { askAbout } from '../../core/readings/plausibility.ts';
import type { Station } from '../../core/readings/stations.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { dropDraft, readDraft, saveDraft } from '../data/draft.ts';
import { OWN, refreshSoon } from '../data/refresh.ts';
import { send } from '../data/send.ts';
import type { LengthUnit } from '../../core/units/length-units.ts';
import { sheetStations } from '../../core/job/views/sheet-stations.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { asTyped, unitOf } from '../../core/targets/say-values.ts';

/** What is being typed at a station and not yet in the house. */
export interface Draft {
  readonly text: string;
  /** the unit of a bare number when it was typed: a reload must not read it in another one */
  readonly unit?: LengthUnit;
  /** the command that carries exactly this text: given again after a reload, the house answers as it did at first */
  readonly command?: string;
  /** every text sent from here over this base and not yet answered, when typing went on meanwhile */
  readonly sent?: readonly string[];
  /** the version that was on the screen when typing began */
  readonly base: number;
  readonly state: 'typing' | 'sending' | 'unsent' | 'wrong' | 'asked' | 'conflict';
  readonly message?: string;
  readonly question?: EntryQuestion;
  /** when it was first given to the house, by this tablet's clock: without a connection it waits, and says how long */
  readonly since?: number;
  /** how often the house answered that it could not keep it */
  readonly faults?: number;
  /** the gauge that gave it, where one spoke for itself */
  readonly gauge?: number;
  /** the ear gave it: what it may be off beside the spread, one standard deviation in cents */
  readonly heard?: number;
  /** the pluck it was heard in, where it is to be kept: WAV in base64 */
  readonly sound?: string;
  readonly theirs?: Theirs;
}

type Drafts = Readonly<Record<string, Draft>>;
type GivenBy = Pick<Draft, 'gauge' | 'heard' | 'sound'>;

/** What gave a text, where no hand typed it. */
const givenBy = ({ gauge, heard, sound }: GivenBy): GivenBy => ({
  ...(gauge !== undefined && { gauge }),
  ...(heard !== undefined && { heard }),
  ...(sound !== undefined && { sound }),
});

export interface KeptText {
  readonly typed: string;
  /** the unit of its bare numbers */
  readonly unit: LengthUnit;
  /** 0 where it was taken back */
  readonly version: number;
  /** the version that was taken back: what the house shows up to there is gone */
  readonly over?: number;
}
type Kept = Readonly<Record<string, KeptText>>;

/** Whether what the house still shows at a place was taken back from here. */
export const isGone = (own: KeptText | undefined, shown: number | undefined): boolean =>
  own?.version === 0 && (shown ?? 0) <= (own.over ?? 0);

/** The question whether an emptied field means that its reading is to be taken back. */
const takeBack = (stood: string): EntryQuestion => ({
  code: 'take-back',
  message: `Take ${stood} back? The history keeps it.`,
  others: [],
});

const RETRY_MS = 2500;
/** After so many faults of the house a reading is shown with what was said, and Enter gives it again. */
const MOST_FAULTS = 3;

/** What went to the house from here over the same base: any of it may stand there, though its answer was lost. */
const sentFrom = (d: Draft): readonly string[] => {
  const before = d.sent ?? [];
  const underway = d.state === 'sending' || d.state === 'unsent';
  return underway && !before.includes(d.text) ? [...before, d.text] : before;
};

/** The readings of one round on the screen: drafts kept in this browser, saved one by one, conflicts shown. */
export function useReadings(job: LeafJob, round: RoundKind, displayUnit: DisplayUnit) {
  const [drafts, setDrafts] = useState<Drafts>({});
  const [kept, setKept] = useState<Kept>({});
  const stations = useMemo(() => sheetStations(job, round), [job, round]);
  const { units, feelings } = job.readings.habits;
  const store = `readings:${job.id}:${round}`;
  const live = useRef(drafts);
  const again = useRef(() => {});

  const change = useCallback(
    (key: string, draft: Draft | null) => {
      const { [key]: _old, ...rest } = live.current;
      live.current = draft === null ? rest : { ...rest, [key]: draft };
      setDrafts(live.current);
      if (Object.keys(live.current).length === 0) dropDraft(store);
      else saveDraft(store, live.current);
    },
    [store],
  );

  useEffect(() => {
    const saved = readDraft<Drafts>(store) ?? {};
    const opened = Object.entries(saved).map(([k, d]) => [
      k,
      d.state === 'sending' ? { ...d, state: 'unsent' as const } : d,
    ]);
    live.current = Object.fromEntries(opened) as Drafts;
    setDrafts(live.current);
    setKept({});
    // What was on its way when the page went away goes again at once.
    const first = setTimeout(() => again.current(), 0);
    return () => clearTimeout(first);
  }, [store]);

  const versionOf = (key: string): number => {
    const reading = job.readings.readings.find((r) => r.round === round && r.key === key);
    const own = kept[key];
    if (isGone(own, reading?.version)) return 0;
    return Math.max(reading?.version ?? 0, own?.version ?? 0);
  };

  /** The unit a bare number counts in at a place, as its field shows it now. */
  const unitAt = (quantity: Station['quantity']): LengthUnit => unitOf(quantity, displayUnit, units);

  const type = (key: string, text: string, by: GivenBy = {}) => {
    const now = live.current[key];
    const sent = now ? sentFrom(now) : [];
    const station = stations.find((s) => s.key === key);
    change(key, {
      text,
      ...(station && { unit: unitAt(station.quantity) }),
      base: now?.base ?? versionOf(key),
      state: 'typing',
      ...(sent.length > 0 && { sent }),
      ...by,
    });
  };

  const give = async (station: Station, draft: Draft) => {
    const { quantity, string, fret, key } = station;
    const unit = draft.unit ?? unitAt(quantity);
    const command = draft.command ?? crypto.randomUUID();
    const { text, base, sent, gauge, heard, sound, faults = 0, since = Date.now() } = draft;
    const by = { since, ...givenBy(draft) };
    change(key, { text, base, unit, command, state: 'sending', ...(sent !== undefined && { sent }), ...by });
    const input = {
      jobId: job.id,
      round,
      quantity,
      string,
      fret,
      typed: draft.text.trim(),
      unit,
      version: draft.base,
      ...(draft.since !== undefined && { ago: Math.max(0, Date.now() - since) }),
      ...(gauge !== undefined && { gaugeId: gauge }),
      ...(heard !== undefined && { heard }),
      ...(sound !== undefined && { sound }),
    };
    OWN.begin(command);
    const done = await send('readings.save', input, command);
    OWN.end(command, done.ok);
    const now = live.current[key];
    if (done.ok) {
      setKept((k) => ({ ...k, [key]: { typed: input.typed, unit, version: done.value.version } }));
      if (now?.text === draft.text) change(key, null);
      else if (now) {
        const { sent: _answered, ...rest } = now;
        change(key, { ...rest, base: done.value.version });
      }
      refreshSoon();
      return;
    }
    const { error } = done;
    const ours = now ? { sent: sentFrom(now) } : {};
    const rest = {
      text: now?.text ?? draft.text,
      // An earlier text may have been acknowledged meanwhile: what is typed since stands over that.
      base: Math.max(draft.base, now?.base ?? 0),
      message: error.message,
      unit,
      ...by,
      ...ours,
    };
    if (error.code === 'conflict' && sent?.includes(error.theirs.says)) {
      // The colleague is this tablet itself: its earlier text arrived, the answer did not. What is typed since stays.
      const base = error.theirs.version;
      if (now && now.text !== text) change(key, { ...now, base });
      else await give(station, { text, base, unit, state: 'typing', ...givenBy(draft) });
    } else if (error.code === 'conflict') change(key, { ...rest, state: 'conflict', theirs: error.theirs });
    else if (error.code === 'offline' || error.code === 'signed-out')
      change(key, { ...rest, ...(rest.text === text && { command }), state: 'unsent' });
    else if (error.code === 'fault' && faults + 1 < MOST_FAULTS)
      change(key, { ...rest, ...(rest.text === text && { command }), faults: faults + 1, state: 'unsent' });
    else
      change(key, {
        ...rest,
        state: 'wrong',
        message: error.code === 'invalid' ? (error.fields['typed'] ?? error.message) : error.message,
      });
  };

  /** rests in which somebody said that it is read all the same */
  const heeded = useRef(new Set<string>());

  /** The least step of the gauge in hand at a place, mm, where the shop knows it. */
  const stepOf = (key: string): number | undefined => {
    const quantity = stations.find((s) => s.key === key)?.quantity;
    const taken = job.readings.rounds.find((r) => r.kind === round)?.gauges;
    const id = live.current[key]?.gauge ?? (quantity && taken?.[quantity]);
    return job.readings.gauges.find((g) => g.id === id)?.resolution;
  };

  /** What a reading at a place is held against: the round's other places, and what stood there before. */
  const known = (key: string) => {
    const { readings, before } = job.readings;
    const here = readings.filter((r) => r.round === round && r.key !== key && r.notRepresentative === null);
    const earlier = readings.filter((r) => r.round !== round && r.stale === null && !r.notRepresentative);
    // What was kept a moment ago may not have come back with the page yet.
    const texts = [
      ...Object.entries(kept).map(([k, v]) => [k, v.typed, v.unit] as const),
      ...Object.entries(live.current).map(([k, d]) => [k, d.text, d.unit] as const),
    ];
    const typed = texts.flatMap(([k, text, unit]) => {
      const s = stations.find((x) => x.key === k);
      const read = s && k !== key ? readEntry(text, s.quantity, unit ?? unitAt(s.quantity)) : null;
      return read?.ok ? [[k, read.value.value] as const] : [];
    });
    return {
      construction: job.instrument.construction,
      round: new Map([...here.map((r) => [r.key, r.value] as const), ...typed]),
      before: new Map([...before, ...earlier].map((r) => [r.key, r.value])),
      aims: new Map(stations.flatMap((s) => (s.target ? [[s.key, s.target.aim] as const] : []))),
      settling: job.readings.settling.filter((s) => !heeded.current.has(`${s.title} ${s.until}`)),
      now: Date.now(),
      step: stepOf(key),
    };
  };

  /** Saves a station when what is typed can be read. Answers whether the tech may move on. */
  /** What stands at a place in the house, as it was typed. */
  const stands = (key: string): string => {
    const own = kept[key];
    const reading = job.readings.readings.find((r) => r.round === round && r.key === key);
    if (isGone(own, reading?.version)) return '';
    return own && own.version >= (reading?.version ?? 0) ? own.typed : (reading?.typed ?? '');
  };

  /** A field that was emptied: left, it says again what stands there; with Enter the reading is asked to be taken back. */
  const emptied = (station: Station, draft: Draft, by: 'enter' | 'leave'): boolean => {
    const stood = stands(station.key);
    if (by === 'enter' && stood !== '') {
      change(station.key, { ...draft, state: 'asked', question: takeBack(stood) });
      return false;
    }
    change(station.key, null);
    return true;
  };

  const commit = (station: Station, sure = false, by: 'enter' | 'leave' = 'enter'): boolean => {
    const draft = live.current[station.key];
    if (!draft || draft.state === 'sending') return true;
    if (draft.state === 'conflict' && !sure) return false;
    if (draft.state === 'asked' && !sure && by === 'leave') return false;
    if (draft.text.trim() === '') return emptied(station, draft, by);
    const read = readEntry(draft.text, station.quantity, draft.unit ?? unitAt(station.quantity), feelings);
    if (!read.ok) {
      change(station.key, { ...draft, state: 'wrong', message: read.error.message });
      return false;
    }
    const question = sure ? null : askAbout(read.value, station, known(station.key), draft.text);
    if (question !== null) {
      change(station.key, { ...draft, state: 'asked', question });
      return false;
    }
    void give(station, draft);
    return true;
  };

  /** Writes cells onto places, one after the other, and keeps what can be read. */
  const fill = (from: readonly Station[], cells: readonly string[]) => {
    from.slice(0, cells.length).forEach((station, i) => {
      const text = cells[i]?.trim() ?? '';
      if (text === '') return;
      type(station.key, text);
      commit(station);
    });
  };

  /** A reading is taken back: nothing stands at its place any more. */
  const remove = async (station: Station): Promise<void> => {
    const { quantity, string, fret, key } = station;
    const base = live.current[key]?.base ?? versionOf(key);
    const draft: Draft = { text: '', base, state: 'sending' };
    change(key, draft);
    const done = await send('readings.take-back', {
      jobId: job.id,
      round,
      quantity,
      string,
      fret,
      version: base,
    });
    if (done.ok) {
      setKept((k) => ({ ...k, [key]: { typed: '', unit: unitAt(quantity), version: 0, over: base } }));
      change(key, null);
    } else if (done.error.code === 'conflict') {
      change(key, { ...draft, state: 'conflict', message: done.error.message, theirs: done.error.theirs });
    } else change(key, { ...draft, state: 'wrong', message: done.error.message });
    refreshSoon();
  };

  /** The same was read once more: it is fresh again, though nothing in the field changed. */
  const sameAgain = (station: Station): void => {
    const text = stands(station.key);
    const reading = job.readings.readings.find((r) => r.round === round && r.key === station.key);
    if (text === '' || live.current[station.key]) return;
    const unit = unitAt(station.quantity);
    type(station.key, reading ? asTyped(text, reading.unit, unit, station.quantity) : text);
    commit(station, true);
  };

  const say = (station: Station, text: string) => {
    const asked = live.current[station.key];
    if (asked?.question?.code === 'take-back') return void remove(station);
    // Whoever reads all the same is asked once for each rest, not at every place.
    if (asked?.question?.code === 'too-soon')
      for (const { title, until } of job.readings.settling) heeded.current.add(`${title} ${until}`);
    change(station.key, {
      text,
      unit: asked?.unit ?? unitAt(station.quantity),
      base: asked?.base ?? versionOf(station.key),
      state: 'typing',
      ...(asked?.text === text && givenBy(asked)),
    });
    commit(station, true);
  };

  const takeTheirs = (key: string) => {
    change(key, null);
    refreshSoon();
  };

  const keepMine = (station: Station) => {
    const draft = live.current[station.key];
    if (!draft?.theirs) return;
    const { theirs, text, unit } = draft;
    if (text === '') {
      change(station.key, { ...draft, base: theirs.version });
      return void remove(station);
    }
    const by = givenBy(draft);
    change(station.key, { text, base: theirs.version, state: 'typing', ...(unit && { unit }), ...by });
    commit(station, true);
  };

  useEffect(() => {
    again.current = () => {
      for (const station of stations) {
        const draft = live.current[station.key];
        if (draft?.state === 'unsent') void give(station, draft);
      }
    };
  });
  const waiting = Object.values(drafts).some((d) => d.state === 'unsent');
  useEffect(() => {
    if (!waiting) return;
    const timer = setInterval(() => again.current(), RETRY_MS);
    return () => clearInterval(timer);
  }, [waiting]);

  return { stations, drafts, kept, type, commit, fill, say, sameAgain, takeTheirs, keepMine };
}

export type ReadingsState = ReturnType<typeof useReadings>;
