'use client';

import { useEffect, useRef, useState } from 'react';
import type { Answer } from '../../core/inspection/checklist.ts';
import { useSend } from '../data/use-send.ts';
import { nextVersion, standing, type Sent } from './answer-versions.ts';

/** What an item says: its answer, its note, and the version both stand in. */
interface Said {
  readonly key: string;
  readonly answer: Answer | null;
  readonly note: string;
  readonly finding: string | null;
  readonly version: number;
}

/** An answer given here, with what stood there before: the way back. */
interface Given {
  readonly at: number;
  readonly key: string;
  readonly answer: Answer | null;
  readonly note: string;
  readonly finding: string | null;
}

/**
 * Gives the answers of one checklist and takes them back. What follows on an item waits for what is on its way there,
 * so that the quickest hand neither loses a key nor meets itself.
 */
export function useAnswers(jobId: number, items: readonly Said[]) {
  const { give, trouble } = useSend();
  const [given, setGiven] = useState<readonly Given[]>([]);
  const [troubleAt, setTroubleAt] = useState<string | null>(null);
  const shown = useRef(items);
  useEffect(() => {
    shown.current = items;
  });
  const underWay = useRef(new Map<string, Promise<boolean>>());
  // What was said here by item. A screen that is loaded in between may show less than what was acknowledged since.
  const since = useRef(new Map<string, Sent>());
  const item = (key: string) => shown.current.find((i) => i.key === key);
  const now = (key: string) => standing(since.current.get(key), item(key));

  const put = ({ key, answer, note, finding }: Omit<Given, 'at'>): Promise<boolean> => {
    const before = underWay.current.get(key) ?? Promise.resolve(true);
    const known = since.current.get(key);
    const sent: Sent = { answer, note, finding, version: null };
    since.current.set(key, sent);
    const done = before.then(async () => {
      const seen = item(key)?.version ?? 0;
      const version = nextVersion(seen, known);
      const found = finding === null ? {} : { finding };
      const got = await give('inspection.answer', { jobId, item: key, answer, note, ...found, version });
      sent.version = got && !('queued' in got) ? got.version : seen;
      setTroubleAt(got ? null : key);
      if (!got && since.current.get(key) === sent) since.current.delete(key);
      return got !== null;
    });
    underWay.current.set(key, done);
    return done;
  };

  /** @returns whether it is kept; `at` is where the hand was, to come back to */
  const answer = async (
    at: number,
    key: string,
    said: { readonly answer: Answer; readonly note: string; readonly finding: string | null },
  ): Promise<boolean> => {
    const was = now(key);
    if (!was) return false;
    const mine: Given = { at, key, answer: was.answer, note: was.note, finding: was.finding };
    setGiven((g) => [...g, mine]);
    const kept = await put({ key, ...said });
    if (!kept) setGiven((g) => g.filter((x) => x !== mine));
    return kept;
  };

  /** @returns where the hand was when it gave the answer now taken back, to go there at once; null where nothing was */
  const undo = (): number | null => {
    const last = given.at(-1);
    if (!last) return null;
    setGiven((g) => g.filter((x) => x !== last));
    void put(last).then((kept) => kept || setGiven((g) => [...g, last]));
    return last.at;
  };
  return { answer, undo, canUndo: given.length > 0, trouble, troubleAt };
}
