'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useRef, useState } from 'react';
import { Ear } from 'lucide-react';
import type { ClearanceMap } from '../../core/clearance/clearance.ts';
import { stringName } from '../../core/instrument/construction.ts';
import { sayWhatWasHeard } from '../../core/whatif/heard.ts';
import type { FittedHand } from '../../core/whatif/pluck-reach.ts';
import { useSend } from '../data/use-send.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import type { Note } from '../ear/places-panel.tsx';

const WHOLE = /^\d{1,2}$/;

/** Playing every place, and its map, come with what they need when they are asked for. */
const PlacesPanel = lazyPart(() => import('../ear/places-panel.tsx').then((m) => m.PlacesPanel));
const HeardMap = lazyPart(() => import('./heard-map.tsx').then((m) => m.HeardMap));

type Job = LeafProps<'plan'>['job'];
type Heard = Job['plan']['heard'][number];

const placeOf = (job: Job, h: Pick<Heard, 'string' | 'held'>): string =>
  `string ${stringName(job.instrument.construction, h.string)} ${h.held === 0 ? 'open' : `at ${h.held}`}`;

const USUAL_PITCH = 440;

/** Writes down what the ear hears, place by place; a place played again replaces what it wrote itself. */
function useNoting(job: Job) {
  const { give, trouble } = useSend();
  const written = useRef(new Map<string, Heard['heard']>());
  const write = (n: Note) => {
    const key = `${n.string}:${n.held}`;
    const there = job.plan.heard.find((h) => h.string === n.string && h.held === n.held);
    const stood = there?.heard ?? null;
    const was = written.current.get(key) ?? stood;
    written.current.set(key, n.heard);
    if (was === n.heard && stood === n.heard && there?.amount === n.amount) return;
    // What the house refused does not stand there: the next pluck goes by what the screen shows.
    void give('plan.hear', { jobId: job.id, ...n, was }).then((kept) => {
      if (kept === null) written.current.delete(key);
    });
  };
  return { write, trouble };
}

/** Where it was played, and what was heard there: two taps. */
function Hearing({ job, onPlay }: { readonly job: Job; readonly onPlay: () => void }) {
  const c = job.instrument.construction;
  const { give, busy, trouble } = useSend();
  const [string, setString] = useState(String(c.strings.length));
  const [held, setHeld] = useState('');
  const at = { string: Number(string), held: Number(held) };
  const was = job.plan.heard.find((h) => h.string === at.string && h.held === at.held)?.heard ?? null;
  const fine = WHOLE.test(held.trim());
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const hear = async (heard: 'clear' | 'buzzes') => {
    if (await give('plan.hear', { jobId: job.id, ...at, heard, was })) setHeld('');
  };
  const strings = c.strings.map((s, i) => {
    const n = c.strings.length - i;
    return { value: String(n), name: `${stringName(c, n)} ${s.note}` };
  });
  return (
    <div className="mt-1 flex flex-wrap items-end gap-2">
      <FormField label="String" className="w-36" error={fields['string']}>
        {(w) => <ListChoice {...w} value={string} items={strings} onChange={setString} />}
      </FormField>
      <TextField
        label="Held at (0 open)"
        error={fields['held']}
        className="w-32"
        inputMode="numeric"
        value={held}
        onChange={setHeld}
      />
      <button type="button" className="button" disabled={!fine || busy} onClick={() => void hear('clear')}>
        Clear
      </button>
      <button type="button" className="button" disabled={!fine || busy} onClick={() => void hear('buzzes')}>
        Buzzes
      </button>
      <button type="button" className="button" onClick={onPlay}>
        <Ear aria-hidden size={18} /> Play every place
      </button>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </div>
  );
}

/** What was heard so far, each with the way back. */
function HeardList({ job, may }: { readonly job: Job; readonly may: boolean }) {
  const { give, busy } = useSend();
  const back = (h: Heard) =>
    give('plan.hear', { jobId: job.id, string: h.string, held: h.held, heard: null, was: h.heard });
  return (
    <ul aria-label="Places heard" className="mt-1 flex flex-wrap gap-2 text-sm">
      {job.plan.heard.map((h) => (
        <li key={`${h.string}:${h.held}`} className="flex items-center border border-line px-2">
          {placeOf(job, h)}: {sayWhatWasHeard(h)}
          {may && (
            <button
              type="button"
              className="ml-2 min-h-11 underline"
              aria-label={`Take back ${placeOf(job, h)}`}
              disabled={busy}
              onClick={() => void back(h)}
            >
              take back
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

interface Props {
  readonly job: Job;
  readonly may: boolean;
  /** the clearance as it was read, for the hand that explains most of what was heard */
  readonly asRead: readonly ClearanceMap[];
}

/** Everything that was heard: beside the readings, and place by place. */
function Marks({ job, may, asRead }: Props) {
  const { heard } = job.plan;
  return (
    <>
      <Suspense fallback={null}>
        <HeardMap construction={job.instrument.construction} heard={heard} maps={asRead} />
      </Suspense>
      <details>
        <summary className="inline-flex min-h-11 cursor-pointer items-center text-sm underline">
          {heard.length} place{heard.length === 1 ? '' : 's'} heard, one by one
        </summary>
        <HeardList job={job} may={may} />
      </details>
    </>
  );
}

/** What was heard where this player played, and the hand it fits. */
export function HeardPanel({
  job,
  may,
  usual,
  fitted,
  asRead,
}: Props & {
  /** the usual pluck of the touch, N */
  readonly usual: number;
  readonly fitted: FittedHand | null;
}) {
  const [playing, setPlaying] = useState(false);
  const c = job.instrument.construction;
  const round = job.readings.rounds.at(-1);
  const note = useNoting(job);
  return (
    <section aria-label="Played and heard" className="border-y border-line py-2">
      <p className="text-sm">
        <b>Played and heard.</b>{' '}
        {fitted === null
          ? 'Play a few places as this player does and say what is heard: the clearance is then for this hand.'
          : fitted.agrees
            ? `This hand plucks with about ${fitted.force.toFixed(1)} N (the touch alone would say ${usual.toFixed(1)}).`
            : '◆ No single hand explains what was heard: a fret stands high, or something is loose.'}
      </p>
      {may && <Hearing job={job} onPlay={() => setPlaying(true)} />}
      {playing && (
        <Suspense fallback={null}>
          <PlacesPanel
            construction={c}
            tuning={round?.tuning ?? ''}
            pitch={round?.pitch ?? USUAL_PITCH}
            firstString={job.readings.habits.firstString}
            onNote={note.write}
            onClose={() => setPlaying(false)}
          />
          <Trouble trouble={note.trouble} />
        </Suspense>
      )}
      {job.plan.heard.length > 0 && <Marks job={job} may={may} asRead={asRead} />}
    </section>
  );
}
