'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useDeferredValue, useMemo, useState } from 'react';
import { Redo2, RotateCcw, Undo2, Volume2 } from 'lucide-react';
import { stationKey } from '../../core/readings/stations.ts';
import { playedWith, TOUCHES, type Touch } from '../../core/targets/target.ts';
import { spreadOf } from '../../core/whatif/buzz-chance.ts';
import { handFor, mapOfNeck } from '../../core/whatif/clearance-map.ts';
import { consequences, positionsOf } from '../../core/whatif/consequences.ts';
import { handHeard } from '../../core/whatif/heard.ts';
import { isStill, NO_MOVES } from '../../core/whatif/moves.ts';
import type { NeckModel } from '../../core/whatif/neck-model.ts';
import { useWords } from '../data/display-unit.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { TextField } from '../kit/text-field.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { handlesOf } from './handles.ts';
import type { TappedPlace } from './hear-place.tsx';
import { HeardPanel } from './heard-panel.tsx';
import { KeptTries } from './kept-tries.tsx';
import { MoveField } from './move-field.tsx';
import { planInputOf } from './plan-problem.ts';
import { StringsChoice } from './strings-choice.tsx';
import { TryDrawing } from './try-drawing.tsx';
import { sayEachString, sayLowest, sayMoves, sayTightest } from './try-says.ts';
import type { useTrying } from './trying.ts';
import { useWorker } from './use-worker.ts';
import { WorkerSays } from './worker-says.tsx';

interface Props extends Pick<LeafProps<'plan'>, 'job'> {
  readonly may: boolean;
  readonly model: NeckModel;
  readonly trying: ReturnType<typeof useTrying>;
}

/** Hearing comes with what it needs when it is asked for. */
const HearPlace = lazyPart(() => import('./hear-place.tsx').then((m) => m.HearPlace));

const FORCE = /^\d+(?:[.,]\d+)?$/;

/** Try it on the drawing: every handle, and everything that follows from it, before anything is cut. */
export function TryPanel({ job, may, model, trying }: Props) {
  const c = model.construction;
  const words = useWords();
  const [drawn, setDrawn] = useState(0);
  const played = playedWith(job.touch);
  const [touch, setTouch] = useState<Touch>(played);
  const [force, setForce] = useState('');
  const [sure, setSure] = useState(false);
  const [tapped, setTapped] = useState<TappedPlace | null>(null);
  const tap = (string: number, held: number) => setTapped((t) => ({ string, held, tap: (t?.tap ?? 0) + 1 }));
  const ratio = job.plan.settings.rodActionRatio;
  const { moves } = trying;
  // The drawing and its map follow at once; what takes longer follows when the hand rests.
  const settled = useDeferredValue(moves);
  const x = useMemo(() => positionsOf(c), [c]);
  const given = FORCE.test(force.trim()) ? Number(force.trim().replace(',', '.')) : undefined;
  const usual = useMemo(() => handFor(model, played).force, [model, played]);
  const fitted = useMemo(() => handHeard(job.plan.heard, usual), [job.plan.heard, usual]);
  // What was heard is of this player: another touch is somebody else's hand.
  const own = touch === played ? fitted?.force : undefined;
  const hand = useMemo(() => handFor(model, touch, given ?? own), [model, touch, given, own]);
  const now = useMemo(() => consequences(model, NO_MOVES, ratio, x), [model, ratio, x]);
  const tried = useMemo(() => consequences(model, moves, ratio, x), [model, moves, ratio, x]);
  const maps = useMemo(() => mapOfNeck(model, tried, hand, x), [model, tried, hand, x]);
  const asRead = useMemo(
    () => mapOfNeck(model, now, handFor(model, played, fitted?.force), x),
    [model, now, played, fitted, x],
  );
  const handles = useMemo(() => handlesOf(c, drawn), [c, drawn]);
  const question = useMemo(
    () =>
      sure
        ? {
            kind: 'chance' as const,
            model,
            moves: settled,
            hand,
            spread: spreadOf(planInputOf(job).readings),
            ratio,
          }
        : null,
    [sure, model, settled, hand, job, ratio],
  );
  const worker = useWorker<'chance'>(question);
  const { answer } = worker;
  const target = job.readings.stations.find(
    (s) => s.key === stationKey('action', c.strings.length - drawn, 12),
  )?.target;
  const says = useMemo(() => sayMoves(model, settled, ratio), [model, settled, ratio]);
  const lowest = useMemo(() => sayLowest(model, settled, hand, ratio), [model, settled, hand, ratio]);
  return (
    <section aria-label="Try it" className="space-y-2">
      <div className="flex flex-wrap items-end gap-2 text-sm">
        <button
          type="button"
          className="button"
          disabled={!trying.canUndo}
          onClick={trying.undo}
          aria-label="Undo"
        >
          <Undo2 aria-hidden size={18} />
        </button>
        <button
          type="button"
          className="button"
          disabled={!trying.canRedo}
          onClick={trying.redo}
          aria-label="Redo"
        >
          <Redo2 aria-hidden size={18} />
        </button>
        <button
          type="button"
          className="button"
          disabled={isStill(moves)}
          onClick={() => trying.set(NO_MOVES)}
        >
          <RotateCcw aria-hidden size={18} /> As read
        </button>
        <PillChoice quiet legend="Played with" value={touch} options={TOUCHES} onChange={setTouch} />
        <TextField
          label="or a pluck of, N"
          className="w-28"
          inputMode="decimal"
          placeholder={hand.force.toFixed(1)}
          value={force}
          onChange={setForce}
        />
        <button type="button" className="button" aria-pressed={sure} onClick={() => setSure(!sure)}>
          {sure ? 'Chances shown' : 'How sure is that?'}
        </button>
        <button
          type="button"
          className="button"
          aria-pressed={tapped !== null}
          onClick={() => setTapped(tapped === null ? { string: drawn, held: 0, tap: 0 } : null)}
        >
          <Volume2 aria-hidden size={18} /> Hear it
        </button>
        <span className="ml-auto self-center text-quiet">
          {model.assumed.length > 0 && `Not read, taken at its aim: ${model.assumed.join(', ')}.`}
        </span>
      </div>
      <TryDrawing
        model={model}
        now={now}
        tried={tried}
        maps={maps}
        chance={answer?.chance.chance ?? null}
        moves={moves}
        handles={handles}
        drawn={drawn}
        band={target ?? null}
        onDraw={setDrawn}
        onPlace={tapped === null ? null : tap}
        heard={tapped}
        onMove={(to, at) => trying.set(to, at)}
        onSettle={trying.settle}
      />
      {tapped && (
        <Suspense fallback={null}>
          <HearPlace
            model={model}
            now={now}
            tried={tried}
            moves={moves}
            hand={hand}
            tapped={tapped}
            onTap={tap}
          />
        </Suspense>
      )}
      {question && <WorkerSays of={worker} what="The chance of a buzz" />}
      <p aria-live="polite" className="border-y border-line py-1">
        <b>{words(sayTightest(model, maps))}.</b> {words(lowest)}
        {answer &&
          ` With what the gauges leave open, the chance that a played place buzzes is ${Math.round(answer.chance.anywhere * 100)} % (${answer.chance.draws} necks drawn).`}
      </p>
      <HeardPanel job={job} may={may} usual={usual} fitted={fitted} asRead={asRead} />
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
        {handles.map((h) => (
          <MoveField key={h.id} handle={h} moves={moves} onMove={(to, at) => trying.set(to, at)} />
        ))}
        <StringsChoice construction={c} moves={moves} onMove={(to) => trying.set(to)} />
      </div>
      {says.length > 0 && (
        <ul className="text-sm">
          {says.map((s) => (
            <li key={s}>{words(s)}</li>
          ))}
        </ul>
      )}
      <p className="text-sm text-quiet">
        On the plan view: <b>/</b> close, <b className="text-rubric">▼</b> buzzes, with the fret it meets,{' '}
        <b className="text-rubric">✕</b> lies on it; no mark is clear. Tap a string to draw it. Nothing tried
        here is a reading.
      </p>
      <details>
        <summary className="inline-flex min-h-11 cursor-pointer items-center underline">
          The clearance of each string, in words
        </summary>
        <dl className="grid grid-cols-[max-content_1fr] gap-x-4 text-sm">
          {sayEachString(model, maps, answer?.chance.chance ?? null).map(([name, how]) => (
            <div key={name} className="contents">
              <dt>{name}</dt>
              <dd>{words(how)}</dd>
            </div>
          ))}
        </dl>
      </details>
      <KeptTries job={job} may={may} model={model} moves={settled} hand={hand} onTry={trying.set} />
    </section>
  );
}
