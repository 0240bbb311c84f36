import type { Checklist, ChecklistItem } from './checklist.ts';
import type { Condition } from './condition.ts';

const ALWAYS: Condition = { all: [] };
const ACOUSTIC: Condition = { fact: 'kind', is: ['steel-acoustic', 'twelve-string', 'nylon', 'ukulele'] };
const STEEL_TOP: Condition = { fact: 'bridge', is: ['pinned'] };
const SOUNDHOLE: Condition = ACOUSTIC;
const WIRED: Condition = { fact: 'electronics', isNot: ['none'] };
const BATTERY: Condition = { fact: 'electronics', is: ['active', 'under-saddle'] };
const MAGNETIC: Condition = { fact: 'kind', is: ['solid-electric', 'semi-hollow', 'archtop', 'bass'] };
const ROD: Condition = { fact: 'rod', isNot: ['none'] };
const VIBRATO: Condition = { fact: 'vibrato', isNot: ['none'] };
const FLOATING: Condition = { fact: 'vibrato', is: ['floating'] };
const POCKET: Condition = { fact: 'joint', is: ['bolted', 'bolted-shims'] };
const RAW_BOARD: Condition = { fact: 'fingerboard', is: ['raw'] };
const MOVING_SADDLES: Condition = { fact: 'bridge', is: ['individual'] };

type Row = readonly [
  key: string,
  title: string,
  help: string,
  when?: Condition,
  leadsTo?: ChecklistItem['leadsTo'],
];

const group = (name: string, phase: ChecklistItem['phase'], rows: readonly Row[]): ChecklistItem[] =>
  rows.map(([key, title, help, when = ALWAYS, leadsTo]) => ({
    key,
    group: name,
    phase,
    title,
    help,
    when,
    ...(leadsTo === undefined ? {} : { leadsTo }),
  }));

/** The shop's setup checklist as shipped: ordered by hands, strings on first. */
export const SETUP_CHECKLIST: Checklist = {
  name: 'Setup',
  version: 1,
  items: [
    ...group('First look', 'strings-on', [
      ['case', 'Case and what is in it', 'Latches, lining, smell of damp or glue. Count what came with it.'],
      [
        'damage',
        'Damage already there',
        'Turn it in the light: front, back, sides, headstock. Show the customer.',
      ],
      ['rattle', 'Shake and listen', 'Loose brace, screw, wire or a pick inside.', ALWAYS, 'tighten'],
    ]),
    ...group('Under tension', 'strings-on', [
      ['tune', 'Tuned, stretched, tuned again', 'Two or three rounds, in the tuning the customer uses.'],
      ['open-buzz', 'Open strings ring clear', 'Pluck each open string as hard as the customer does.'],
      [
        'fretted-buzz',
        'Every string at every fret',
        'Listen for buzz, choke and dead notes. Note the place.',
        ALWAYS,
        'fret-dress',
      ],
      [
        'bends',
        'Bends around and above the 12th',
        'A note that chokes in a bend: high fret, hump or fall-away.',
        { fact: 'kind', isNot: ['nylon', 'ukulele'] },
      ],
      [
        'sight',
        'Neck sighted along both edges',
        'From the headstock: straight, dip, hump, twist, rise at the far end.',
      ],
      [
        'rod',
        'Rod nut turns freely',
        'Ease it loose first, then back. Which way, how far; at its limit changes the plan.',
        ROD,
      ],
      [
        'grip',
        'Strings slide in the nut',
        'A ping or a jump while tuning: the slot grips.',
        ALWAYS,
        'nut-slots',
      ],
      ['nut-cracks', 'Nut whole and seated', 'Cracks, filler, loose, uneven spacing.', ALWAYS, 'nut-new'],
      [
        'contact',
        'Where each string leaves the saddle',
        'Front edge, middle or back? The old saddle may have its own fault.',
      ],
      [
        'break',
        'Break angle behind the saddle',
        'Enough to hold the string; the wrapped end not on the saddle.',
        { any: [STEEL_TOP, MOVING_SADDLES, { fact: 'bridge', is: ['thumbwheel', 'floating'] }] },
      ],
      [
        'pins',
        'Bridge pins seat all the way',
        'All at the same height, none creeping up; ball ends against the plate.',
        STEEL_TOP,
      ],
      [
        'ties',
        'Ties tidy at the block',
        'No string end touching the top; loops not on the saddle.',
        { fact: 'bridge', is: ['tie-block'] },
      ],
      [
        'saddle-screws',
        'Saddle screws turn and hold',
        'Each height and length screw; none at its end.',
        MOVING_SADDLES,
      ],
      ['vibrato-return', 'Vibrato comes back to pitch', 'Down and up, then check the tuning.', VIBRATO],
      [
        'vibrato-float',
        'Vibrato floats level',
        'Plate parallel to the body at pitch; springs quiet.',
        FLOATING,
      ],
    ]),
    ...group('Electronics', 'strings-on', [
      [
        'controls',
        'Every control through its travel',
        'Crackle, dead spots, loose knobs.',
        WIRED,
        'clean-controls',
      ],
      ['switch', 'Every switch position', 'Each position sounds, none cuts out.', MAGNETIC, 'clean-controls'],
      ['socket', 'Output socket tight', 'Wiggle the plug: no crackle, nut tight.', WIRED, 'tighten'],
      [
        'battery',
        'Battery fresh, contacts clean',
        'Corroded cells leak acid: gloves, do not touch the eyes; dispose as the law asks.',
        BATTERY,
        'battery',
      ],
      [
        'pickup-height',
        'Pickup heights, last fret held',
        'Even output string to string; no pull on the low strings.',
        MAGNETIC,
      ],
    ]),
    ...group('Hardware', 'strings-on', [
      ['tuners', 'Tuners and bushings', 'Turn each: smooth, no play, bushings seated.', ALWAYS, 'tighten'],
      [
        'buttons',
        'Strap buttons and plates',
        'Screws hold; none stripped.',
        { fact: 'kind', isNot: ['ukulele', 'nylon'] },
        'tighten',
      ],
    ]),
    ...group('Frets and board', 'strings-off', [
      [
        'fret-wear',
        'Fret wear',
        'Pits under the plain strings at the first frets; height left.',
        ALWAYS,
        'fret-dress',
      ],
      [
        'fret-level',
        'Frets level',
        'Rocker over three at a time; thin feeler under a straightedge in thirds.',
        ALWAYS,
        'fret-dress',
      ],
      [
        'fret-ends',
        'Fret ends',
        'A feeler under an end means it is not seated. Sharp ends: the board has dried.',
        ALWAYS,
        'fret-ends',
      ],
      [
        'board',
        'Fingerboard dry or dirty',
        'Raw wood may be oiled; test on a hidden place.',
        RAW_BOARD,
        'board-clean',
      ],
      [
        'board-lacquer',
        'Lacquer on the board',
        'Worn through, lifting, sticky. No oil on lacquer.',
        { fact: 'fingerboard', is: ['lacquered'] },
      ],
      ['binding', 'Binding, inlays, dots', 'Loose, lifting, missing.'],
    ]),
    ...group('Body', 'strings-off', [
      ['top', 'Top bulged or sunken', 'Straightedge across, in front of and behind the bridge.', ACOUSTIC],
      [
        'soundhole',
        'Braces and plate, through the soundhole',
        'Mirror and light: loose braces, ball-end wear, cracks.',
        SOUNDHOLE,
      ],
      ['bridge-lift', 'Bridge down all round', 'Slide paper under its edge.', ACOUSTIC, 'bridge-reglue'],
      ['neck-angle', 'Neck angle', 'A straightedge on the frets meets the bridge where?', ACOUSTIC],
      ['pocket', 'Neck pocket tight', 'Shims, screws, movement when pushed sideways.', POCKET, 'tighten'],
      [
        'cavity',
        'Wiring and earlier work',
        'Cold joints, corrosion, replaced parts. Mains-powered gear is for a licensed person.',
        MAGNETIC,
      ],
      ['finish', 'Finish: which, and its state', 'Crazing, wear, dings. It decides what may touch it.'],
    ]),
  ],
};
