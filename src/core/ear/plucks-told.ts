import type { Sound } from '../sound/wav.ts';
import { knocksMean, type EarWord } from './ear-round.ts';
import type { PluckFinder } from './plucks.ts';

/** What is done with what is found in a stream of sound. */
interface Told<S> {
  /** nothing is awaited any more */
  readonly over: () => boolean;
  readonly pluck: (sound: Sound) => S;
  readonly say: (word: EarWord) => S;
  /** one knock, or as many as mean nothing */
  readonly knocked: () => S;
}

/** Takes samples and tells each pluck and each word that was knocked; what rings on is passed over. */
export const pluckTeller =
  <S>(finder: PluckFinder, { over, pluck, say, knocked }: Told<S>) =>
  (samples: Float32Array): readonly S[] =>
    finder.push(samples).flatMap((found): readonly S[] => {
      if (over() || found.kind === 'ringing') return [];
      if (found.kind === 'pluck') return [pluck(found.sound)];
      const word = knocksMean(found.count);
      return [word === null ? knocked() : say(word)];
    });
