'use client';

import type { NoiseRound } from '../../core/ear/noise-round.ts';
import { isNoiseTrouble, sayNoiseOutcome, sayNoiseStep } from '../../core/ear/say-noise.ts';
import { EarControls } from './ear-controls.tsx';
import { useWords } from './ear-hearing.tsx';
import { EarStands, EarStart } from './ear-start.tsx';
import { useEar } from './use-ear.ts';

interface Props {
  /** plucks of the noise that were heard already: then only the try is heard */
  readonly before: NoiseRound['before'];
  readonly onHeard: (round: NoiseRound) => void;
  readonly onClose: () => void;
}

/** Hears a noise before a try and with it, and says what the try does to it. */
export function NoisePanel({ before, onHeard, onClose }: Props) {
  const ear = useEar({ onNoise: onHeard });
  const listening = ear.stands.kind === 'listening';
  useWords(listening, ear.say);
  return (
    <section aria-label="The noise by the ear" className="space-y-2 border-y border-line py-2">
      {listening && ear.noise ? (
        <div className="grid items-start gap-x-6 gap-y-2 md:grid-cols-[1fr_auto]">
          <Hearing round={ear.noise} />
          <EarControls ear={ear} skips={false} />
        </div>
      ) : (
        <>
          <EarStands
            ear={ear}
            says={ear.stands.kind === 'over' ? 'It ended before both were heard.' : BEFORE}
          />
          <EarStart ear={ear} work={() => ({ kind: 'noise', before })} onClose={onClose} />
        </>
      )}
    </section>
  );
}

const BEFORE =
  'One string at a time, where the noise is worst, the others damped: twice as it is, twice with the try. What is heard stays on this tablet and is forgotten at once; only how much it buzzes is kept with the try.';

function Hearing({ round }: { readonly round: NoiseRound }) {
  const { last } = round;
  return (
    <div className="min-w-0 space-y-1">
      <p className="text-xl" aria-live="polite">
        {sayNoiseStep(round)}
      </p>
      <p className={`min-h-6 ${last && isNoiseTrouble(last) ? 'text-rubric' : ''}`} aria-live="polite">
        {last && `${isNoiseTrouble(last) ? '◆ ' : ''}${sayNoiseOutcome(last)}`}
      </p>
    </div>
  );
}
