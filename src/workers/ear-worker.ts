import type { EarPlan } from '../core/ear/ear-plan.ts';
import { listenBody, type BodySaid, type ListeningBody } from '../core/ear/listening-body.ts';
import { listenNoise, type ListeningNoise, type NoiseSaid } from '../core/ear/listening-noise.ts';
import type { PlacePlan } from '../core/ear/place-round.ts';
import type { EarWord } from '../core/ear/ear-round.ts';
import { listen, type EarSaid, type Listening } from '../core/ear/listening.ts';
import { listenPlaces, type ListeningPlaces, type PlacesSaid } from '../core/ear/listening-places.ts';
import type { Buzz } from '../core/sound/buzz.ts';

/** What is heard: a round's pitches, every place that is played, a noise before a try and with it, or a body that is knocked on. */
export type EarWork =
  | { readonly kind: 'pitch'; readonly plan: EarPlan }
  | { readonly kind: 'places'; readonly plan: PlacePlan }
  /** `before`: plucks of the noise that were heard already */
  | { readonly kind: 'noise'; readonly before: readonly Buzz[] }
  | { readonly kind: 'body' };

/** What the page says to the worker that listens. */
export type ToEar =
  | { readonly kind: 'begin'; readonly work: EarWork; readonly rate: number }
  /** where the microphone's samples come from */
  | { readonly kind: 'microphone'; readonly port: MessagePort }
  /** a piece of a file; `part`: how much of it was heard after this one, 0 to 1 */
  | { readonly kind: 'samples'; readonly samples: Float32Array; readonly part: number }
  | { readonly kind: 'say'; readonly word: EarWord };

/** What the worker says to the page. */
export type FromEar =
  | EarSaid
  | PlacesSaid
  | NoiseSaid
  | BodySaid
  /** how loud it is, decibels under the loudest there can be */
  | { readonly kind: 'level'; readonly decibels: number }
  | { readonly kind: 'heard-so-far'; readonly part: number }
  | { readonly kind: 'fault'; readonly message: string };

const LEVEL_EVERY = 6;
const FLOOR = 1e-5;

let listening: Listening | ListeningPlaces | ListeningNoise | ListeningBody | null = null;
let blocks = 0;

const tell = (said: FromEar): void => self.postMessage(said);

function take(samples: Float32Array): void {
  if (!listening) return;
  for (const said of listening.push(samples)) tell(said);
  if (++blocks % LEVEL_EVERY === 0)
    tell({ kind: 'level', decibels: 20 * Math.log10(Math.max(FLOOR, listening.level())) });
}

function begin(work: EarWork, rate: number): void {
  if (work.kind === 'places') {
    const places = listenPlaces(work.plan, rate);
    listening = places;
    return tell({ kind: 'places', round: places.round(), stopped: false });
  }
  if (work.kind === 'noise') {
    const noise = listenNoise(work.before, rate);
    listening = noise;
    return tell({ kind: 'noise', round: noise.round(), stopped: false });
  }
  if (work.kind === 'body') {
    listening = listenBody(rate);
    return tell({ kind: 'body', knocks: 0, heard: null, stopped: false });
  }
  const round = listen(work.plan, rate);
  listening = round;
  tell({ kind: 'round', round: round.round(), done: null, sound: null });
}

function answer(asked: ToEar): void {
  switch (asked.kind) {
    case 'begin':
      return begin(asked.work, asked.rate);
    case 'microphone':
      asked.port.onmessage = (e: MessageEvent<Float32Array>) => safely(() => take(e.data));
      return;
    case 'samples':
      take(asked.samples);
      return tell({ kind: 'heard-so-far', part: asked.part });
    case 'say':
      for (const said of listening?.say(asked.word) ?? []) tell(said);
  }
}

function safely(act: () => void): void {
  try {
    act();
  } catch (error) {
    tell({ kind: 'fault', message: error instanceof Error ? error.message : String(error) });
  }
}

self.addEventListener('message', (e: MessageEvent<ToEar>) => safely(() => answer(e.data)));
