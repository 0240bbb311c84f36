'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Theirs } from '../../contracts/failure.ts';
import { readEntry, type EntryQuestion } from '../../core/readings/entry.ts';
import type { RoundKind } from '../../core/readings/rounds.ts';
import { askAbout } from '../../core/readings/plausibility.ts';
import type { Station } from '../../core/readings/stations.ts';
import type { LeafJob } from '../leaves/leaf-props.ts';
import { dropDraft, readDraft, saveDraft } from '../draft.ts';
import { lookSoon } from '../look.ts';
import { send } from '../send.ts';
import type { LengthUnit } from '../../core/units/length-units.ts';
import { sheetStations } from './sheet-stations.ts';
import { unitOf, type Tongue } from './units.ts';

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
  /** when it was first given to the house: without a connection it arrives later */
  readonly at?: string;
  /** the gauge that gave it, where one spoke for itself */
  readonly gauge?: number;
  readonly theirs?: Theirs;
}

type Drafts = Readonly<Record<string, Draft>>;
type Kept = Readonly<Record<string, { readonly typed: string; readonly version: number }>>;

const RETRY_MS = 2500;

/** What went to the house from here over the same base: any of it may stand there, though its answer was lost. */
const sentFrom = (d: Draft): readonly string[] => {
  const before = d.sent ?? [];
  const underway = d.state === 'sending' || d.state === 'unsent';
  return underway && !before.includes(d.text) ? [...before, d.text] : before;
};

/** The readings of one round on the screen: drafts kept in this browser, saved one by one, conflicts shown. */
export function useReadings(job: LeafJob, round: RoundKind, tongue: Tongue) {
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
    return Math.max(reading?.version ?? 0, kept[key]?.version ?? 0);
  };

  const type = (key: string, text: string, gauge?: number) => {
    const now = live.current[key];
    const sent = now ? sentFrom(now) : [];
    change(key, {
      text,
      base: now?.base ?? versionOf(key),
      state: 'typing',
      ...(sent.length > 0 && { sent }),
      ...(gauge !== undefined && { gauge }),
    });
  };

  const give = async (station: Station, draft: Draft) => {
    const { quantity, string, fret, key } = station;
    const unit = draft.unit ?? unitOf(quantity, tongue, units);
    const command = draft.command ?? crypto.randomUUID();
    const { text, base, sent, gauge, at = new Date().toISOString() } = draft;
    const by = { at, ...(gauge !== undefined && { gauge }) };
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
      at,
      ...(gauge !== undefined && { gaugeId: gauge }),
    };
    const done = await send('readings.save', input, command);
    const now = live.current[key];
    if (done.ok) {
      setKept((k) => ({ ...k, [key]: { typed: input.typed, version: done.value.version } }));
      if (now?.text === draft.text) change(key, null);
      else if (now) {
        const { sent: _answered, ...rest } = now;
        change(key, { ...rest, base: done.value.version });
      }
      lookSoon();
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
      else await give(station, { text, base, unit, state: 'typing' });
    } else if (error.code === 'conflict') change(key, { ...rest, state: 'conflict', theirs: error.theirs });
    else if (error.code === 'offline' || error.code === 'signed-out')
      change(key, { ...rest, ...(rest.text === text && { command }), state: 'unsent' });
    else
      change(key, {
        ...rest,
        state: 'wrong',
        message: error.code === 'invalid' ? (error.fields['typed'] ?? error.message) : error.message,
      });
  };

  /** What a reading at a place is held against: the round's other places, and what stood there before. */
  const known = (key: string) => {
    const { readings, before } = job.readings;
    const here = readings.filter((r) => r.round === round && r.key !== key && r.notRepresentative === null);
    const earlier = readings.filter((r) => r.round !== round && r.stale === null && !r.notRepresentative);
    // What was kept a moment ago may not have come back with the page yet.
    const texts = [
      ...Object.entries(kept).map(([k, v]) => [k, v.typed] as const),
      ...Object.entries(live.current).map(([k, d]) => [k, d.text] as const),
    ];
    const typed = texts.flatMap(([k, text]) => {
      const s = stations.find((x) => x.key === k);
      const read = s && k !== key ? readEntry(text, s.quantity, unitOf(s.quantity, tongue, units)) : null;
      return read?.ok ? [[k, read.value.value] as const] : [];
    });
    return {
      construction: job.instrument.construction,
      round: new Map([...here.map((r) => [r.key, r.value] as const), ...typed]),
      before: new Map([...before, ...earlier].map((r) => [r.key, r.value])),
      aims: new Map(stations.flatMap((s) => (s.target ? [[s.key, s.target.aim] as const] : []))),
    };
  };

  /** Saves a station when what is typed can be read. Answers whether the tech may move on. */
  const commit = (station: Station, sure = false): boolean => {
    const draft = live.current[station.key];
    if (!draft || draft.state === 'sending') return true;
    if (draft.state === 'conflict' && !sure) return false;
    if (draft.text.trim() === '') {
      change(station.key, null);
      return true;
    }
    const read = readEntry(draft.text, station.quantity, unitOf(station.quantity, tongue, units), feelings);
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

  const say = (station: Station, text: string) => {
    change(station.key, {
      text,
      base: live.current[station.key]?.base ?? versionOf(station.key),
      state: 'typing',
    });
    commit(station, true);
  };

  const takeTheirs = (key: string) => {
    change(key, null);
    lookSoon();
  };

  const keepMine = (station: Station) => {
    const draft = live.current[station.key];
    if (!draft?.theirs) return;
    change(station.key, { text: draft.text, base: draft.theirs.version, state: 'typing' });
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

  return { stations, drafts, kept, type, commit, fill, say, takeTheirs, keepMine };
}

export type ReadingsState = ReturnType<typeof useReadings>;
