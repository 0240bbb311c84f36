import type { EarResult, EarRound, EarWord } from '../../core/ear/ear-round.ts';
import type { LivePitch } from '../../core/ear/listening.ts';
import type { PlacesSaid } from '../../core/ear/listening-places.ts';
import type { BodySaid } from '../../core/ear/listening-body.ts';
import type { NoiseSaid } from '../../core/ear/listening-noise.ts';
import type { NoiseRound } from '../../core/ear/noise-round.ts';
import type { PlacedAmount, PlaceRound } from '../../core/ear/place-round.ts';
import type { Sound } from '../../core/sound/wav.ts';
import { openMicrophone, type Microphone, type NoMicrophone } from '../../devices/microphone.ts';
import type { EarWork, FromEar, ToEar } from '../../workers/ear-worker.ts';
import { reportError } from '../data/report-error.ts';

/** A moment of the strip: when (ms since the page began), and what the pitch was. */
export interface StripPoint extends LivePitch {
  readonly at: number;
}

/** Where listening stands. */
export type EarStands =
  | { readonly kind: 'before' }
  | { readonly kind: 'opening' }
  | { readonly kind: 'listening'; readonly from: 'microphone' | 'file' }
  | { readonly kind: 'trouble'; readonly why: NoMicrophone | 'lost' | 'fault' }
  | { readonly kind: 'over'; readonly stopped: boolean };

/** What a screen shows of it. */
export interface EarState {
  readonly stands: EarStands;
  readonly round: EarRound | null;
  /** where playing every place stands; null where something else is heard */
  readonly places: PlaceRound | null;
  /** where hearing a noise stands; null where something else is heard */
  readonly noise: NoiseRound | null;
  /** what knocks on the body say; null where something else is heard */
  readonly body: BodySaid | null;
  readonly strip: readonly StripPoint[];
  /** how loud it is, decibels under the loudest there can be */
  readonly level: number;
  /** how much of a file was heard, 0 to 1 */
  readonly part: number;
}

/** A place that was heard through, with its last pluck. */
export interface HeardPlace {
  readonly result: EarResult;
  readonly sound: Sound | null;
}

/** How long the strip goes back. */
export const STRIP_MS = 6000;
const PIECE = 8192;
const QUIET = -100;

const NOTHING_YET = { round: null, places: null, noise: null, body: null, strip: [], part: 0 } as const;

/** Keeps a tablet awake that nobody touches; where it cannot, it sleeps as it does. */
async function stayAwake(): Promise<() => void> {
  if (!('wakeLock' in navigator)) return () => undefined;
  const lock = await navigator.wakeLock.request('screen').catch(() => null);
  return () => void lock?.release();
}

/** A round by ear: the microphone or a file, and the worker that listens. */
export class EarSession {
  #state: EarState = { stands: { kind: 'before' }, ...NOTHING_YET, level: QUIET };
  readonly #listeners = new Set<() => void>();
  #worker: Worker | null = null;
  #microphone: Microphone | null = null;
  #letSleep: () => void = () => undefined;
  /** counts what was begun: an answer to what was left meanwhile is for nobody */
  #turn = 0;
  /** told of each place that was heard through */
  onDone: (heard: HeardPlace) => void = () => undefined;
  /** told of each place that was played and heard to be clear or to buzz */
  onPlayed: (played: PlacedAmount) => void = () => undefined;
  /** told of a noise that was heard before a try and with it */
  onNoise: (round: NoiseRound) => void = () => undefined;

  readonly state = (): EarState => this.#state;

  readonly listen = (told: () => void): (() => void) => {
    this.#listeners.add(told);
    return () => void this.#listeners.delete(told);
  };

  /** Ends whatever is under way, without a word. */
  readonly end = (): void => {
    this.#turn++;
    this.#microphone?.close();
    this.#worker?.terminate();
    this.#letSleep();
    [this.#microphone, this.#worker, this.#letSleep] = [null, null, () => undefined];
  };

  /** Begins by this tablet's microphone; the browser asks first. */
  readonly byMicrophone = async (work: EarWork): Promise<void> => {
    this.end();
    this.#stand({ kind: 'opening' });
    const own = this.#turn;
    const opened = await openMicrophone(() => this.#over({ kind: 'trouble', why: 'lost' }));
    if (own !== this.#turn) return typeof opened === 'string' ? undefined : opened.close();
    if (typeof opened === 'string') return this.#stand({ kind: 'trouble', why: opened });
    this.#microphone = opened;
    this.#begin(work, opened.rate)({ kind: 'microphone', port: opened.port }, [opened.port]);
    this.#stand({ kind: 'listening', from: 'microphone' });
    const letSleep = await stayAwake();
    if (own === this.#turn) this.#letSleep = letSleep;
    else letSleep();
  };

  /** Hears a file as if it were played. */
  readonly byFile = (work: EarWork, { samples, rate }: Sound): void => {
    this.end();
    const say = this.#begin(work, rate);
    this.#stand({ kind: 'listening', from: 'file' });
    for (let from = 0; from < samples.length; from += PIECE) {
      const piece = samples.slice(from, from + PIECE);
      const part = Math.min(0.99, (from + PIECE) / samples.length);
      say({ kind: 'samples', samples: piece, part }, [piece.buffer]);
    }
    // What rings at the end of a file ends with it.
    say({ kind: 'samples', samples: new Float32Array(2 * rate).fill(1e-9), part: 1 });
  };

  readonly say = (word: EarWord): void => {
    const to: ToEar = { kind: 'say', word };
    this.#worker?.postMessage(to);
  };

  #change(more: Partial<EarState>): void {
    this.#state = { ...this.#state, ...more };
    for (const told of this.#listeners) told();
  }

  #stand(stands: EarStands): void {
    this.#change({ stands });
  }

  #over(stands: EarStands): void {
    this.end();
    this.#stand(stands);
  }

  #begin(work: EarWork, rate: number): (to: ToEar, move?: Transferable[]) => void {
    const own = new Worker(new URL('../../workers/ear-worker.ts', import.meta.url), { type: 'module' });
    this.#worker = own;
    own.onmessage = (e: MessageEvent<FromEar>) => {
      if (this.#worker === own) this.#hear(e.data);
    };
    own.onerror = (e) => {
      if (this.#worker === own) this.#hear({ kind: 'fault', message: e.message });
    };
    const say = (to: ToEar, move: Transferable[] = []): void => own.postMessage(to, move);
    this.#change(NOTHING_YET);
    say({ kind: 'begin', work, rate });
    return say;
  }

  #hearPlaces({ round, stopped }: PlacesSaid): void {
    const { last } = round;
    this.#change({ places: round });
    if (stopped) return this.#over({ kind: 'over', stopped: true });
    if (last?.kind === 'heard') this.onPlayed(last);
    if (round.at >= round.plan.places.length) this.#over({ kind: 'over', stopped: false });
  }

  #hearNoise({ round, stopped }: NoiseSaid): void {
    this.#change({ noise: round });
    if (!stopped && round.at !== 'over') return;
    this.#over({ kind: 'over', stopped });
    if (!stopped) this.onNoise(round);
  }

  #hearBody(body: BodySaid): void {
    this.#change({ body });
    if (body.stopped || body.heard) this.#over({ kind: 'over', stopped: body.stopped });
  }

  #hear(said: FromEar): void {
    switch (said.kind) {
      case 'round': {
        const moved = said.round.at !== this.#state.round?.at;
        this.#change({ round: said.round, ...(moved && { strip: [] }) });
        if (said.done) this.onDone({ result: said.done, sound: said.sound });
        if (said.round.at >= said.round.plan.steps.length) this.#over({ kind: 'over', stopped: false });
        return;
      }
      case 'places':
        return this.#hearPlaces(said);
      case 'noise':
        return this.#hearNoise(said);
      case 'body':
        return this.#hearBody(said);
      case 'pitch': {
        const at = performance.now();
        const kept = this.#state.strip.filter((p) => at - p.at < STRIP_MS);
        return this.#change({ strip: said.live ? [...kept, { ...said.live, at }] : kept });
      }
      case 'stopped':
        return this.#over({ kind: 'over', stopped: true });
      case 'level':
        return this.#change({ level: said.decibels });
      case 'heard-so-far':
        this.#change({ part: said.part });
        if (said.part < 1) return;
        // What was knocked in a file is told at its end, however often that was.
        if (this.#state.body && !this.#state.body.heard) return this.say('stop');
        return this.#over({ kind: 'over', stopped: true });
      case 'fault':
        reportError('the ear', new Error(said.message));
        this.#over({ kind: 'trouble', why: 'fault' });
    }
  }
}
