import { z } from 'zod';
import { nutLayout, type Courses } from '../nut/nut-layout.ts';
import { nutSlot } from '../nut/nut-slot.ts';
import { nutTemplate } from '../templates/nut-template.ts';
import { choice, group, length, list, number, result, scale } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

export const nutSlotSum = declare({
  id: 'nut-slot',
  title: 'How much deeper a nut slot goes',
  asks: ['cut a nut slot', 'nut too high', 'gap over the first fret', 'hard to press at the first fret'],
  input: group({
    scale: scale(),
    heldAt: number('fret', 'the fret the string is held at: 2 or 3', { min: 2, max: 3, whole: true }),
    gap: length('gap over fret 1 now', -1, 5),
    target: length('gap wanted', 0, 5),
  }),
  output: group({
    deeper: result('mm', 'how much deeper the slot goes; negative when it is too deep already'),
    perGap: result('count', 'slot per gap'),
  }),
  formula: 'Δslot = Δg/(1 − x_1/x_m)',
  source: 'Geometry: the held string turns about the held fret.',
  assumptions: [
    'Frets 1 to 3 are level.',
    'The string leaves from the slot’s front edge.',
    'It is held down firmly, not bent.',
  ],
  why: 'Held down, the string runs from the slot to the held fret; over fret 1 only part of the slot’s height is seen.',
  example: { scale: 648, heldAt: 3, gap: 0.2, target: 0.1 },
  run: (i) => answer(nutSlot(i.heldAt, i.gap, i.target)),
  words: (_, o, say) => [
    o.deeper > 0
      ? `${say.length(o.deeper)} deeper. Bring all slots nearly down first, then finish one by one.`
      : o.deeper === 0
        ? 'Leave it.'
        : `The slot is ${say.length(-o.deeper)} too deep: fill it or make a new nut.`,
    `Each ${say.length(0.1)} of gap is ${say.length(0.1 * o.perGap)} of slot.`,
  ],
});

const courses = group(
  {
    size: number('count', 'strings in a course', { min: 1, max: 4, whole: true }),
    spread: length('between the centres inside a course', 0, 20),
  },
  'strings standing together',
).optional();

export const nutLayoutSum = declare({
  id: 'nut-layout',
  title: 'Where the nut’s slots stand',
  asks: ['space a nut', 'string spacing', 'new nut', 'twelve-string nut', 'nut template'],
  input: group({
    width: length('outer edge to outer edge of the outer strings', 2, 300),
    gauges: list(length('gauge', 0.05, 5), 'gauges, bass to treble', 2, 24),
    by: choice('what is equal', ['centres', 'gaps']),
    courses,
  }),
  output: group({
    centres: z.array(result('mm', 'centre')).meta({ description: 'centres from the bass edge', unit: 'mm' }),
    gaps: z
      .array(result('mm', 'gap'))
      .meta({ description: 'clear distances between neighbours', unit: 'mm' }),
  }),
  formula:
    'centres: equal steps between the outer centres; gaps: (width − Σ gauges)/(strings − 1) between edges',
  source: 'Geometry.',
  assumptions: [
    'The first and the last string touch the edges of the width.',
    'Courses count as one, with their own spread inside.',
  ],
  why: 'Equal gaps feel even to the fingers, because a thick string takes more room than a thin one.',
  example: { width: 36, gauges: [1.35, 1.07, 0.81, 0.61, 0.41, 0.3], by: 'gaps' as const },
  run: (i) => {
    const made = nutLayout(i.width, i.gauges, i.by, i.courses);
    return made.ok
      ? answer({ centres: [...made.value.centres], gaps: [...made.value.gaps] })
      : refuse(made.error.field, `${made.error.field}: ${made.error.message}.`);
  },
  words: (_, o, say) => [
    `Centres from the bass edge: ${o.centres.map((c) => say.length(c)).join(', ')}.`,
    `Clear between neighbours: ${o.gaps.map((g) => say.length(g)).join(', ')}.`,
  ],
});

/** The drawing that prints, for input that the sum accepts. */
export function nutDrawing(input: unknown) {
  const read = nutLayoutSum.input.safeParse(input);
  if (!read.success) return null;
  const i: { width: number; gauges: number[]; by: 'centres' | 'gaps'; courses?: Courses | undefined } =
    read.data;
  const made = nutLayout(i.width, i.gauges, i.by, i.courses);
  return made.ok ? nutTemplate(i.width, i.gauges, made.value) : null;
}
