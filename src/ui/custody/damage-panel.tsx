'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useRef, useState } from 'react';
import { VIEW_NAMES, VIEWS, type View } from '../../core/instrument/outline.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { dropDraft, readDraft, saveDraft } from '../data/draft.ts';
import { PhotoStrip } from '../photos/photo-strip.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';
import { InstrumentDrawing } from './instrument-drawing.tsx';
import { Marking } from './marking.tsx';

type Mark = LeafJob['marks'][number];

function MarkRow({
  job,
  mark,
  fresh,
}: {
  readonly job: LeafJob;
  readonly mark: Mark;
  readonly fresh: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const draftKey = `mark:${mark.id}`;
  const [words, setWords] = useState(() => readDraft<string>(draftKey) ?? mark.words);
  const sent = useRef<string | null>(null);
  const keep = async (removed: boolean) => {
    const { id: markId, version } = mark;
    const said = words.trim();
    const once = `${version} ${said}`;
    // Enter and the blur after it say the same: the second would meet the first as a stranger's.
    if (!removed && (said === mark.words || once === sent.current)) return;
    sent.current = once;
    if (await give('custody.change-mark', { markId, version, words: said, removed })) dropDraft(draftKey);
    else sent.current = null;
  };
  return (
    <li className="space-y-2 border-t border-line pt-2">
      <div className="flex items-center gap-2">
        <span aria-hidden className="w-6 text-right font-serif text-xl text-ink">
          {mark.number}
        </span>
        <input
          className="field"
          aria-label={`What mark ${mark.number} shows`}
          placeholder="ding, crack, chip, scratch …"
          maxLength={400}
          // The words are what one comes to write when a mark was just put.
          autoFocus={fresh}
          value={words}
          onChange={(e) => {
            setWords(e.target.value);
            saveDraft(draftKey, e.target.value);
          }}
          onBlur={() => void keep(false)}
          onKeyDown={(e) => e.key === 'Enter' && void keep(false)}
        />
        <button type="button" className="button shrink-0" disabled={busy} onClick={() => void keep(true)}>
          Take away
          <span className="sr-only"> mark {mark.number}</span>
        </button>
      </div>
      <PhotoStrip job={job} target={{ markId: mark.id }} about={`mark ${mark.number}`} may />
      <Trouble trouble={trouble} />
    </li>
  );
}

function Marks({
  job,
  view,
  onView,
  onClose,
}: {
  readonly job: LeafJob;
  readonly view: View;
  readonly onView: (v: View) => void;
  readonly onClose: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const [fresh, setFresh] = useState(0);
  const here = job.marks.filter((m) => m.view === view);
  const put = async (x: number, y: number) => {
    const done = await give('custody.mark', { jobId: job.id, view, x, y, words: '' });
    if (done) setFresh(done.markId);
  };
  const views = Object.fromEntries(
    VIEWS.map((v) => [v, `${VIEW_NAMES[v]} ${job.marks.filter((m) => m.view === v).length || ''}`.trim()]),
  ) as Record<View, string>;
  return (
    <DialogPanel className="flex h-[94vh] w-full max-w-5xl flex-col gap-3 border border-plain bg-paper p-5">
      <div className="flex items-center justify-between gap-4">
        <DialogTitle className="text-xl">Damage already there</DialogTitle>
        <button type="button" className="button button-main" onClick={onClose}>
          Done
        </button>
      </div>
      <PillChoice legend="Side" quiet value={view} options={views} onChange={onView} />
      <div className="grid min-h-0 flex-1 gap-6 md:grid-cols-2">
        <div className="min-h-60">
          <Marking
            construction={job.instrument.construction}
            view={view}
            marks={job.marks}
            busy={busy}
            onMark={(x, y) => void put(x, y)}
          />
        </div>
        <div className="min-h-0 space-y-2 overflow-y-auto pr-1">
          <p className="text-sm text-quiet">Tap the drawing where the damage is, then write what it is.</p>
          <Trouble trouble={trouble} />
          <ul className="space-y-3">
            {here.map((m) => (
              <MarkRow key={m.id} job={job} mark={m} fresh={m.id === fresh} />
            ))}
          </ul>
        </div>
      </div>
    </DialogPanel>
  );
}

const SMALL: Readonly<Record<View, string>> = {
  front: 'col-span-2 h-44',
  back: 'col-span-2 h-44',
  head: 'col-span-2 h-44',
  'bass-side': 'col-span-3 h-16',
  'treble-side': 'col-span-3 h-16',
};
const SMALL_ORDER: readonly View[] = ['front', 'back', 'head', 'bass-side', 'treble-side'];

/** The damage an instrument came with: pins on its drawings, words and photos; opens large to mark more. */
export function DamagePanel({ job, may }: { readonly job: LeafJob; readonly may: boolean }) {
  const [view, setView] = useState<View | null>(null);
  return (
    <section aria-labelledby="damage" className="space-y-3">
      <h2 id="damage" className="text-xl">
        Damage already there
      </h2>
      <div className="grid grid-cols-6 gap-2">
        {SMALL_ORDER.map((v) => (
          <div key={v} className={`${SMALL[v]} relative border border-line`}>
            <InstrumentDrawing
              construction={job.instrument.construction}
              view={v}
              marks={job.marks}
              pin={v === 'head' || v.endsWith('side') ? 6 : 10}
            />
            {may && (
              <button
                type="button"
                aria-label={`Mark damage: ${VIEW_NAMES[v].toLowerCase()}`}
                className="absolute inset-0 cursor-pointer border border-transparent hover:border-plain"
                onClick={() => setView(v)}
              />
            )}
          </div>
        ))}
      </div>
      {job.marks.length === 0 ? (
        <p className="text-sm text-quiet">{may ? 'None marked. Tap a side to mark some.' : 'None marked.'}</p>
      ) : (
        <ol className="text-sm">
          {job.marks.map((m) => (
            <li key={m.id}>
              <b className="text-ink">{m.number}</b> {VIEW_NAMES[m.view]}:{' '}
              <span className="text-ink">{m.words || 'no words yet'}</span>{' '}
              <PhotosOf job={job} markId={m.id} />
            </li>
          ))}
        </ol>
      )}
      <div>
        <h3 className="font-serif">Photos of the whole</h3>
        <PhotoStrip job={job} target={{}} about="the instrument" may={may} />
      </div>
      <Dialog open={view !== null} onClose={() => setView(null)} className="relative z-40">
        <div className="fixed inset-0 flex items-center justify-center bg-plain/40 p-4">
          {view && <Marks job={job} view={view} onView={setView} onClose={() => setView(null)} />}
        </div>
      </Dialog>
    </section>
  );
}

/** A mark's photos, as small as they can be told apart. */
function PhotosOf({ job, markId }: { readonly job: LeafJob; readonly markId: number }) {
  const photos = job.photos.filter((p) => p.markId === markId);
  if (photos.length === 0) return null;
  return (
    <span className="flex flex-wrap gap-1 py-1">
      {photos.map((p, i) => (
        <a key={p.id} href={`/api/photo/${p.id}`} target="_blank" rel="noreferrer">
          <img
            src={`/api/photo/${p.id}?size=small`}
            alt={`Photo ${i + 1} of mark, by ${p.by}`}
            className="h-14 border border-line"
          />
        </a>
      ))}
    </span>
  );
}
