import type { EarPlan } from '../core/ear/ear-plan.ts';
import type { EarWord } from '../core/ear/ear-round.ts';
import { listen, type EarSaid, type Listening } from '../core/ear/listening.ts';

/** What the page says to the worker that listens. */
export type ToEar =
  | { readonly kind: 'begin'; readonly plan: EarPlan; readonly rate: number }
  /** where the microphone's samples come from */
  | { readonly kind: 'microphone'; readonly port: MessagePort }
  /** a piece of a file; `part`: how much of it was heard after this one, 0 to 1 */
  | { readonly kind: 'samples'; readonly samples: Float32Array; readonly part: number }
  | { readonly kind: 'say'; readonly word: EarWord };

/** What the worker says to the page. */
export type FromEar =
  | EarSaid
  /** how loud it is, decibels under the loudest there can be */
  | { readonly kind: 'level'; readonly decibels: number }
  | { readonly kind: 'heard-so-far'; readonly part: number }
  | { readonly kind: 'fault'; readonly message: string };

const LEVEL_EVERY = 6;
const FLOOR = 1e-5;

let listening: Listening | null = null;
let blocks = 0;

const tell = (said: FromEar): void => self.postMessage(said);

function take(samples: Float32Array): void {
  if (!listening) return;
  for (const said of listening.push(samples)) tell(said);
  if (++blocks % LEVEL_EVERY === 0)
    tell({ kind: 'level', decibels: 20 * Math.log10(Math.max(FLOOR, listening.level())) });
}

function answer(asked: ToEar): void {
  switch (asked.kind) {
    case 'begin':
      listening = listen(asked.plan, asked.rate);
      return tell({ kind: 'round', round: listening.round(), done: null, sound: null });
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
