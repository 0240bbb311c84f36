'use client';

import type { EarWord } from '../../core/ear/ear-round.ts';
import type { Ear } from './use-ear.ts';

/** The words one may say while something is heard, and how loud it is. @param skips whether something can be left out */
export function EarControls({ ear, skips = true }: { readonly ear: Ear; readonly skips?: boolean }) {
  return (
    <div className="flex flex-wrap gap-2 md:w-40 md:flex-col">
      <Word ear={ear} word="again" face="Again" hint="A, or knock twice" />
      {skips && <Word ear={ear} word="skip" face="Skip" hint="S, or knock three times" />}
      <Word ear={ear} word="stop" face="Stop" hint="Esc, or knock four times" />
      {ear.stands.kind === 'listening' && ear.stands.from === 'file' ? (
        <span className="text-sm text-quiet">file, {Math.round(100 * ear.part)} % heard</span>
      ) : (
        <Loudness decibels={ear.level} />
      )}
    </div>
  );
}

const QUIETEST = -80;

/** How loud it is, so that one sees that something is heard. */
function Loudness({ decibels }: { readonly decibels: number }) {
  const part = Math.min(1, Math.max(0, 1 - decibels / QUIETEST));
  return (
    <div
      role="meter"
      aria-label="How loud it is"
      aria-valuemin={QUIETEST}
      aria-valuemax={0}
      aria-valuenow={Math.round(QUIETEST * (1 - part))}
      className="h-2 w-full border border-line bg-card"
    >
      <div className="h-full bg-quiet" style={{ width: `${100 * part}%` }} />
    </div>
  );
}

function Word({
  ear,
  word,
  face,
  hint,
}: {
  readonly ear: Ear;
  readonly word: EarWord;
  readonly face: string;
  readonly hint: string;
}) {
  return (
    <button type="button" className="button text-left" onClick={() => ear.say(word)}>
      {face} <span className="block text-xs font-normal text-quiet">{hint}</span>
    </button>
  );
}
