import { runDeclared, runSum, sumById } from './run-sum.ts';

const SAY = { length: (n: number) => `${n.toFixed(3)} mm`, cents: (n: number) => n.toFixed(2) };

/** A sum's example with some fields changed and some left out. */
function example(id: string, over: object, without: readonly string[] = []): Record<string, unknown> {
  const input = { ...(structuredClone(sumById(id)?.example) as Record<string, unknown>), ...over };
  for (const field of without) Reflect.deleteProperty(input, field);
  return input;
}

/** What each sum says of its example, and of the example with some fields changed or left out. */
const SAID: ReadonlyArray<readonly [string, object, readonly string[], readonly string[]]> = [
  [
    'fret-position',
    { fret: 7 },
    [],
    [
      'Fret 7 stands 215.512 mm from the nut, 25.717 mm after fret 6.',
      '432.488 mm are left to the theoretical saddle.',
    ],
  ],
  [
    'fan-frets',
    { frets: [0, 7, 24] },
    [],
    [
      'Nut: its treble end 16.895 mm nearer the saddle.',
      'Fret 7: 287.216 mm along the lowest string, 270.321 mm along the highest; square.',
      'Fret 24: 647.700 mm along the lowest string, 609.600 mm along the highest; its treble end 21.205 mm nearer the nut.',
      'Saddle: its treble end 33.905 mm nearer the nut.',
    ],
  ],
  [
    'string-line',
    { frets: [17], compensation: 3 },
    [],
    [
      '2.524 mm over fret 17.',
      'The string stands 0.410 mm over the fret plane at the nut and 3.805 mm at the saddle.',
    ],
  ],
  [
    'saddle-height',
    { bass: { now: 2, target: 2 }, treble: { now: 1.5, target: 1.8 }, compensation: 4 },
    [],
    ['Bass: leave it.', 'Treble: raise by 0.604 mm.'],
  ],
  [
    'saddle-height',
    { firstCutShare: 0.5 },
    [],
    [
      'Bass: take 0.800 mm off; first cut 0.400 mm, then read again.',
      'Treble: take 0.600 mm off; first cut 0.300 mm, then read again.',
    ],
  ],
  ['break-angle', { run: 20 }, [], ['8.5°: under the usual minimum of 12°.']],
  ['break-angle', {}, [], ['14.0°, enough for a usual minimum of 12°.']],
  ['slot-floor', {}, [], ['3.000 mm are left under the slot: enough.']],
  ['slot-floor', { shave: 2 }, [], ['2.000 mm would be left under the slot, 0.400 mm too little.']],
  ['slot-floor', { slot: 9, shave: 0 }, [], ['0.000 mm would be left under the slot, 2.400 mm too little.']],
  [
    'neck-angle',
    {},
    [],
    ['The saddle alone can do it.', 'The saddle would stand 4.500 mm out of the bridge.'],
  ],
  [
    'neck-angle',
    { planeAboveBridge: -2, compensation: 3 },
    [],
    [
      'The neck must stand at a steeper angle: shim or reset, not the saddle.',
      'The saddle would stand 1.514 mm out of the bridge, 0.486 mm too little.',
    ],
  ],
  [
    'neck-angle',
    { planeAboveBridge: 2 },
    [],
    [
      'The neck must stand at a shallower angle, or the saddle stands out too far.',
      'The saddle would stand 5.500 mm out of the bridge, 0.500 mm too much.',
    ],
  ],
  [
    'shim',
    {},
    [],
    [
      '0.000 mm at the lip, 0.294 mm at the inner end (0.24°).',
      'The strings come down 1.000 mm at the saddle; the action at 12 changes by -0.500 mm.',
    ],
  ],
  [
    'shim',
    { endThickness: 0.5, compensation: 2 },
    ['wanted'],
    [
      '0.000 mm at the lip, 0.500 mm at the inner end (0.41°).',
      'The strings come down 1.714 mm at the saddle; the action at 12 changes by -0.855 mm.',
    ],
  ],
  [
    'neck-reset',
    { compensation: 2 },
    [],
    [
      'Take 0.929 mm off the heel’s foot, tapering to nothing at the board: 0.59°.',
      'Steam, heat and blades: gloves, guard the finish, follow the safety sheet of the glue.',
    ],
  ],
  [
    'nut-slot',
    {},
    [],
    [
      '0.155 mm deeper. Bring all slots nearly down first, then finish one by one.',
      'Each 0.100 mm of gap is 0.155 mm of slot.',
    ],
  ],
  ['nut-slot', { target: 0.2 }, [], ['Leave it.', 'Each 0.100 mm of gap is 0.155 mm of slot.']],
  [
    'nut-slot',
    { heldAt: 2, gap: 0.05 },
    [],
    [
      'The slot is 0.103 mm too deep: fill it or make a new nut.',
      'Each 0.100 mm of gap is 0.206 mm of slot.',
    ],
  ],
  [
    'nut-layout',
    { gauges: [1, 1], width: 10 },
    [],
    ['Centres from the bass edge: 0.500 mm, 9.500 mm.', 'Clear between neighbours: 8.000 mm.'],
  ],
  [
    'relief-convert',
    {},
    [],
    ['0.125 mm at fret 6, pressed at 1 and 14.', 'The deepest gap over that span is 0.126 mm.'],
  ],
  [
    'truss-turn',
    {},
    [],
    [
      'Tighten a quarter turn: about 0.271 mm expected (0.173 mm to 0.368 mm). Wait, read again.',
      'From one logged turn over what such a rod usually does.',
    ],
  ],
  ['truss-turn', { relief: 0.22, turns: [] }, [], ['Leave it.', 'Relief is in its band.']],
  [
    'truss-turn',
    { relief: 0.02, turns: [], prior: { perEighth: 0.1, sd: 0.01 } },
    [],
    [
      'Loosen three sixteenths of a turn: about 0.170 mm expected (0.107 mm to 0.233 mm). Wait, read again.',
      'From what such a rod usually does.',
    ],
  ],
  [
    'truss-turn',
    {
      relief: 0.4,
      turns: [
        { eighths: 8, before: 0.4, after: 0.4 },
        { eighths: 8, before: 0.4, after: 0.4 },
      ],
    },
    [],
    ['Stop.', 'Two turns have not moved the neck. Stop: the rod is at its end, broken or not bearing.'],
  ],
  ['rod-to-action', {}, [], ['The action at 12 comes down by about 0.165 mm (1.65 × the change of relief).']],
  [
    'rod-to-action',
    { reliefChange: 0.1, fret: 17 },
    [],
    ['The action at 17 goes up by about 0.126 mm (1.26 × the change of relief).'],
  ],
  ['intonation-saddle', { compensation: 2 }, [], ['The contact moves 1.516 mm back, away from the nut.']],
  ['intonation-saddle', { cents: -4 }, [], ['The contact moves 1.492 mm forward, toward the nut.']],
  ['intonation-saddle', { cents: 0 }, [], ['The contact stays.']],
  [
    'intonation-fit',
    { compensation: 2 },
    [],
    [
      'The saddle’s contact moves 0.457 mm back, away from the nut.',
      'The nut’s contact moves 1.743 mm toward the saddle, give or take 0.278 mm.',
      'The errors fall from 5.2 to 0.3 cents (root mean square).',
    ],
  ],
  [
    'intonation-fit',
    { nut: false },
    [],
    [
      'The saddle’s contact moves 2.864 mm back, away from the nut.',
      'The errors fall from 5.2 to 3.2 cents (root mean square).',
    ],
  ],
  [
    'intonation-fit',
    {
      readings: [
        { fret: 1, cents: -6 },
        { fret: 2, cents: -6 },
        { fret: 5, cents: -5 },
        { fret: 12, cents: -9 },
      ],
    },
    [],
    [
      'The saddle’s contact moves 1.281 mm forward, toward the nut.',
      'The nut’s contact moves 1.945 mm away from the saddle, give or take 0.267 mm.',
      'The errors fall from 6.7 to 0.8 cents (root mean square).',
    ],
  ],
  [
    'intonation-fit',
    {
      readings: [
        { fret: 1, cents: 0 },
        { fret: 2, cents: 0 },
        { fret: 3, cents: 0 },
        { fret: 12, cents: 0 },
      ],
    },
    [],
    [
      'The saddle’s contact stays.',
      'The nut’s contact stays.',
      'The errors fall from 0.0 to 0.0 cents (root mean square).',
    ],
  ],
  [
    'contact-fit',
    {},
    [],
    [
      'It does not fit: 0.500 mm behind the crown.',
      'Or: reverse or re-cut the crown, so that the contact starts from its other edge.',
      'Or: let the saddle overhang behind its slot by 0.50 mm.',
      'Or: fill the slot and rout it again where the contact must be.',
      'Or: compensate at the nut: bring its contact toward the saddle for part of the move.',
    ],
  ],
  ['contact-fit', { move: 1 }, [], ['It fits: 2.500 mm from the front edge.']],
  [
    'contact-fit',
    { move: -2 },
    [],
    [
      'It does not fit: 0.500 mm in front of the crown.',
      'Or: reverse or re-cut the crown, so that the contact starts from its other edge.',
      'Or: let the saddle overhang in front of its slot by 0.50 mm.',
      'Or: fill the slot and rout it again where the contact must be.',
    ],
  ],
  [
    'string-tension',
    {},
    [],
    [
      '218.5 N in all (22.3 kg): 113.8, 104.7 N.',
      'Core from the shop’s table of usual cores: string 1 0.439 mm.',
    ],
  ],
  [
    'string-tension',
    { before: 300 },
    [],
    [
      '218.5 N in all (22.3 kg): 113.8, 104.7 N.',
      '81.5 N less than before: less relief.',
      'Core from the shop’s table of usual cores: string 1 0.439 mm.',
    ],
  ],
  [
    'string-tension',
    { before: 100 },
    [],
    [
      '218.5 N in all (22.3 kg): 113.8, 104.7 N.',
      '118.5 N more than before: more relief.',
      'Core from the shop’s table of usual cores: string 1 0.439 mm.',
    ],
  ],
  [
    'string-tension',
    { before: 218.5 },
    [],
    [
      '218.5 N in all (22.3 kg): 113.8, 104.7 N.',
      '0.0 N less than before: the neck will hardly answer.',
      'Core from the shop’s table of usual cores: string 1 0.439 mm.',
    ],
  ],
  [
    'string-tension',
    { strings: [{ gauge: 1.35, kind: 'wound', core: 0.45, frequency: 82.4 }] },
    [],
    ['114.5 N in all (11.7 kg): 114.5 N.'],
  ],
  [
    'predicted-intonation',
    {},
    [],
    [
      'Start with a compensation of 1.655 mm for this string.',
      'Fret 1: 0.85 cents, Fret 5: 0.05 cents, Fret 12: -0.93 cents.',
    ],
  ],
  [
    'fret-level',
    {},
    [],
    [
      '3 places stand over the level surface; action and nut gaps rise by about 0.007 mm.',
      'Every fret keeps its least height.',
      'Dress the high spots only: 0.110 mm off in all, 0.895 mm left at least.',
      'Level all: 0.202 mm off in all, 0.884 mm left at least.',
      'Replace some, level the rest with them: 0.202 mm off in all, 0.884 mm left at least.',
      'Replace all: 0.600 mm off in all, 1.090 mm left at least.',
    ],
  ],
  [
    'fret-level',
    {
      frets: [
        { fret: 1, bass: 0, middle: 0, treble: 0, height: 0.5 },
        { fret: 2, bass: 0, middle: 0, treble: 0, height: 0.5 },
        { fret: 3, bass: 0, middle: 0, treble: 0, height: 0.5 },
      ],
    },
    [],
    [
      'The frets are level: leave them.',
      'Too low afterwards: fret 1, 2, 3.',
      'Dress the high spots only: 0.000 mm off in all, 0.500 mm left at least.',
      'Level all: 0.000 mm off in all, 0.500 mm left at least.',
      'Replace some, level the rest with them: 0.000 mm off in all, 1.200 mm left at least (new: 1, 2, 3).',
      'Replace all: 0.000 mm off in all, 1.200 mm left at least.',
    ],
  ],
  [
    'fret-level',
    {
      frets: [
        { fret: 1, bass: 0, middle: 0, treble: 0, height: 0.65 },
        { fret: 2, bass: 0.1, middle: 0, treble: 0, height: 0.65 },
        { fret: 3, bass: 0, middle: 0, treble: 0, height: 0.65 },
      ],
      replace: [2],
    },
    [],
    [
      '1 place stands over the level surface; action and nut gaps rise by about 0.000 mm.',
      'Too low afterwards: fret 2.',
      'Dress the high spots only: 0.100 mm off in all, 0.550 mm left at least.',
      'Level all: 0.100 mm off in all, 0.550 mm left at least.',
      'Replace some, level the rest with them: 1.750 mm off in all, 0.550 mm left at least (new: 2).',
      'Replace all: 0.100 mm off in all, 1.100 mm left at least.',
    ],
  ],
  [
    'clearance',
    {},
    [],
    ['Buzzes from fret 1 on.', 'Least margin -0.039 mm: held at 1, over fret 5 (0.955 mm at rest).'],
  ],
  [
    'clearance',
    { force: 0 },
    [],
    [
      'No buzz: the tightest is 0.191 mm over fret 20, held at 19.',
      'Least margin 0.191 mm: held at 19, over fret 20 (0.191 mm at rest).',
    ],
  ],
  [
    'clearance',
    { nut: 0.05, force: 4 },
    [],
    ['Buzzes from the open string on.', 'Least margin -1.782 mm: open, over fret 4 (0.969 mm at rest).'],
  ],
  [
    'clearance',
    { tops: [{ fret: 9, offset: 0.4 }], force: 0.5 },
    [],
    ['Buzzes from fret 7 on.', 'Least margin -0.230 mm: held at 8, over fret 9 (-0.178 mm at rest).'],
  ],
  [
    'saddle-top',
    { strings: 4, radius: 'flat' },
    [],
    ['Bass to treble: 11.000 mm, 10.667 mm, 10.333 mm, 10.000 mm.'],
  ],
  [
    'saddle-top',
    { nutRadius: 254, endRadius: 406, boardLength: 460, scale: 648, compensation: 2, strings: 3 },
    ['radius'],
    ['Bass to treble: 11.000 mm, 11.278 mm, 10.000 mm.'],
  ],
  [
    'pilot-hole',
    {},
    [],
    [
      'Drill 2.10 mm (2.100 mm), flag at 12 mm.',
      'Eyes guarded, work held fast, tape on the drill; run in reverse to back out.',
    ],
  ],
];

test.each(SAID)('%s with %j, without %j', (id, over, without, said) => {
  const sum = sumById(id);
  const input = example(id, over, without);
  const done = sum && runDeclared(sum, input);
  if (!done?.ok) throw new Error(done?.error.message ?? id);
  expect(sum?.words(input, done.value, SAY)).toEqual(said);
});

/** With the saddle drawn far forward, a high fret lies behind it. */
const FORWARD = { scale: 100, compensation: -50 };

describe('what lies behind the saddle, and other edges', () => {
  test.each<[string, object, string]>([
    ['intonation-saddle', { ...FORWARD, fret: 36 }, 'fret'],
    ['intonation-saddle', { fret: 1, cents: 100 }, 'cents'],
    ['intonation-fit', { ...FORWARD, readings: [{ fret: 36, cents: 2 }], nut: false }, 'readings.0.fret'],
    ['predicted-intonation', { ...FORWARD, frets: [5, 36] }, 'frets.1'],
    ['predicted-intonation', { ...FORWARD, frets: [36] }, 'frets.0'],
    ['neck-reset', { ...FORWARD, joint: 36 }, 'joint'],
    ['clearance', { ...FORWARD, frets: 36, pluck: 10, relief: undefined }, 'frets'],
    ['clearance', { pluck: 648 }, 'pluck'],
    ['shim', { lip: 648, end: 700 }, 'lip'],
    ['shim', { lip: 410, end: 410 }, 'end'],
    ['string-tension', { strings: [{ gauge: 1, kind: 'wound', core: 1, frequency: 82 }] }, 'strings.0.core'],
  ])('%s with %j is refused at %s', (id, over, field) => {
    expect(runSum(id, example(id, over))).toMatchObject({ ok: false, error: { code: 'outside', field } });
  });

  test.each<[string, object]>([
    ['contact-fit', { crown: 3, contact: 3, move: 0 }],
    ['slot-floor', { bridge: 5, slot: 5, shave: 0, minimum: 0 }],
    ['clearance', { tops: [{ fret: 20, offset: 0.01 }] }],
    ['intonation-fit', { compensation: 2, readings: [{ fret: 24, cents: 2 }], nut: false }],
    ['neck-angle', { standout: { low: 4.5, high: 4.5 } }],
    ['truss-turn', { target: { low: 0.2, aim: 0.2, high: 0.2 } }],
    ['fret-level', { fallAway: { from: 3, amount: 0.1 }, replace: [1] }],
  ])('%s with %j is at its edge and runs', (id, over) => {
    expect(runSum(id, example(id, over)).ok).toBe(true);
  });

  test('two frets that stand high add to the bow, and the first place that buzzes is found', () => {
    const bowed = runSum('clearance', example('clearance', { force: 0.2, tops: [{ fret: 3, offset: 2 }] }));
    expect(bowed).toMatchObject({ ok: true, value: { firstBuzz: 0, worst: { fret: 3 } } });
    const none = runSum('clearance', example('clearance', { force: 0 }));
    expect(none).toMatchObject({ ok: true, value: { firstBuzz: null, worst: { held: 19, fret: 20 } } });
  });

  test('what is not a number, or missing, is said as that', () => {
    expect(runSum('break-angle', { rise: 'x', run: 1 })).toMatchObject({
      error: { message: 'rise must be a number.' },
    });
    expect(runSum('break-angle', { run: 1 })).toMatchObject({ error: { message: 'rise is missing.' } });
    expect(runSum('saddle-height', example('saddle-height', { bass: 3 }))).toMatchObject({
      error: { field: 'bass', message: 'bass must be a group of fields.' },
    });
    expect(runSum('saddle-height', example('saddle-height', {}, ['bass']))).toMatchObject({
      error: { message: 'bass is missing.' },
    });
    expect(runSum('break-angle', undefined)).toMatchObject({ error: { message: 'The input is missing.' } });
    expect(runSum('pilot-hole', { screw: 3, wood: 'oak' })).toMatchObject({
      error: { message: 'wood must be one of: soft, hard.' },
    });
  });

  test('a result that is not finite is never given', () => {
    const sum = sumById('break-angle');
    if (!sum) throw new Error('no sum');
    const broken = (value: unknown) =>
      runDeclared({ ...sum, run: () => ({ ok: true, value }) }, { rise: 1, run: 1 });
    const refused = {
      ok: false,
      error: { code: 'outside', field: '', message: 'These values lie outside what this sum can say.' },
    };
    for (const bad of [{ a: Number.NaN }, { a: [1, Infinity] }, { a: { b: -Infinity } }, [1, Number.NaN]]) {
      expect(broken(bad)).toEqual(refused);
    }
    for (const good of [{ a: 1 }, { a: null }, { a: 'text' }, { a: [] }]) expect(broken(good).ok).toBe(true);
  });
});
