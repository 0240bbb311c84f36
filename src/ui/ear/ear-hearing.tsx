'use client';

import { useEffect } from 'react';
import { meanOf, resultsOf, type EarRound, type EarWord } from '../../core/ear/ear-round.ts';
import { isTrouble, sayOutcome, sayStep } from '../../core/ear/say-ear.ts';
import { formatCents } from '../../core/units/parse-cents.ts';
import { EarControls } from './ear-controls.tsx';
import { PitchStrip } from './pitch-strip.tsx';
import type { Ear } from './use-ear.ts';

/** Keys that say a word, also those of a foot switch that turns pages. */
const KEYS: Readonly<Record<string, EarWord>> = {
  a: 'again',
  PageUp: 'again',
  ArrowLeft: 'again',
  s: 'skip',
  PageDown: 'skip',
  ArrowRight: 'skip',
  Escape: 'stop',
};

/** What a key says while a round is under way, wherever the focus is that is no field. */
export function useWords(listening: boolean, say: (word: EarWord) => void): void {
  useEffect(() => {
    if (!listening) return;
    const hear = (e: KeyboardEvent) => {
      const word = KEYS[e.key.length === 1 ? e.key.toLowerCase() : e.key];
      const writes =
        e.target instanceof Element && e.target.closest('input, textarea, select, [contenteditable]');
      if (!word || writes || e.ctrlKey || e.metaKey || e.altKey) return;
      e.preventDefault();
      say(word);
    };
    document.addEventListener('keydown', hear);
    return () => document.removeEventListener('keydown', hear);
  }, [listening, say]);
}

/** Each string of the round: heard, being heard, to come. */
function Strings({ round }: { readonly round: EarRound }) {
  const now = round.plan.steps[round.at]?.string ?? Infinity;
  return (
    <ul className="flex flex-wrap gap-x-3 text-sm" aria-label="Strings">
      {round.plan.strings.map((s, i) => (
        <li
          key={s.number}
          aria-current={i === now ? 'step' : undefined}
          className={i === now ? 'font-bold' : ''}
        >
          {i < now ? '●' : i === now ? '◐' : '○'} {s.name}
          <span className="sr-only">{i < now ? ', heard' : i === now ? ', now' : ', to come'}</span>
          {resultsOf(round, i).map((r) => {
            const { cents, doubt } = meanOf(r);
            return (
              <span key={r.fret} className="tabular-nums">
                {' '}
                {r.fret === 12 ? '' : `at ${r.fret} `}
                {formatCents(cents)} ± {Math.max(0.1, doubt).toFixed(1)}
              </span>
            );
          })}
        </li>
      ))}
    </ul>
  );
}

/** What to play, what was heard, and the words one may say. */
export function Hearing({ ear }: { readonly ear: Ear }) {
  const { round, stands } = ear;
  const step = round && sayStep(round);
  if (!round || stands.kind !== 'listening') return null;
  const last = round.last;
  return (
    <div className="grid items-start gap-x-6 gap-y-2 md:grid-cols-[1fr_auto]">
      <div className="min-w-0 space-y-1">
        <p className="text-2xl" aria-live="polite">
          {step && (
            <>
              <b>{step.string}</b>: {step.act}
              {step.mind !== '' && <span className="text-base text-quiet"> · {step.mind}</span>}
            </>
          )}
        </p>
        <p className={`min-h-6 ${last && isTrouble(last) ? 'text-rubric' : ''}`} aria-live="polite">
          {last && `${isTrouble(last) ? '◆ ' : ''}${sayOutcome(round.plan, last)}`}
        </p>
        <PitchStrip points={ear.strip} />
        <Strings round={round} />
      </div>
      <EarControls ear={ear} />
    </div>
  );
}
