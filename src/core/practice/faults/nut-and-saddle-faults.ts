import { isAdjustable } from '../../instrument/construction.ts';
import { sizeWords as mm } from '../../units/words-in.ts';
import { withString } from '../../whatif/moves.ts';
import { PER_GAP } from '../../whatif/neck-model.ts';
import { moved, type Insides } from '../insides.ts';
import { pluck } from '../listen.ts';
import { stringCalled } from '../read.ts';
import { intonated, levelledAtSaddle, mend, saddleNeeds, slotted } from '../remedies.ts';
import type { Fault } from './fault.ts';

const always: Fault['fits'] = () => true;

const slot = (inside: Insides, string: number, gap: number): Insides =>
  moved(inside, {
    nut: withString(
      inside.moves.nut,
      string,
      (inside.moves.nut[string] ?? 0) + gap * PER_GAP,
      inside.construction.strings.length,
    ),
  });

/** How far a slot stands from where it should, as a gap over fret 1, mm. */
const gapOff = ({ moves }: Insides, string: number): number => (moves.nut[string] ?? 0) / PER_GAP;

/** How finely a slot that is too deep is looked for, gap in mm. */
const STEP = 0.01;

const mostOff = (inside: Insides): number =>
  inside.moves.nut.reduce(
    (best, v, i) => (Math.abs(v) > Math.abs(inside.moves.nut[best] ?? 0) ? i : best),
    0,
  );

const saidSaddle = (inside: Insides): string => {
  const { bass, treble } = saddleNeeds(inside);
  return `${mm(Math.abs(bass))} ${bass < 0 ? 'down' : 'up'} at the bass, ${mm(Math.abs(treble))} ${treble < 0 ? 'down' : 'up'} at the treble`;
};

/** What can be wrong with a nut. */
export const NUT_FAULTS: readonly Fault[] = [
  {
    id: 'nut-high',
    name: 'The nut too high',
    group: 'nut',
    level: 1,
    touches: ['nut'],
    fits: always,
    hide: (inside, draw) => {
      const by = draw.between(0.22, 0.34);
      return inside.construction.strings.reduce((now, _, i) => slot(now, i, by), inside);
    },
    says: [
      'Chords at the first frets hurt.',
      'A barre at the first fret is impossible, and it sounds off there.',
    ],
    remedy: slotted,
    explains: (inside) =>
      `Every slot stood about ${mm(gapOff(inside, 0))} too high, read as the gap over fret 1. Held behind fret 3, each tenth of gap is ${mm(0.1 * PER_GAP)} of slot. That is why it was hard and sharp there, and right further up.`,
  },
  {
    id: 'slot-low',
    name: 'One slot too deep',
    group: 'nut',
    level: 1,
    touches: ['nut'],
    fits: always,
    hide: (inside, draw) => {
      const string = draw.whole(0, inside.construction.strings.length - 1);
      // Down until the open string just meets the first fret when it is plucked, and a little more.
      let down = slot(inside, string, -(inside.sound.nut[string] ?? 0) / PER_GAP);
      while (pluck(down, { string, held: 0 }).room === 'clear') down = slot(down, string, -STEP);
      return slot(down, string, -draw.between(0.02, 0.04));
    },
    says: [
      'One open string buzzes, as soon as I press it is fine.',
      'It only rattles when I play the string open.',
    ],
    remedy: slotted,
    explains: (inside) => {
      const i = mostOff(inside);
      return `The slot of string ${stringCalled(inside.construction, i)} was ${mm(Math.abs(gapOff(inside, i)) * PER_GAP)} too deep: open it lay on the first fret, pressed it did not matter. The slot is filled and cut anew; the neck and the frets were innocent.`;
    },
  },
  {
    id: 'slot-high',
    name: 'One slot too high',
    group: 'nut',
    level: 2,
    touches: ['nut'],
    fits: always,
    hide: (inside, draw) =>
      slot(inside, draw.whole(0, inside.construction.strings.length - 1), draw.between(0.28, 0.42)),
    says: ['One string is out of tune in the first chords, whatever I do.'],
    remedy: slotted,
    explains: (inside) => {
      const i = mostOff(inside);
      return `Only the slot of string ${stringCalled(inside.construction, i)} stood high, by ${mm(gapOff(inside, i))} of gap. Its neighbours need nothing.`;
    },
  },
  {
    id: 'slot-grips',
    name: 'A slot grips its string',
    group: 'nut',
    level: 1,
    touches: ['grip'],
    fits: always,
    hide: (inside, draw) => {
      const string = draw.whole(0, inside.construction.strings.length - 1);
      const heard = { says: 'its pitch jumps as it is tuned', strings: [string] };
      return {
        ...inside,
        flaws: [...inside.flaws, { finding: 'grip:grips', operation: 'nut-slots', string, heard }],
      };
    },
    says: ['It jumps past the note when I tune it.', 'There is a ping in it when I tune, then it is off.'],
    remedy: mend('grip:grips'),
    explains: ({ construction: c, flaws }) => {
      const string = flaws.find((f) => f.finding === 'grip:grips')?.string ?? 0;
      return `The slot of string ${stringCalled(c, string)} held it: it is eased at its sides and not made deeper.`;
    },
  },
  {
    id: 'nut-cracked',
    name: 'A cracked nut',
    group: 'nut',
    level: 1,
    touches: ['nut', 'crack'],
    fits: always,
    hide: (inside) => ({
      ...inside,
      flaws: [
        ...inside.flaws,
        { finding: 'nut-cracks:cracked', operation: 'nut-new', reads: { 'nut-spacing': 0.9 } },
      ],
    }),
    says: ['One string slips sideways.', 'Something broke off at the top when it fell.'],
    remedy: mend('nut-cracks:cracked'),
    explains: () => 'The nut had a crack: it is made new. Nothing else had to be touched.',
  },
];

const raisedBy = (inside: Insides, bass: number, treble = bass): Insides =>
  moved(inside, { bass: inside.moves.bass + bass, treble: inside.moves.treble + treble });

/** What can be wrong with a saddle or a bridge. */
export const SADDLE_FAULTS: readonly Fault[] = [
  {
    id: 'saddle-high',
    name: 'The saddle too high',
    group: 'saddle',
    level: 1,
    touches: ['saddle'],
    fits: always,
    hide: (inside, draw) => raisedBy(inside, draw.between(1, 1.5)),
    says: [
      'It is hard to press above the fifth fret.',
      'Somebody put a new saddle in, since then I have to fight it.',
    ],
    remedy: levelledAtSaddle,
    explains: (inside) =>
      `With the neck right and the nut right the action stood too high on both sides. Twice what is wanted over the 12th: ${saidSaddle(inside)}.`,
  },
  {
    id: 'saddle-low',
    name: 'The saddle too low',
    group: 'saddle',
    level: 1,
    touches: ['saddle'],
    fits: always,
    hide: (inside, draw) => raisedBy(inside, -draw.between(1.3, 1.7)),
    says: ['It buzzes everywhere when I dig in.', 'I wanted it low, now it rattles all over.'],
    remedy: levelledAtSaddle,
    explains: (inside) =>
      `With the neck right the action was under its band on both sides and everything buzzed. The saddle comes up: ${saidSaddle(inside)}. The frets needed nothing.`,
  },
  {
    id: 'saddle-treble',
    name: 'The saddle too high at the treble',
    group: 'saddle',
    level: 2,
    touches: ['saddle'],
    fits: always,
    hide: (inside, draw) => raisedBy(inside, 0, draw.between(1, 1.4)),
    says: ['The thin strings cut into my fingers.'],
    remedy: levelledAtSaddle,
    explains: (inside) =>
      `Only the treble stood high: ${saidSaddle(inside)}. Both sides are read, or the bass goes too low with it.`,
  },
  {
    id: 'contact-front',
    name: 'One contact too far forward',
    group: 'saddle',
    level: 2,
    touches: ['contact'],
    fits: always,
    hide: (inside, draw) =>
      moved(inside, {
        contact: withString(
          inside.moves.contact,
          draw.whole(0, inside.construction.strings.length - 1),
          -draw.between(1.3, 2),
          inside.construction.strings.length,
        ),
      }),
    says: ['High up one string is never in tune.', 'Open it is right, at the octave it is not.'],
    remedy: intonated,
    explains: ({ construction: c, moves }) => {
      const i = moves.contact.findIndex((v) => v < -0.5);
      return `String ${stringCalled(c, Math.max(0, i))} left the saddle ${mm(Math.abs(moves.contact[i] ?? 0))} too far forward: too short, so sharp at the 12th. ${isAdjustable(c) ? 'Its saddle goes back' : 'The crown is cut further back'} by that.`;
    },
  },
  {
    id: 'bridge-lifting',
    name: 'The bridge lifting',
    group: 'saddle',
    level: 2,
    touches: ['saddle', 'bridge'],
    fits: (c) => !isAdjustable(c) && c.bridge !== 'individual-fixed',
    hide: (inside, draw) => ({
      ...inside,
      flaws: [
        ...inside.flaws,
        { finding: 'bridge-lift:lifting', operation: 'bridge-reglue', saddle: draw.between(1, 1.4) },
      ],
    }),
    says: ['It was in the car in summer, since then the strings are high.'],
    remedy: mend('bridge-lift:lifting'),
    explains: () =>
      'The back edge of the bridge had come up and taken the strings with it. It is glued; a saddle cut for it would have been far too low afterwards.',
  },
  {
    id: 'plate-worn',
    name: 'The plate under the bridge worn',
    group: 'saddle',
    level: 3,
    touches: ['contact', 'plate'],
    fits: (c) => c.bridge === 'pinned',
    hide: (inside) => ({
      ...inside,
      flaws: [
        ...inside.flaws,
        {
          finding: 'plate:worn',
          also: ['wrap:climbs'],
          operation: 'bridge-plate',
          cents: inside.construction.strings.map((s, i) => (s.wound && i < 2 ? 5 : 0)),
        },
      ],
    }),
    says: ['The two thick strings are off high up, with every new set.'],
    remedy: mend('plate:worn'),
    explains: () =>
      'The ball ends had eaten into the plate, so that the thick wrapped ends of the low strings lay on the saddle and spoiled their tuning. The plate is mended; no contact had to move.',
  },
  {
    id: 'pins-proud',
    name: 'Pins that do not seat',
    group: 'saddle',
    level: 1,
    touches: ['pins'],
    fits: (c) => c.bridge === 'pinned',
    hide: (inside, draw) => {
      const strings = [draw.whole(0, inside.construction.strings.length - 1)];
      const heard = { says: 'it sounds duller than its neighbours', strings };
      return { ...inside, flaws: [...inside.flaws, { finding: 'pins:proud', operation: 'pins', heard }] };
    },
    says: ['One of the pins keeps creeping up.'],
    remedy: mend('pins:proud'),
    explains: () =>
      'A pin stood proud of its hole: the hole is reamed a few strokes at a time until it seats.',
  },
];
