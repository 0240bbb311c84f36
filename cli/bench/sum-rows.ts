import { performance } from 'node:perf_hooks';
import { clearanceOfNeck, reliefTops, type ClearanceString } from '../../src/core/clearance/clearance.ts';
import { fretLevel, type FretTops } from '../../src/core/frets/fret-level.ts';
import { SUMS } from '../../src/core/sums/catalogue.ts';
import { runDeclared } from '../../src/core/sums/run-sum.ts';
import { median, rowOf, type Row } from './row.ts';

const BATCHES = 60;
const WARM = 20;
const BATCH_MS = 4;
const ANY_SUM = median(400, 1);
/** A sum that looks for its answer among many necks. */
const A_SEARCH = median(4000, 3);
const BASELINE = 'its input through JSON once';

/** Sorted times of one call, ms, each the mean of a batch long enough for the clock. */
function perCall(f: () => unknown): number[] {
  for (let i = 0; i < WARM; i++) f();
  const began = performance.now();
  f();
  const calls = Math.max(
    1,
    Math.min(20_000, Math.ceil(BATCH_MS / Math.max(performance.now() - began, 1e-4))),
  );
  const all: number[] = [];
  for (let b = 0; b < BATCHES; b++) {
    const start = performance.now();
    for (let i = 0; i < calls; i++) f();
    all.push((performance.now() - start) / calls);
  }
  return all.sort((x, y) => x - y);
}

const sixStrings = (): ClearanceString[] =>
  Array.from({ length: 6 }, (_, i) => ({
    scale: 648,
    compensation: 2,
    frets: 22,
    nut: 0.5,
    saddle: 3.4 + i * 0.1,
    tops: reliefTops(648, 22, { low: 1, high: 22, max: 0.2 }),
    tension: 75 + i * 8,
    force: 1.5,
    share: 0.5,
    pluck: 130,
  }));

/** Tops as uneven as a worn neck's, the same each time. */
const wornFrets = (): FretTops[] =>
  Array.from({ length: 24 }, (_, i) => {
    const top = (k: number) => 0.06 * Math.sin((i + 1) * k * 12.9898) + 0.02 * Math.cos(i * k);
    return { fret: i + 1, bass: top(1), middle: top(2), treble: top(3), height: 1 };
  });

/** Times of the core's sums, per call, on one core. */
export function sumRows(): Row[] {
  const rows = SUMS.filter((s) => s.id !== 'fret-level' && s.id !== 'clearance').map((sum) => {
    const base = perCall(() => JSON.parse(JSON.stringify(sum.example)) as unknown);
    const times = perCall(() => runDeclared(sum, sum.example));
    return rowOf(`sum.${sum.id}`, sum.id === 'pluck-reach' ? A_SEARCH : ANY_SUM, BASELINE, base, times);
  });
  const strings = sixStrings();
  const frets = wornFrets();
  const through = (input: unknown) => perCall(() => JSON.parse(JSON.stringify(input)) as unknown);
  return [
    ...rows,
    rowOf(
      'sum.clearance.six-strings',
      median(60, 1),
      BASELINE,
      through(strings),
      perCall(() => clearanceOfNeck(strings)),
    ),
    rowOf(
      'sum.fret-level.24-frets',
      median(600, 20),
      BASELINE,
      through(frets),
      perCall(() => fretLevel(648, frets, 0.6)),
    ),
  ];
}
