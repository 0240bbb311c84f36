/** A sound to be played: one channel, between −1 and 1. */
export interface Playable {
  readonly rate: number;
  readonly samples: Float32Array;
}

/** However loud a tablet is set, what it plays stays well under the loudest it could. */
const LOUDEST = 0.3;
const BETWEEN = 0.35;

/**
 * Plays sounds one after the other, all by one measure; only ever from a tap or a key.
 * @param tell the number of the sound that begins, and null at the end
 * @returns ends it
 */
export function play(sounds: readonly Playable[], tell: (number: number | null) => void): () => void {
  const context = new AudioContext();
  const gain = context.createGain();
  gain.gain.value = LOUDEST;
  gain.connect(context.destination);
  const timers: ReturnType<typeof setTimeout>[] = [];
  let at = 0.05;
  sounds.forEach(({ rate, samples }, i) => {
    const buffer = context.createBuffer(1, samples.length, rate);
    buffer.copyToChannel(new Float32Array(samples), 0);
    const source = context.createBufferSource();
    source.buffer = buffer;
    source.connect(gain);
    source.start(context.currentTime + at);
    timers.push(setTimeout(() => tell(i), 1000 * at));
    at += samples.length / rate + BETWEEN;
  });
  let ended = false;
  const end = (): void => {
    if (ended) return;
    ended = true;
    for (const t of timers) clearTimeout(t);
    void context.close();
    tell(null);
  };
  timers.push(setTimeout(end, 1000 * at));
  return end;
}
