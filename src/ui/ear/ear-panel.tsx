'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useEffect, useRef, useState, type ReactNode, type RefObject } from 'react';
import { earPlan, type EarStep } from '../../core/ear/ear-plan.ts';
import { stepNow, stringOf, type EarResult, type EarRound } from '../../core/ear/ear-round.ts';
import { sayHeardSet } from '../../core/ear/heard-set.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import type { MethodOf } from '../../core/readings/methods.ts';
import type { RoundKind } from '../../core/readings/rounds.ts';
import { ACTION_FRET, stationKey } from '../../core/readings/stations.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { methodsOf } from '../../core/job/views/sheet-stations.ts';
import type { Playing } from '../neck-sheet/plan-view.tsx';
import type { ReadingsState } from '../neck-sheet/use-readings.ts';
import { Begin, type Wish } from './ear-begin.tsx';
import { Hearing, useWords } from './ear-hearing.tsx';
import { asText } from './as-text.ts';
import { TROUBLE } from './ear-trouble.ts';
import type { EarStands, HeardPlace } from './ear-session.ts';
import { useEar } from './use-ear.ts';

interface Props {
  readonly job: LeafJob;
  readonly round: RoundKind;
  readonly state: ReadingsState;
  /** what is drawn of the neck, to be seen over this */
  readonly sheet: RefObject<HTMLElement | null>;
  /** where the string is played that is heard now */
  readonly onPlaying: (at: Playing | null) => void;
  readonly onClose: () => void;
}

/** Knocking on the body comes with what it needs when it is asked for. */
const BodyPanel = lazyPart(() => import('./body-panel.tsx').then((m) => m.BodyPanel));

const USUAL_PITCH = 440;

/** How a place's plucks are written into its field: each of them, so that mean and spread are the field's own. */
const asRepeated = ({ cents }: EarResult): string =>
  cents.map((c) => `${c < 0 ? '-' : '+'}${Math.abs(c).toFixed(2)}`).join('; ');

/** Writes what was heard into its field; what somebody is writing there is theirs. */
function useFilling(state: ReadingsState, keep: boolean) {
  const [unfilled, setUnfilled] = useState<readonly string[]>([]);
  const fill = ({ result, sound }: HeardPlace) => {
    const key = stationKey('intonation', result.string, result.fret);
    const station = state.stations.find((s) => s.key === key);
    if (!station) return;
    if (state.drafts[key]) return setUnfilled((u) => [...u, station.label]);
    state.type(key, asRepeated(result), {
      heard: Math.round(1000 * result.doubt) / 1000,
      ...(keep && sound && { sound: asText(sound) }),
    });
    state.commit(station);
  };
  return { fill, unfilled, forget: () => setUnfilled([]) };
}

/** Where a step is played: a harmonic is touched over the fret that halves the string. */
const fretPlayed = (step: EarStep, method: MethodOf<'intonation'>): number =>
  step.kind === 'reference' && method === 'harmonic' ? ACTION_FRET : step.fret;

/** Brings the drawing over the panel while something is heard. */
function useShownOver(sheet: Props['sheet'], shows: boolean): RefObject<HTMLElement | null> {
  const own = useRef<HTMLElement>(null);
  useEffect(() => {
    if (!shows || !sheet.current) return;
    sheet.current.style.scrollMarginBottom = `${(own.current?.parentElement?.offsetHeight ?? 0) + 4}px`;
    sheet.current.scrollIntoView({ block: 'end' });
  }, [shows, sheet]);
  return own;
}

/** A round by ear, beside the sheet whose fields it fills. */
function StringsPanel({
  job,
  round,
  state,
  sheet,
  onPlaying,
  onClose,
  choice,
}: Props & { readonly choice: ReactNode }) {
  const [keep, setKeep] = useState(false);
  const filling = useFilling(state, keep);
  const ear = useEar({ onDone: filling.fill });
  const listening = ear.stands.kind === 'listening';
  useWords(listening, ear.say);
  const own = useShownOver(sheet, listening && ear.round !== null);
  const method = methodsOf(job, round).intonation;
  const step = listening && ear.round ? stepNow(ear.round) : null;
  const string = (ear.round && step && stringOf(ear.round.plan, step)?.number) ?? null;
  const fret = step ? fretPlayed(step, method) : 0;
  useEffect(() => {
    onPlaying(string === null ? null : { string, fret });
    return () => onPlaying(null);
  }, [string, fret, onPlaying]);
  const plan = (wish: Wish) => {
    filling.forget();
    const held = job.readings.rounds.find((r) => r.kind === round);
    return earPlan(job.instrument.construction, {
      ...wish,
      tuning: held?.tuning ?? '',
      pitch: held?.pitch ?? USUAL_PITCH,
      method,
      firstString: job.readings.habits.firstString,
    });
  };
  return (
    <section ref={own} aria-label="Listen" className="space-y-2 border-t-2 border-plain bg-paper py-2">
      {!listening && choice}
      <Hearing ear={ear} />
      {ear.round && <HeardSet construction={job.instrument.construction} round={ear.round} />}
      {!listening && (
        <>
          <Before stands={ear.stands} method={method} round={ear.round} />
          {filling.unfilled.length > 0 && (
            <p className="text-rubric">
              ◆ Not filled in, something is being written there: {filling.unfilled.join(', ')}.
            </p>
          )}
          <Begin
            ear={ear}
            construction={job.instrument.construction}
            keep={keep}
            plan={plan}
            onKeep={setKeep}
            onClose={onClose}
          />
        </>
      )}
    </section>
  );
}

const WHAT = { strings: 'The strings', body: 'The body' } as const;

/** Listens to the strings, whose fields it fills, or to knocks on the body. */
export function EarPanel(props: Props) {
  const [what, setWhat] = useState<keyof typeof WHAT>('strings');
  const choice = <PillChoice quiet legend="What is heard" value={what} options={WHAT} onChange={setWhat} />;
  if (what === 'strings') return <StringsPanel {...props} choice={choice} />;
  const { job, round, onClose } = props;
  const held = job.readings.rounds.find((r) => r.kind === round);
  return (
    <section aria-label="Listen" className="space-y-2 border-t-2 border-plain bg-paper py-2">
      {choice}
      <Suspense fallback={<p>One moment …</p>}>
        <BodyPanel
          construction={job.instrument.construction}
          tuning={held?.tuning ?? ''}
          pitch={held?.pitch ?? USUAL_PITCH}
          onClose={onClose}
        />
      </Suspense>
    </section>
  );
}

/** What the open strings say of the set that is on. */
function HeardSet({
  construction,
  round,
}: {
  readonly construction: Construction;
  readonly round: EarRound;
}) {
  const { pulls, doubts } = sayHeardSet(construction, round);
  return (
    <>
      {pulls !== null && <p className="text-sm text-quiet">{pulls}</p>}
      {doubts.map((d) => (
        <p key={d} className="text-sm text-rubric">
          ◆ {d}
        </p>
      ))}
    </>
  );
}

function Before({
  stands,
  method,
  round,
}: {
  readonly stands: EarStands;
  readonly method: MethodOf<'intonation'>;
  readonly round: EarRound | null;
}) {
  if (stands.kind === 'trouble')
    return (
      <p role="alert" className="text-rubric">
        ◆ {TROUBLE[stands.why]}
      </p>
    );
  if (stands.kind === 'over' && round) {
    const left = round.plan.steps.filter(
      (s, i) => s.kind === 'fretted' && (i >= round.at || (round.plucks[i] ?? []).length === 0),
    );
    const names = [...new Set(left.map((s) => round.plan.strings[s.string]?.name ?? ''))];
    return (
      <p role="status">
        {left.length === 0
          ? 'Every string was heard.'
          : `${stands.stopped ? 'Stopped. ' : ''}Not heard through: ${names.join(', ')}.`}
      </p>
    );
  }
  return (
    <p>
      String by string: tuned, {method === 'harmonic' ? 'its harmonic over 12' : 'open'}, then held at 12,
      each plucked until it is known. What is heard stays on this tablet and is forgotten at once, unless the
      plucks are to be kept.
    </p>
  );
}
