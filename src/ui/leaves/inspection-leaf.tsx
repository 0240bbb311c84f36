'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useEffect, useRef, useState } from 'react';
import { stationsOfItem } from '../../core/inspection/item-stations.ts';
import { ANSWER_FACTS, ANSWERS, isLookedAt, type Answer } from '../../core/inspection/checklist.ts';
import { dropDraft, readDraft, saveDraft } from '../data/draft.ts';
import { setItem, useOthers } from '../data/present-people.ts';
import { FoundChoice } from '../inspection/found-choice.tsx';
import { InspectionEnd, InspectionList } from '../inspection/inspection-end.tsx';
import { ItemReadings } from '../inspection/item-readings.tsx';
import { PhotoStrip } from '../photos/photo-strip.tsx';
import { useQueue, type Queued } from '../data/command-queue.ts';
import { sheetStations } from '../../core/job/views/sheet-stations.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { StringsPanel } from '../work/strings-panel.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useAnswers } from '../inspection/use-answers.ts';
import { isTyping } from '../kit/use-slash.ts';
import type { LeafProps } from '../job/leaf-props.ts';

const CareOfJob = lazyPart(() => import('../care/care-of-job.tsx').then((m) => m.CareOfJob));

type Item = LeafProps<'inspection'>['job']['inspection']['items'][number] & { readonly unsent?: boolean };

/** The items as they stand once what was answered without a connection has arrived. */
function withUnsent(job: LeafProps<'inspection'>['job'], queue: readonly Queued[]): readonly Item[] {
  const answers = queue.filter((q) => q.name === 'inspection.answer' && q.state === 'waiting');
  if (answers.length === 0) return job.inspection.items;
  return job.inspection.items.map((item) => {
    const mine = answers.findLast((q) => q.thing === `item:${job.id}:${item.key}`);
    if (!mine) return item;
    const answer = (mine.input['answer'] ?? null) as Answer | null;
    return {
      ...item,
      answer,
      answerName: answer === null ? '' : ANSWER_FACTS[answer].name,
      note: String(mine.input['note'] ?? ''),
      finding: typeof mine.input['finding'] === 'string' ? mine.input['finding'] : null,
      bySheet: false,
      unsent: true,
    };
  });
}

const TONE: Readonly<Record<Answer, string>> = { fine: '●', watch: '◐', work: '▲', na: '–', skipped: '▷' };
const FOUR = ANSWERS.filter((a) => a !== 'skipped');

const SHOWS = { all: 'all', open: 'open, skipped', work: 'watch and work' } as const;
type Show = keyof typeof SHOWS;

const isShown = (item: Item, show: Show): boolean =>
  show === 'all' ||
  (show === 'open' ? !isLookedAt(item.answer) : item.answer === 'watch' || item.answer === 'work');

function AnswerMark({ item }: { readonly item: Item }) {
  if (item.answer === null) return <span className="text-quiet">○ open</span>;
  return (
    <span className={item.answer === 'work' ? 'text-rubric' : 'text-ink'}>
      {TONE[item.answer]} {item.answerName.toLowerCase()}
      {item.bySheet && ', as read'}
      {item.unsent && ' · unsent'}
    </span>
  );
}

function List({
  items,
  current,
  show,
  others,
  onChoose,
}: {
  readonly items: readonly Item[];
  readonly current: number;
  readonly show: Show;
  readonly others: ReturnType<typeof useOthers>;
  readonly onChoose: (i: number) => void;
}) {
  const shown = items.map((item, i) => ({ item, i })).filter((s) => isShown(s.item, show));
  if (shown.length === 0) return <p className="py-4">Nothing here: choose “all” to see the whole list.</p>;
  return (
    <ol className="columns-2 gap-6 max-md:columns-1" aria-label="All items">
      {shown.map(({ item, i }, n) => (
        <li key={item.key} className="break-inside-avoid">
          {shown[n - 1]?.item.group !== item.group && (
            <p className="pt-2 font-serif font-semibold">
              {item.group}
              {item.phase === 'strings-off' &&
                shown[n - 1]?.item.phase !== 'strings-off' &&
                ' · strings off from here'}
            </p>
          )}
          <button
            type="button"
            aria-current={i === current ? 'step' : undefined}
            onClick={() => onChoose(i)}
            className={`flex min-h-7 w-full cursor-pointer items-center justify-between gap-2 px-2 text-left text-sm ${i === current ? 'bg-plain text-paper [&_span]:text-paper' : 'hover:bg-shade'}`}
          >
            <span className="truncate">{item.title}</span>
            <span className="shrink-0">
              {others
                .filter((o) => o.item === item.key)
                .map((o) => (
                  <span
                    key={o.name}
                    className="mr-2 border border-dashed border-ink px-1 text-ink"
                    title={`${o.name} is here`}
                  >
                    {o.initials}
                    <span className="sr-only"> is here</span>
                  </span>
                ))}
              <AnswerMark item={item} />
            </span>
          </button>
        </li>
      ))}
    </ol>
  );
}

/** The checklist: one item large, one key or tap an answer, the next item by itself. */
export function InspectionLeaf({ job, allowed }: LeafProps<'inspection'>) {
  const { finishedAt } = job.inspection;
  const items = withUnsent(job, useQueue());
  const answers = useAnswers(job.id, items);
  const firstOpen = items.findIndex((i) => i.answer === null);
  const [at, setAt] = useState(Math.max(0, firstOpen));
  const item = items[at];
  const open = items.filter((i) => i.answer === null).length;
  const places = sheetStations(job, 'as-found');
  const stations = item?.reading ? stationsOfItem(places, { key: item.key, reading: item.reading }) : [];
  const may = allowed.inspect && finishedAt === null;
  const draftKey = `note:${job.id}:${item?.key ?? ''}`;
  const [note, setNote] = useState('');
  const [show, setShow] = useState<Show>('all');
  const others = useOthers();
  useEffect(() => {
    setItem(item?.key ?? '');
    return () => setItem('');
  }, [item?.key]);
  useEffect(() => setNote(readDraft<string>(draftKey) ?? item?.note ?? ''), [draftKey, item?.note]);

  const answer = async (chosen: Answer, finding: string | null = null) => {
    if (!item || !may) return;
    const following = items.findIndex((i, n) => n > at && i.answer === null);
    const next = following >= 0 ? following : Math.min(at + 1, items.length - 1);
    setAt(next);
    if (await answers.answer(at, item.key, { answer: chosen, note, finding })) dropDraft(draftKey);
    // A hand that has gone on meanwhile is at another item: the next key is meant for that one.
    else setAt((now) => (now === next ? at : now));
  };
  const undo = () => {
    const back = may ? answers.undo() : null;
    if (back !== null) setAt(back);
  };
  const findings = item?.findings ?? [];
  const latest = useRef({ answer, undo, findings });
  useEffect(() => {
    latest.current = { answer, undo, findings };
  });
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (isTyping(e.target) || e.ctrlKey || e.metaKey || e.altKey) return;
      const chosen = ANSWERS.find((a) => ANSWER_FACTS[a].key === e.key.toLowerCase());
      if (chosen) {
        e.preventDefault();
        void latest.current.answer(chosen);
      }
      const found = latest.current.findings[Number(e.key) - 1];
      if (found) {
        e.preventDefault();
        void latest.current.answer('work', found.id);
      }
      if (e.key.toLowerCase() === 'u') {
        e.preventDefault();
        latest.current.undo();
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
        <InspectionList job={job} may={may} />
        <p className="text-sm text-quiet">
          {item.group} · {at + 1} of {items.length} · checklist version {job.inspection.checklistVersion}
        </p>
        <h2 className="text-2xl" aria-live="polite">
          {item.title}
        </h2>
        <div className="min-h-16">
          <p>{item.help}</p>
          {item.fine && <p className="text-sm text-quiet">Fine: {item.fine}.</p>}
          {item.leadsTo && <p className="text-sm text-quiet">Needs work usually leads to: {item.leadsTo}.</p>}
          {item.caution && (
            <p className="text-sm">
              <b>Careful.</b> {item.caution}
            </p>
          )}
        </div>
        {item.cared && (
          <Suspense>
            <CareOfJob number={job.number} at="items" id={item.key} />
          </Suspense>
        )}
        {stations.length > 0 && (
          <ItemReadings
            key={item.key}
            job={job}
            round="as-found"
            stations={stations}
            columns={stations.length > 4 ? 3 : 2}
            editable={allowed.measure}
          />
        )}
        <div className="grid grid-cols-2 gap-2">
          {FOUR.map((a) => (
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
        <FoundChoice item={item} may={may} onFound={(id) => void answer('work', id)} />
        <div className="flex gap-2">
          <button type="button" className="button" disabled={!may} onClick={() => void answer('skipped')}>
            <span aria-hidden>{TONE.skipped}</span> Skip
            <kbd className="text-sm opacity-80">S</kbd>
          </button>
          <button type="button" className="button" disabled={!may || !answers.canUndo} onClick={undo}>
            Undo
            <kbd className="text-sm opacity-80">U</kbd>
          </button>
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
        <PhotoStrip
          key={`photos ${item.key}`}
          job={job}
          target={{ item: item.key }}
          about={item.title}
          may={may}
        />
        {item.by && (
          <p className="text-sm text-quiet">
            <AnswerMark item={item} /> by {item.by}
          </p>
        )}
        <Trouble
          trouble={answers.trouble}
          about={items.find((i) => i.key === answers.troubleAt && i.key !== item.key)?.title}
        />
        <StringsPanel job={job} may={allowed.work} />
        <InspectionEnd job={job} may={may} />
      </section>
      <div>
        <div className="mb-1 flex items-center justify-between gap-4">
          <p className="flex items-center gap-3 text-sm text-quiet">
            <progress aria-label="Answered" className="w-28" max={items.length} value={items.length - open} />
            {items.length - open} of {items.length} answered
          </p>
          <PillChoice quiet legend="Show" value={show} options={SHOWS} onChange={setShow} />
        </div>
        <List items={items} current={at} show={show} others={others} onChoose={setAt} />
      </div>
    </div>
  );
}
