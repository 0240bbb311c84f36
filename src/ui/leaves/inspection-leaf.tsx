'use client';

import { useEffect, useRef, useState } from 'react';
import { ANSWER_FACTS, ANSWERS, type Answer } from '../../core/inspection/checklist.ts';
import { sayMoment } from '../dates.ts';
import { dropDraft, readDraft, saveDraft } from '../draft.ts';
import { Trouble } from '../trouble.tsx';
import { useSend } from '../use-send.ts';
import type { LeafProps } from './leaf-props.ts';

type Item = LeafProps['job']['inspection']['items'][number];

const TONE: Readonly<Record<Answer, string>> = { fine: '●', watch: '◐', work: '▲', na: '–' };

function AnswerMark({ item }: { readonly item: Item }) {
  if (item.answer === null) return <span className="text-quiet">○ open</span>;
  return (
    <span className={item.answer === 'work' ? 'text-rubric' : 'text-ink'}>
      {TONE[item.answer]} {item.answerName.toLowerCase()}
    </span>
  );
}

function List({
  items,
  current,
  onChoose,
}: {
  readonly items: readonly Item[];
  readonly current: number;
  readonly onChoose: (i: number) => void;
}) {
  return (
    <ol className="columns-2 gap-6 max-md:columns-1" aria-label="All items">
      {items.map((item, i) => (
        <li key={item.key} className="break-inside-avoid">
          {(i === 0 || items[i - 1]?.group !== item.group) && (
            <p className="pt-2 font-serif font-semibold">
              {item.group}
              {item.phase === 'strings-off' &&
                items[i - 1]?.phase === 'strings-on' &&
                ' · strings off from here'}
            </p>
          )}
          <button
            type="button"
            aria-current={i === current ? 'step' : undefined}
            onClick={() => onChoose(i)}
            className={`flex min-h-8 w-full cursor-pointer items-center justify-between gap-2 px-2 text-left text-sm ${i === current ? 'bg-plain text-paper [&_span]:text-paper' : 'hover:bg-shade'}`}
          >
            <span className="truncate">{item.title}</span>
            <span className="shrink-0">
              <AnswerMark item={item} />
            </span>
          </button>
        </li>
      ))}
    </ol>
  );
}

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.matches('input, textarea, select');

/** The checklist: one item large, one key or tap an answer, the next item by itself. */
export function InspectionLeaf({ job, allowed }: LeafProps) {
  const { items, finishedAt, finishedBy, version } = job.inspection;
  const { give, trouble } = useSend();
  const firstOpen = items.findIndex((i) => i.answer === null);
  const [at, setAt] = useState(Math.max(0, firstOpen));
  const item = items[at];
  const open = items.filter((i) => i.answer === null).length;
  const may = allowed.inspect && finishedAt === null;
  const draftKey = `note:${job.id}:${item?.key ?? ''}`;
  const [note, setNote] = useState('');
  const waiting = useRef(new Set<string>());
  useEffect(() => setNote(readDraft<string>(draftKey) ?? item?.note ?? ''), [draftKey, item?.note]);

  const answer = async (given: Answer) => {
    if (!item || !may || waiting.current.has(item.key)) return;
    waiting.current.add(item.key);
    const next = items.findIndex((i, n) => n > at && i.answer === null);
    setAt(next >= 0 ? next : Math.min(at + 1, items.length - 1));
    const done = await give('inspection.answer', {
      jobId: job.id,
      item: item.key,
      answer: given,
      note,
      version: item.version,
    });
    waiting.current.delete(item.key);
    if (done) dropDraft(draftKey);
    else setAt(at);
  };
  const latest = useRef(answer);
  useEffect(() => {
    latest.current = answer;
  });
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (typing(e.target) || e.ctrlKey || e.metaKey || e.altKey) return;
      const given = ANSWERS.find((a) => ANSWER_FACTS[a].key === e.key.toLowerCase());
      if (given) {
        e.preventDefault();
        void latest.current(given);
      }
      if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
        e.preventDefault();
        setAt((n) => Math.min(items.length - 1, Math.max(0, n + (e.key === 'ArrowDown' ? 1 : -1))));
      }
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [items.length]);

  if (!item) return <p>This instrument is asked about nothing.</p>;
  return (
    <div className="grid gap-8 lg:grid-cols-[26rem_1fr]">
      <section aria-label="Item" className="space-y-3">
        <p className="text-sm text-quiet">
          {item.group} · {at + 1} of {items.length} · checklist version {job.inspection.checklistVersion}
        </p>
        <h2 className="text-2xl" aria-live="polite">
          {item.title}
        </h2>
        <p className="min-h-12">{item.help}</p>
        <div className="grid grid-cols-2 gap-2">
          {ANSWERS.map((a) => (
            <button
              key={a}
              type="button"
              className={`button min-h-14 ${item.answer === a ? 'button-main' : ''}`}
              aria-pressed={item.answer === a}
              disabled={!may}
              onClick={() => void answer(a)}
            >
              <span aria-hidden>{TONE[a]}</span> {ANSWER_FACTS[a].name}
              <kbd className="text-sm opacity-80">{ANSWER_FACTS[a].key.toUpperCase()}</kbd>
            </button>
          ))}
        </div>
        <label className="block">
          <span className="label">Note</span>
          <textarea
            className="field"
            rows={2}
            value={note}
            readOnly={!may}
            onChange={(e) => {
              setNote(e.target.value);
              saveDraft(draftKey, e.target.value);
            }}
          />
        </label>
        {item.by && (
          <p className="text-sm text-quiet">
            <AnswerMark item={item} /> by {item.by}
          </p>
        )}
        <Trouble trouble={trouble} />
        {finishedAt === null ? (
          <button
            type="button"
            className="button w-full"
            disabled={open > 0 || !may}
            onClick={() => void give('inspection.finish', { jobId: job.id, version })}
          >
            {open > 0 ? `${open} still open` : 'Finish the inspection'}
          </button>
        ) : (
          <p className="text-ink">
            Finished by {finishedBy}, {sayMoment(finishedAt)}
          </p>
        )}
      </section>
      <List items={items} current={at} onChoose={setAt} />
    </div>
  );
}
