'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import { noiseSays, type NoiseHeard, type NoiseRound } from '../../core/ear/noise-round.ts';
import { sayNoiseHeard } from '../../core/ear/say-noise.ts';
import { answersOf, answerWords, type TryId } from '../../core/hunt/tries.ts';

const NoisePanel = lazyPart(() => import('../ear/noise-panel.tsx').then((m) => m.NoisePanel));

/** Whether the ear can say what a try does: where it stops the noise, lessens it or leaves it. */
const earSays = (what: TryId): boolean =>
  (['stops', 'less', 'same'] as const).every((a) => answersOf(what).includes(a));

/** What the ear says of one try; the noise itself stays known for the next. */
export function useNoise(what: TryId | undefined) {
  const [kept, setKept] = useState<{ readonly round: NoiseRound; readonly of: TryId | undefined } | null>(
    null,
  );
  const [listening, setListening] = useState(false);
  const said = kept && kept.of === what ? noiseSays(kept.round) : null;
  return {
    said,
    listening,
    before: kept?.round.before ?? [],
    listen: setListening,
    heard: (round: NoiseRound) => {
      setKept({ round, of: what });
      setListening(false);
    },
    /** What is kept with an answer: what somebody says against the ear is theirs alone. */
    with: (answer: string): NoiseHeard | null =>
      said?.answer === answer ? { before: said.before, now: said.now } : null,
    /** The try is over. */
    over: () => {
      setKept(kept && { ...kept, of: undefined });
      setListening(false);
    },
  };
}

/** Listens to the noise before a try and with it, where somebody wants that, and says what the try did. */
export function NoiseByEar({
  noise,
  what,
}: {
  readonly noise: ReturnType<typeof useNoise>;
  readonly what: TryId;
}) {
  if (!earSays(what)) return null;
  if (noise.listening)
    return (
      <Suspense fallback={<p>One moment …</p>}>
        <NoisePanel
          key={what}
          before={noise.before}
          onHeard={noise.heard}
          onClose={() => noise.listen(false)}
        />
      </Suspense>
    );
  const { said } = noise;
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <button type="button" className="button" onClick={() => noise.listen(true)}>
        Hear what it does
      </button>
      {said && (
        <p role="status">
          By the ear: {sayNoiseHeard(said)}: <b>{answerWords(what, said.answer)}</b>. Choose that, or what you
          hear yourself.
        </p>
      )}
    </div>
  );
}
