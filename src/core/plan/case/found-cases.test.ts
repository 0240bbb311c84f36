/** Labelled cases of what an inspection finds: what it leads to, and what it does not. */
import { RIGHT, wrongWith, type Line } from './case-line-for-tests.ts';
import { GOOD } from './cases-for-tests.ts';

/** A line each, in bench words. */
const FOUND: readonly Line[] = [
  [
    'a nut cracked and its gaps high: the new one is cut to height, nothing of the old',
    'steel-acoustic',
    { ...GOOD, 'low nut': 0.35, 'high nut': 0.3 },
    ['nut-cracks cracked'],
    ['nut-new'],
    ['nut-slots', 'nut-slots down', 'nut-fill'],
  ],
  [
    'worn frets and one that rocks: all new, and none dressed beside',
    'steel-acoustic',
    { ...GOOD },
    ['fret-wear worn', 'fret-level uneven'],
    ['refret'],
    ['fret-dress'],
  ],
  [
    'the bridge has moved: set by its octaves',
    'archtop',
    { relief: 0.18, bass: 1.7, treble: 1.4 },
    ['bridge-place moved'],
    ['intonate'],
    ['tighten'],
  ],
  [
    'saddles at their lowest and the strings still high: the neck’s angle',
    'solid-electric',
    { relief: 0.2, bass: 2.4, treble: 2.0 },
    ['saddle-screws lowest'],
    ['shim up', 'saddle-set up'],
    ['saddle-set down'],
  ],
  [
    'the same with a screw for it',
    'solid-electric',
    { relief: 0.2, bass: 2.4, treble: 2.0 },
    ['saddle-screws lowest'],
    ['tilt up'],
    ['saddle-set down', 'shim up'],
    { construction: { joint: 'tilt-screw' } },
  ],
  [
    'saddles at their highest and the strings low: the neck’s angle',
    'solid-electric',
    { relief: 0.2, bass: 1.2, treble: 0.9 },
    ['saddle-screws highest'],
    ['shim down'],
    ['saddle-set up'],
  ],
  [
    'saddles at their lowest, and the strings are where they should be: nothing to do about it',
    'solid-electric',
    { relief: 0.2, bass: 1.7, treble: 1.4 },
    ['saddle-screws lowest'],
    [],
    ['shim up', 'tilt up', 'saddle-set up', 'saddle-set down'],
  ],
  [
    'sharp at the low frets and the slots high: the slots are cut, and it is read again',
    'ukulele',
    { relief: 0.05, bass: 2.4, treble: 2.4, 'low nut': 0.35, 'high nut': 0.35 },
    ['low-frets sharp'],
    ['nut-slots down'],
    ['nut-compensate'],
  ],
  [
    'sharp at the low frets with the slots where they should be: compensated',
    'ukulele',
    { relief: 0.05, bass: 2.4, treble: 2.4, 'low nut': 0.14, 'high nut': 0.14 },
    ['low-frets sharp'],
    ['nut-compensate'],
    ['nut-slots down'],
  ],
  [
    'a nut that is loose: fixed, not raised',
    'steel-acoustic',
    GOOD,
    ['nut-cracks loose'],
    ['nut-glue'],
    ['nut-shim', 'nut-new'],
  ],
  [
    'a twist: warmed, and judged after a week under tension',
    'solid-electric',
    { relief: 0.2, bass: 1.7, treble: 1.4 },
    ['twist twisted'],
    ['neck-heat', 'neck-settle'],
    [],
  ],
  [
    'a screw seized',
    'solid-electric',
    { relief: 0.2, bass: 1.7, treble: 1.4 },
    ['saddle-screws seized'],
    ['metal-parts'],
    ['tighten'],
  ],
];
test.each(FOUND.map((line) => ({ line })))('$line.0 ($line.1)', ({ line }) => {
  expect(wrongWith(line)).toEqual(RIGHT);
});
