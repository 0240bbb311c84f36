'use client';

import { useEffect, useRef, useState } from 'react';
import { reportError } from '../data/report-error.ts';
import { workerClient, type WorkerLike, type WorkerState } from './ask-worker.ts';
import type { Answered, Asked } from '../../workers/plan-worker.ts';

type Question = Asked extends infer A ? (A extends { readonly id: number } ? Omit<A, 'id'> : never) : never;
type Kind = Asked['kind'];
type AnswerOf<K extends Kind> = Extract<Answered, { readonly kind: K }>;

const PATIENCE_MS = 20_000;

/**
 * Asks the worker beside the page, which takes its time without holding the drawing up.
 * @param question what to ask, or null for nothing; ask again by giving a new one
 * @returns how it stands, with a way to stop it and a way to ask the same once more
 */
export function useWorker<K extends Kind>(question: Extract<Question, { readonly kind: K }> | null) {
  const client = useRef<ReturnType<typeof workerClient<AnswerOf<K>>> | null>(null);
  const [state, setState] = useState<WorkerState<AnswerOf<K>>>({ kind: 'idle' });
  const [turn, setTurn] = useState(0);
  useEffect(() => {
    const make = () =>
      new Worker(new URL('../../workers/plan-worker.ts', import.meta.url), {
        type: 'module',
      }) as unknown as WorkerLike<AnswerOf<K>>;
    const tell = (s: WorkerState<AnswerOf<K>>) => {
      if (s.kind === 'failed' && s.why !== 'cancelled')
        reportError('the plan worker', new Error(s.why === 'time' ? 'it took too long' : s.detail));
      setState(s);
    };
    const own = workerClient(make, tell, PATIENCE_MS);
    client.current = own;
    return () => own.end();
  }, []);
  useEffect(() => {
    if (question === null) client.current?.nothing();
    else client.current?.ask(question);
  }, [question, turn]);
  return {
    state,
    answer: state.kind === 'answered' ? state.answer : null,
    cancel: () => client.current?.cancel(),
    again: () => setTurn((t) => t + 1),
  };
}
