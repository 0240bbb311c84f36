import type { z } from 'zod';
import { clearanceString, clearanceSum } from '../../core/sums/clearance-sum.ts';
import { fretLevelSum } from '../../core/sums/fret-sums.ts';
import { intonationFitSum } from '../../core/sums/intonation-sums.ts';
import { neckAngleSum } from '../../core/sums/angle-sums.ts';
import { nutDrawing } from '../../core/sums/nut-sums.ts';
import { saddleDrawing, saddleHeightSum } from '../../core/sums/saddle-sums.ts';
import { predictedIntonationSum } from '../../core/sums/string-sums.ts';
import { stringLineSum } from '../../core/sums/neck-sums.ts';
import { fretPosition } from '../../core/neck/fret-position.ts';
import type { Say, Sum } from '../../core/sums/sum.ts';
import { CentsDots, ClearanceBars, FretMap, NeckLine } from './drawings.tsx';
import { leftHanded } from '../../core/templates/drawing.ts';
import { TrueSize } from '../kit/true-size.tsx';

type InputOf<S> = S extends { readonly input: z.ZodType<infer I> } ? I : never;
type OutputOf<S> = S extends { readonly output: z.ZodType<infer O> } ? O : never;

const DRAWN_FRETS = 20;

const lastFret = (frets: readonly number[]): number => Math.max(DRAWN_FRETS, ...frets);

function drawStringLine(i: InputOf<typeof stringLineSum>, o: OutputOf<typeof stringLineSum>, say: Say) {
  return (
    <NeckLine
      scale={i.scale}
      compensation={i.compensation ?? 0}
      frets={lastFret(i.frets)}
      strings={[{ name: '', nut: o.nut, saddle: o.saddle }]}
      marks={o.heights.map((h) => ({ fret: h.fret, words: say.length(h.height).replace(/ \(.*/, '') }))}
    />
  );
}

/** The string turns about the nut: both lines start from its slot. */
function drawSaddleHeight(i: InputOf<typeof saddleHeightSum>) {
  const xs = i.scale + (i.compensation ?? 0);
  const up = xs / fretPosition(i.scale, i.fret);
  const line = (name: string, action: number, dashed: boolean) => ({
    name,
    nut: 0,
    saddle: action * up,
    dashed,
  });
  return (
    <NeckLine
      scale={i.scale}
      compensation={i.compensation ?? 0}
      frets={lastFret([i.fret])}
      strings={[
        line('bass now', i.bass.now, true),
        line('bass after', i.bass.target, false),
        line('treble now', i.treble.now, true),
        line('treble after', i.treble.target, false),
      ]}
    />
  );
}

function drawClearance(i: InputOf<typeof clearanceSum>, o: OutputOf<typeof clearanceSum>, say: Say) {
  const { tops } = clearanceString(i);
  return (
    <div className="space-y-2">
      <ClearanceBars cells={o.cells} say={say} />
      <NeckLine
        scale={i.scale}
        compensation={i.compensation ?? 0}
        frets={i.frets}
        strings={[{ name: '', nut: i.nut, saddle: i.saddle }]}
        tops={(n) => tops[n] ?? 0}
      />
    </div>
  );
}

function drawNeckAngle(i: InputOf<typeof neckAngleSum>, o: OutputOf<typeof neckAngleSum>) {
  return (
    <NeckLine
      scale={i.scale}
      compensation={i.compensation ?? 0}
      frets={lastFret([i.fret])}
      strings={[{ name: 'wanted', nut: i.nut, saddle: o.saddleHeight }]}
    />
  );
}

const drawFit = (i: InputOf<typeof intonationFitSum>, o: OutputOf<typeof intonationFitSum>) => (
  <CentsDots before={i.readings} after={o.residuals.map((r) => ({ fret: r.fret, cents: r.after }))} />
);

const drawPredicted = (_: unknown, o: OutputOf<typeof predictedIntonationSum>) => (
  <CentsDots before={[]} after={o.cents.map((c) => ({ fret: c.fret, cents: c.total }))} />
);

const drawLevel = (i: InputOf<typeof fretLevelSum>, o: OutputOf<typeof fretLevelSum>, say: Say) => (
  <FretMap scale={i.scale} frets={o.frets} say={say} />
);

function drawTemplate(input: unknown, draw: typeof nutDrawing, left: boolean) {
  const drawing = draw(input);
  return drawing && <TrueSize drawing={left ? leftHanded(drawing) : drawing} />;
}

type Draw = (input: never, output: never, say: Say, left: boolean) => React.ReactNode;

const DRAWINGS: Readonly<Record<string, Draw>> = {
  [stringLineSum.id]: drawStringLine,
  [saddleHeightSum.id]: drawSaddleHeight,
  [clearanceSum.id]: drawClearance,
  [neckAngleSum.id]: drawNeckAngle,
  [intonationFitSum.id]: drawFit,
  [predictedIntonationSum.id]: drawPredicted,
  [fretLevelSum.id]: drawLevel,
  'nut-layout': (input, _output, _say, left) => drawTemplate(input, nutDrawing, left),
  'saddle-top': (input, _output, _say, left) => drawTemplate(input, saddleDrawing, left),
};

/** The drawing of a result, where one helps. Input and output are the sum's own: it has just run. */
export function SumDrawing({
  sum,
  input,
  output,
  say,
  left,
}: {
  readonly sum: Pick<Sum, 'id'>;
  readonly input: unknown;
  readonly output: unknown;
  readonly say: Say;
  /** for a left-handed instrument */
  readonly left: boolean;
}) {
  const draw = DRAWINGS[sum.id];
  return draw ? <div className="max-w-2xl">{draw(input as never, output as never, say, left)}</div> : null;
}
