'use client';

import { useEffect, useRef, useState } from 'react';
import type { Answered, Asked } from './plan-worker.ts';

type Question = Asked extends infer A ? (A extends { readonly id: number } ? Omit<A, 'id'> : never) : never;
type Kind = Asked['kind'];
type AnswerOf<K extends Kind> = Extract<Answered, { readonly kind: K }>;

/**
 * Asks the worker beside the page, which takes its time without holding the drawing up. The newest question counts; an
 * answer to an older one is let go.
 * @param question what to ask, or null for nothing; ask again by giving a new one
 */
export function useWorker<K extends Kind>(
  question: Extract<Question, { readonly kind: K }> | null,
): AnswerOf<K> | null {
  const worker = useRef<Worker | null>(null);
  const asked = useRef(0);
  const [answer, setAnswer] = useState<AnswerOf<K> | null>(null);
  useEffect(() => {
    const own = new Worker(new URL('./plan-worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    own.onmessage = (e: MessageEvent<AnswerOf<K>>) => {
      if (e.data.id === asked.current) setAnswer(e.data);
    };
    return () => {
      own.terminate();
      worker.current = null;
    };
  }, []);
  useEffect(() => {
    if (question === null) {
      asked.current++;
      setAnswer(null);
      return;
    }
    asked.current++;
    worker.current?.postMessage({ ...question, id: asked.current });
  }, [question]);
  return answer;
}
