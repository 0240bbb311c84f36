import { z } from 'zod';
import { breakAngle } from '../saddle/break-angle.ts';
import { radiusAt, saddleTop, type Radius } from '../saddle/saddle-top.ts';
import { saddleHeight } from '../saddle/saddle-height.ts';
import { slotFloor } from '../saddle/slot-floor.ts';
import { toSvg } from '../templates/drawing.ts';
import { saddleTemplate } from '../templates/saddle-template.ts';
import { compensation, fret, group, length, number, result, scale, yesNo } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

const side = (which: string) =>
  group(
    { now: length('action now', -2, 30, 'action'), target: length('action wanted', -2, 30, 'action') },
    `${which} outer string`,
  );

const changed = (which: string) =>
  group(
    {
      change: result('mm', 'whole change, negative comes down'),
      firstCut: result('mm', 'what is done first'),
    },
    which,
  );

export const FIRST_CUT_SHARE = 0.8;

export const saddleHeightSum = declare({
  id: 'saddle-height',
  title: 'Saddle change for the wanted action',
  asks: ['lower the action', 'raise the action', 'how much off the saddle', 'first cut'],
  input: group({
    scale: scale(),
    compensation: compensation(),
    fret: fret('where the action is read'),
    bass: side('bass'),
    treble: side('treble'),
    firstCutShare: number('share', 'share that is cut first; 0.8 when not said', {
      min: 0,
      max: 1,
    }).optional(),
  }),
  output: group({ bass: changed('bass side'), treble: changed('treble side') }),
  formula: 'ΔS = Δa_n·x_s/x_n',
  source: 'Geometry: a string is straight and turns about the nut.',
  assumptions: [
    'Relief and nut are right already and do not change.',
    'What is taken off cannot be put back: cut the first share, string it up, read again.',
    'The strings between follow the fingerboard’s arc.',
  ],
  why: 'The string turns about the nut, so the saddle moves as much more than the action as it is farther away: twice at the 12th.',
  example: { scale: 648, fret: 12, bass: { now: 2.6, target: 2.2 }, treble: { now: 2, target: 1.7 } },
  run: (i) => {
    const one = (s: { now: number; target: number }) =>
      saddleHeight(i.scale, i.fret, s.now, s.target, i.compensation ?? 0, i.firstCutShare ?? FIRST_CUT_SHARE);
    return answer({ bass: one(i.bass), treble: one(i.treble) });
  },
  words: (_, o, say) =>
    (['bass', 'treble'] as const).map((which) => {
      const { change, firstCut } = o[which];
      const name = which === 'bass' ? 'Bass' : 'Treble';
      if (change === 0) return `${name}: leave it.`;
      return change < 0
        ? `${name}: take ${say.length(-change)} off; first cut ${say.length(-firstCut)}, then read again.`
        : `${name}: raise by ${say.length(change)}.`;
    }),
});

export const breakAngleSum = declare({
  id: 'break-angle',
  title: 'Break angle behind the saddle',
  asks: ['break angle', 'does the string press on the saddle', 'buzz at the saddle'],
  input: group({
    rise: length('saddle’s top over the exit point', 0, 100),
    run: length('distance from saddle to exit, along the string', 0.1, 500),
  }),
  output: group({ degrees: result('degrees', 'angle behind the saddle') }),
  formula: 'β = atan(rise/run)',
  source: 'Geometry. A common shop minimum is 12°.',
  assumptions: ['The tiny angle at which the string comes to the saddle is left out.'],
  why: 'The steeper the string leaves, the harder it presses on the saddle.',
  example: { rise: 3, run: 12 },
  run: (i) => answer({ degrees: breakAngle(i.rise, i.run) }),
  words: (_, o) => [
    `${o.degrees.toFixed(1)}°${o.degrees < 12 ? ': under the usual minimum of 12°.' : ', enough for a usual minimum of 12°.'}`,
  ],
});

export const slotFloorSum = declare({
  id: 'slot-floor',
  title: 'What is left under the saddle slot',
  asks: ['shave the bridge', 'slot depth', 'bridge thickness', 'deepen the slot'],
  input: group({
    bridge: length('bridge thickness', 0.1, 50),
    slot: length('depth of the slot', 0, 50),
    shave: length('what will be shaved off the bridge', 0, 50),
    minimum: length('least floor the shop allows', 0, 50),
  }),
  output: group({
    floor: result('mm', 'wood left under the slot'),
    ok: yesNo('whether that is enough'),
  }),
  formula: 'floor = bridge − slot − shave',
  source: 'Bench practice: about 2.4 mm at least.',
  assumptions: ['The slot keeps its bottom while the bridge is shaved from above.'],
  why: 'A slot’s floor that is too thin splits under the strings’ pull.',
  example: { bridge: 9, slot: 5, shave: 1, minimum: 2.4 },
  run: (i) => {
    if (i.slot > i.bridge) return refuse('slot', 'The slot is deeper than the bridge is thick.');
    return answer(slotFloor(i.bridge, i.slot, i.shave, i.minimum));
  },
  words: (i, o, say) => [
    o.ok
      ? `${say.length(o.floor)} are left under the slot: enough.`
      : `${say.length(o.floor)} would be left under the slot, ${say.length(i.minimum - o.floor)} too little.`,
  ],
});

const radius = z
  .union([z.literal('flat'), number('mm', 'radius of the arc at the saddle', { min: 20, max: 5000 })], {
    error: 'must be a radius in mm, or flat',
  })
  .meta({ description: 'radius of the board’s arc, or flat', unit: 'mm' });

interface RadiusInput {
  readonly radius?: Radius | undefined;
  readonly nutRadius?: number | undefined;
  readonly endRadius?: number | undefined;
  readonly boardLength?: number | undefined;
  readonly scale?: number | undefined;
  readonly compensation?: number | undefined;
}

/** The radius at the saddle, given as one or as a compound board; or the field that is missing. */
function radiusOf(i: RadiusInput): Radius | { readonly missing: string; readonly message: string } {
  const parts = {
    nutRadius: i.nutRadius,
    endRadius: i.endRadius,
    boardLength: i.boardLength,
    scale: i.scale,
  };
  const given = Object.values(parts).filter((v) => v !== undefined).length;
  if (i.radius !== undefined) {
    if (given === 0) return i.radius;
    return { missing: 'radius', message: 'Give either one radius or a compound board, not both.' };
  }
  const missing = Object.entries(parts).find(([, v]) => v === undefined)?.[0];
  if (given === 0)
    return {
      missing: 'radius',
      message: 'radius is missing (or nutRadius, endRadius, boardLength and scale).',
    };
  if (missing !== undefined) return { missing, message: `${missing} is missing for a compound board.` };
  const { nutRadius = 0, endRadius = 0, boardLength = 1, scale: L = 0 } = i;
  return radiusAt({ nutRadius, endRadius, boardLength }, L + (i.compensation ?? 0));
}

export const saddleTopSum = declare({
  id: 'saddle-top',
  title: 'Heights along the saddle’s top',
  asks: ['shape a saddle', 'saddle radius', 'compound radius at the saddle', 'saddle template'],
  input: group({
    radius: radius.optional(),
    nutRadius: length('compound: radius at the nut', 20, 5000).optional(),
    endRadius: length('compound: radius at the board’s end', 20, 5000).optional(),
    boardLength: length('compound: nut to the board’s end', 50, 2000).optional(),
    scale: scale().optional(),
    compensation: compensation(),
    spacing: length('between the outer strings at the saddle', 5, 300),
    strings: number('count', 'how many strings', { min: 2, max: 24, whole: true }),
    bass: length('height at the lowest string', 0, 50),
    treble: length('height at the highest string', 0, 50),
  }),
  output: group({
    heights: z
      .array(result('mm', 'height'))
      .meta({ description: 'height of each string, bass to treble', unit: 'mm' }),
    svg: z.string().meta({ description: 'the top at true size, with a 50 mm line to check the print' }),
  }),
  formula:
    'h(u) = bass + (treble − bass)·(u/w + ½) + √(R² − u²) − √(R² − (w/2)²); R(x) = R_nut + (R_end − R_nut)·x/board',
  source: 'Geometry of a circle and of a cone.',
  assumptions: [
    'Strings evenly spaced.',
    'A compound board is a cone that goes on in the same way to the saddle.',
  ],
  why: 'The strings stand on the same arc as the frets under them, tilted from bass to treble.',
  example: { radius: 400, spacing: 54, strings: 6, bass: 11, treble: 10 },
  run: (i) => {
    const r = radiusOf(i);
    if (typeof r === 'object') return refuse(r.missing, r.message, 'invalid');
    if (r !== 'flat' && r <= i.spacing / 2) {
      const field = i.radius === undefined ? 'endRadius' : 'radius';
      return refuse(field, `${field}: an arc this tight does not reach over the strings.`);
    }
    const heights = saddleTop(r, i.spacing, i.strings, i.bass, i.treble);
    const svg = toSvg(
      saddleTemplate({ radius: r, spacing: i.spacing, bass: i.bass, treble: i.treble, heights }),
    );
    return answer({ heights, svg });
  },
  words: (_, o, say) => [`Bass to treble: ${o.heights.map((h) => say.length(h)).join(', ')}.`],
});

/** The drawing that prints, for input that the sum accepts. */
export function saddleDrawing(input: unknown) {
  const read = saddleTopSum.input.safeParse(input);
  if (!read.success) return null;
  const done = saddleTopSum.run(read.data);
  const r = radiusOf(read.data);
  if (!done.ok || typeof r === 'object') return null;
  const { spacing, bass, treble } = read.data;
  return saddleTemplate({ radius: r, spacing, bass, treble, heights: done.value.heights });
}
