import { earPlan } from '../../src/core/ear/ear-plan.ts';
import { listen } from '../../src/core/ear/listening.ts';
import { playedRound, soundOf } from '../../src/core/ear/play-for-tests.ts';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { fft } from '../../src/core/sound/fft.ts';
import { hear } from '../../src/core/sound/hear.ts';
import { addNoise, pluckSound } from '../../src/core/sound/pluck-for-tests.ts';
import { fretPosition } from '../../src/core/neck/fret-position.ts';
import { stringSound, type SoundingString } from '../../src/core/sound/string-motion.ts';
import { median, rowOf, type Row } from './row.ts';
import { timesAtOnce } from './times.ts';

const SECONDS = 1;

/** A low E a little too low over twenty frets: it rattles at first. */
const RATTLES: SoundingString = {
  length: 648,
  tension: 78,
  mass: 0.00684,
  inharmonicity: 6e-5,
  losses: { all: 1.2, high: 2e-8 },
  under: Array.from({ length: 20 }, (_, i) => {
    const at = fretPosition(648, i + 1);
    return { at, gap: 0.3 + 0.0025 * at - 1.7e-6 * at * (500 - at) };
  }),
};

/** How long a second of a round by ear takes, with everything: finding plucks, following what rings, hearing each pluck whole. */
function listenedTo(): number[] {
  const plan = earPlan(usualConstruction('steel-acoustic'), {
    tuning: '',
    pitch: 440,
    method: 'open',
    firstString: 'lowest',
    tune: true,
    nut: false,
    only: [6],
  });
  const { samples, rate } = soundOf(playedRound(plan, { tuned: [0], fretted: [2] }));
  const seconds = samples.length / rate;
  return timesAtOnce(() => listen(plan, rate).push(samples), 6).map((ms) => ms / seconds);
}

/**
 * Listening to a second of a bass's low B, a guitar's low and its high E, and a second and a half of a string that rattles made
 * up: how long it takes beside transforms of a second.
 */
export function earRows(): Row[] {
  const TRANSFORM = 'times one transform of a second';
  const second = pluckSound({ f0: 110 }, SECONDS);
  const base = timesAtOnce(() => fft(second.samples, 65_536));
  const heard = (
    [
      ['b0', 30.868],
      ['e2', 82.407],
      ['e4', 329.628],
    ] as const
  ).map(([name, f0]) => {
    const sound = pluckSound({ f0, b: 8e-5 }, SECONDS);
    addNoise(sound, 40);
    // Ten times faster than the sound goes by.
    const all = timesAtOnce(() => hear(sound));
    return rowOf(`ear.pitch.${name}.1s`, median(12, 100), TRANSFORM, base, all);
  });
  const round = rowOf('ear.round.1s', median(14, 100), TRANSFORM, base, listenedTo());
  const rattles = timesAtOnce(() => stringSound(RATTLES, { fromSaddle: 120, force: 2.6, share: 0.55 }), 6);
  return [...heard, round, rowOf('ear.string.e2.1.5s', median(180, 800), TRANSFORM, base, rattles)];
}
