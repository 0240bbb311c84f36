import { hear, hearNear, type Near } from '../sound/hear.ts';
import { centsFrom } from '../sound/note-of.ts';
import type { Sound } from '../sound/wav.ts';
import type { EarPlan } from './ear-plan.ts';
import {
  awaitedPitches,
  beginEarRound,
  expectedPitch,
  hearAgain,
  hearPluck,
  knocksMean,
  resultOf,
  skipStep,
  stepNow,
  type EarResult,
  type EarRound,
  type EarWord,
} from './ear-round.ts';
import { PluckFinder } from './plucks.ts';

/** The pitch while a string rings, against what is awaited, cents. */
export interface LivePitch {
  readonly cents: number;
  readonly doubt: number;
}

/** What listening says, as it comes. */
export type EarSaid =
  /** `done`: a place that was finished by it; `sound`: the last pluck of it */
  | {
      readonly kind: 'round';
      readonly round: EarRound;
      readonly done: EarResult | null;
      readonly sound: Sound | null;
    }
  | { readonly kind: 'pitch'; readonly live: LivePitch | null }
  | { readonly kind: 'stopped'; readonly round: EarRound };

/** A round by ear that is under way. */
export interface Listening {
  round(): EarRound;
  /** takes the next samples of the microphone or of a file */
  push(samples: Float32Array): readonly EarSaid[];
  /** does what somebody says by a key, a switch or knocks */
  say(word: EarWord): readonly EarSaid[];
  level(): number;
}

/** How far from what is awaited a pitch is still taken for it by the estimator, cents: what it was is told apart afterwards. */
const REACH = { tune: 330, read: 120 } as const;

/** Begins a round by ear. @param rate samples a second */
export function listen(plan: EarPlan, rate: number): Listening {
  const finder = new PluckFinder(rate);
  let round = beginEarRound(plan);
  let near: (Near & { readonly uncertainty: number }) | null = null;

  const awaited = () => ({
    hz: awaitedPitches(round),
    within: stepNow(round)?.kind === 'tune' ? REACH.tune : REACH.read,
  });

  function pluck(sound: Sound): EarSaid {
    const before = round;
    round = hearPluck(round, hear(sound, awaited()));
    const finished = round.last?.kind === 'done';
    return { kind: 'round', round, done: finished ? resultOf(round, before.at) : null, sound };
  }

  /** The pitch that rings now: sought at first, then followed from where it was. */
  function pitchNow(sound: Sound, first: boolean): (Near & { readonly uncertainty: number }) | null {
    const followed = near && !first ? hearNear(sound, near) : null;
    if (followed) return followed;
    const { hz, uncertainty, inharmonicity, refused } = hear(sound, awaited());
    return hz === null || uncertainty === null || refused !== null
      ? null
      : { hz, uncertainty, b: inharmonicity ?? 0 };
  }

  function ringing(sound: Sound, first: boolean): EarSaid {
    const step = stepNow(round);
    near = step && pitchNow(sound, first);
    if (!step || !near) return { kind: 'pitch', live: null };
    const cents = centsFrom(near.hz, expectedPitch(round, step));
    const reach = step.kind === 'tune' ? REACH.tune : REACH.read;
    const live = Math.abs(cents) > reach ? null : { cents, doubt: near.uncertainty };
    return { kind: 'pitch', live };
  }

  function say(word: EarWord): EarSaid {
    if (word === 'stop') return { kind: 'stopped', round };
    round = word === 'again' ? hearAgain(round) : skipStep(round);
    return { kind: 'round', round, done: null, sound: null };
  }

  return {
    round: () => round,
    level: () => finder.level(),
    say: (word) => [say(word)],
    push: (samples) =>
      finder.push(samples).flatMap((found): readonly EarSaid[] => {
        if (stepNow(round) === null) return [];
        if (found.kind === 'pluck') return [pluck(found.sound)];
        if (found.kind === 'ringing') return [ringing(found.sound, found.first)];
        const word = knocksMean(found.count);
        if (word !== null) return [say(word)];
        round = { ...round, last: { kind: 'knocked' } };
        return [{ kind: 'round', round, done: null, sound: null }];
      }),
  };
}
