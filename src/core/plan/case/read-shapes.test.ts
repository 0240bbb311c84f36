/** Labelled cases of what readings find by themselves: the neck's shape, pickups, a vibrato that floats. */
import { RIGHT, wrongWith, type Line } from './case-line-for-tests.ts';
import { edge, GOOD } from './cases-for-tests.ts';

const TABLE: readonly Line[] = [
  [
    'a rise under the straightedge: taken down in the frets, the strings not lowered over it',
    'steel-acoustic',
    { ...GOOD, ...edge([0, 0, 0, 0, -0.2, -0.25]) },
    [],
    ['fall-away'],
    ['saddle-lower down', 'saddle-raise up', 'neck-heat'],
  ],
  [
    'a rise that the frets have no metal for: warmed out',
    'steel-acoustic',
    { ...GOOD, ...edge([0, 0, 0, 0, -0.4, -0.5]), 'fret-height:1:19': 0.95, 'fret-height:1:20': 1 },
    [],
    ['neck-heat'],
    ['fall-away'],
  ],
  [
    'fall-away read the wrong way round is a rise too',
    'steel-acoustic',
    { ...GOOD, 'fall-away:0:20': -0.2 },
    [],
    ['fall-away'],
    [],
  ],
  [
    'a fall at the far end is left',
    'steel-acoustic',
    { ...GOOD, 'fall-away:0:20': 0.3 },
    [],
    [],
    ['fall-away'],
  ],
  [
    'a hump under the straightedge',
    'solid-electric',
    { relief: 0.2, bass: 1.7, treble: 1.4, ...edge([0, -0.15, 0, 0, 0, 0]) },
    [],
    ['fret-dress'],
    [],
  ],
  [
    'one side deeper than the other: a twist',
    'solid-electric',
    { relief: 0.2, bass: 1.7, treble: 1.4, ...edge([0.25, 0.3, 0.28, 0, 0, 0], [0, 0, 0, 0, 0, 0]) },
    [],
    ['neck-heat'],
    [],
  ],
  [
    'an even bow is neither hump nor twist',
    'steel-acoustic',
    { ...GOOD, ...edge([0.12, 0.19, 0.2, 0.16, 0, 0]) },
    [],
    [],
    ['fret-dress', 'fall-away', 'neck-heat', 'rod tighten'],
  ],
  [
    'a pickup too near the strings',
    'solid-electric',
    { relief: 0.2, bass: 1.7, treble: 1.4, 'pickup-height:3:1': 1, 'pickup-height:1:1': 0.9 },
    [],
    ['pickup-height'],
    [],
  ],
  [
    'pickups in their band are left',
    'solid-electric',
    { relief: 0.2, bass: 1.7, treble: 1.4, 'pickup-height:3:1': 2.4, 'pickup-height:1:1': 2 },
    [],
    [],
    ['pickup-height'],
  ],
  [
    'a vibrato that floats too high',
    'solid-electric',
    { relief: 0.2, bass: 1.7, treble: 1.4, 'vibrato-float:0:0': 6 },
    [],
    ['vibrato'],
    [],
    { construction: { vibrato: 'floating' } },
  ],
  [
    'a vibrato that floats level',
    'solid-electric',
    { relief: 0.2, bass: 1.7, treble: 1.4, 'vibrato-float:0:0': 3 },
    [],
    [],
    ['vibrato'],
    { construction: { vibrato: 'floating' } },
  ],
];

test.each(TABLE.map((line) => ({ line })))('$line.0 ($line.1)', ({ line }) => {
  expect(wrongWith(line)).toEqual(RIGHT);
});
