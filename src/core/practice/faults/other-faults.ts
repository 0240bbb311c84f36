import { KIND_RECORDS } from '../../instrument/kinds.ts';
import type { Construction } from '../../instrument/construction.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { gaugeSpan } from '../../instrument/defaults.ts';
import { pullToRelief } from '../../strings/pull-to-relief.ts';
import { pulls } from '../../strings/string-pull.ts';
import { sizeWords } from '../../units/words-in.ts';
import { moved, type Flaw } from '../insides.ts';
import { hasOtherSet, mend, work, workWhile } from '../remedies.ts';
import type { Draw, Fault, FaultGroup, FaultLevel } from './fault.ts';

const always: Fault['fits'] = () => true;
const isWired: Fault['fits'] = (c) => c.electronics !== 'none';
const hasBattery: Fault['fits'] = (c) => c.electronics === 'active' || c.electronics === 'under-saddle';
const hasCoils: Fault['fits'] = (c) =>
  KIND_RECORDS[c.kind].magnetic && c.electronics !== 'none' && c.electronics !== 'under-saddle';
const hasTop: Fault['fits'] = (c) => KIND_RECORDS[c.kind].soundboard;
const isStrapped: Fault['fits'] = (c) => KIND_RECORDS[c.kind].strapped;

interface OneFlaw {
  readonly id: string;
  readonly name: string;
  readonly group: FaultGroup;
  readonly level: FaultLevel;
  readonly finding: string;
  readonly operation: OperationId;
  readonly fits: Fault['fits'];
  readonly says: Fault['says'];
  readonly why: string;
  readonly touches?: readonly string[];
  readonly more?: (c: Construction, draw: Draw) => Partial<Flaw>;
}

/** A fault that is seen as one thing and mended as one. */
const oneFlaw = ({
  id,
  name,
  group,
  level,
  finding,
  operation,
  fits,
  says,
  why,
  touches,
  more,
}: OneFlaw): Fault => ({
  id,
  name,
  group,
  level,
  touches: touches ?? [finding.split(':')[0] ?? finding],
  fits,
  hide: (inside, draw) => ({
    ...inside,
    flaws: [...inside.flaws, { finding, operation, ...more?.(inside.construction, draw) }],
  }),
  says,
  remedy: mend(finding),
  explains: () => why,
});

/** Heard on every string once it is plugged in. */
const overAmp = (says: string) => (): Partial<Flaw> => ({ heard: { says: `over the amp ${says}` } });

const rattling = (_: Construction, draw: Draw): Partial<Flaw> => ({
  also: ['resonance:rattles'],
  rattles: draw.whole(0, 11),
});

/** How much heavier a set is that somebody put on by mistake. */
const HEAVIER = 1.16;

/** What can be wrong with strings and tuners. */
export const STRING_FAULTS: readonly Fault[] = [
  oneFlaw({
    id: 'old-strings',
    name: 'Strings worn out',
    group: 'strings',
    level: 1,
    finding: 'strings:old',
    operation: 'restring',
    fits: always,
    touches: ['set', 'contact'],
    more: (c, draw) => ({
      cents: c.strings.map(() => draw.pick([-1, 1]) * draw.between(3, 7)),
    }),
    says: ['It does not tune any more, this way or that.', 'It sounds like cardboard.'],
    why: 'Old strings are uneven in themselves: each is off at the 12th by its own amount, this way and that. No saddle was moved for that; new ones, then the reading.',
  }),
  {
    id: 'heavy-set',
    name: 'A heavier set than the customer’s',
    group: 'strings',
    level: 2,
    touches: ['set', 'relief'],
    fits: (c) => c.rod !== 'none',
    hide: (inside) =>
      moved(inside, {
        strings: inside.construction.strings.map((s) => ({
          ...s,
          gauge: Number((s.gauge * HEAVIER).toFixed(3)),
        })),
      }),
    says: ['A friend put new strings on, now it is stiff and high.'],
    remedy: workWhile(hasOtherSet, () => work('restring')),
    explains: ({ construction: c, moves }) => {
      const sum = (list: Float64Array): number => list.reduce((a, b) => a + b, 0);
      const [own, heavy] = [sum(pulls(c)), sum(pulls(c, moves.strings ?? c.strings))];
      const bow = pullToRelief(own, heavy).reliefChange;
      return `The set on it was ${gaugeSpan(moves.strings ?? c.strings)} and not ${gaugeSpan(c.strings)}: ${Math.round(heavy - own)} N more pull, about ${sizeWords(bow)} more relief, and the action with it. With the customer’s own set all stands where it should.`;
    },
  },
  oneFlaw({
    id: 'tuner-slips',
    name: 'A tuner that slips',
    group: 'strings',
    level: 1,
    finding: 'tuners:slips',
    operation: 'tuners',
    fits: always,
    more: (c, draw) => ({
      heard: { says: 'its pitch sinks while it rings', strings: [draw.whole(0, c.strings.length - 1)] },
    }),
    says: ['It is out of tune again after one song.'],
    why: 'A tuner gave way under the string. It is set and tightened.',
  }),
];

/** What can be wrong with what is wired. */
export const ELECTRIC_FAULTS: readonly Fault[] = [
  oneFlaw({
    id: 'crackle',
    name: 'A control that crackles',
    group: 'electronics',
    level: 1,
    finding: 'controls:crackles',
    operation: 'clean-controls',
    fits: isWired,
    more: overAmp('it crackles while the control is turned'),
    says: ['It crackles when I turn it up.'],
    why: 'Dirt in the control: it is cleaned, nothing is replaced.',
  }),
  oneFlaw({
    id: 'socket',
    name: 'A loose output socket',
    group: 'electronics',
    level: 1,
    finding: 'socket:loose',
    operation: 'socket',
    fits: isWired,
    more: overAmp('it comes and goes as the plug is moved'),
    says: ['Sometimes the sound is gone until I move the plug.'],
    why: 'The nut of the socket was loose and the lug turned with it.',
  }),
  oneFlaw({
    id: 'cold-joint',
    name: 'A cold joint',
    group: 'electronics',
    level: 2,
    finding: 'cavity:cold',
    operation: 'wiring',
    fits: hasCoils,
    more: overAmp('it cuts out when the body is tapped'),
    says: ['It cuts out when I tap on it.'],
    why: 'A joint had never taken. It is made anew; the part it holds is good, and its kΩ say so.',
  }),
  oneFlaw({
    id: 'battery',
    name: 'A flat battery',
    group: 'electronics',
    level: 1,
    finding: 'battery:flat',
    operation: 'battery',
    fits: hasBattery,
    more: overAmp('it is thin and distorted'),
    says: ['It sounds thin and distorted over the amp.'],
    why: 'The battery was flat. It is looked at first, before anything is taken apart.',
  }),
  oneFlaw({
    id: 'dead-coil',
    name: 'A dead pickup',
    group: 'electronics',
    level: 2,
    finding: 'noise:dead',
    operation: 'pickup-new',
    fits: hasCoils,
    more: overAmp('there is nothing in one position'),
    says: ['In one position there is nothing at all.'],
    why: 'At the output one pickup read next to nothing where its fellow read 7.2 kΩ: the coil itself is gone. No joint mends that.',
  }),
  oneFlaw({
    id: 'pickup-near',
    name: 'A pickup too near the strings',
    group: 'electronics',
    level: 3,
    finding: 'pickup-height:near',
    operation: 'pickup-height',
    fits: hasCoils,
    touches: ['contact', 'pickup-height'],
    more: (c) => ({
      cents: c.strings.map((s, i) => (s.wound && i < 2 ? 6 - i : 0)),
      heard: { says: 'over the amp it warbles', strings: [0, 1] },
    }),
    says: ['The low strings warble high up.', 'It will not intonate, whatever I do with the saddles.'],
    why: 'The magnets pulled the low strings: they warble and read sharp at the 12th. The pickup goes down before any saddle moves.',
  }),
  oneFlaw({
    id: 'shield-open',
    name: 'Shielding not joined up',
    group: 'electronics',
    level: 2,
    finding: 'shield:open',
    operation: 'shield',
    fits: hasCoils,
    more: overAmp('it hums until the strings are touched'),
    says: ['It hums as soon as I let go of the strings.'],
    why: 'A part of the shielding was not joined to the ground.',
  }),
];

/** What can be loose, open or dry. */
export const NOISE_FAULTS: readonly Fault[] = [
  oneFlaw({
    id: 'bushing',
    name: 'A loose tuner bushing',
    group: 'noise',
    level: 2,
    finding: 'bushings:loose',
    operation: 'tuners',
    fits: always,
    touches: ['rattle', 'tuners'],
    more: rattling,
    says: ['One note buzzes, on every string where it comes.', 'There is a rattle, but only on one note.'],
    why: 'The rattle came with one pitch, whatever the string: then it is no fret but something loose. A bushing was; held with a finger, it stopped.',
  }),
  oneFlaw({
    id: 'button',
    name: 'A loose strap button',
    group: 'noise',
    level: 1,
    finding: 'buttons:loose',
    operation: 'tighten',
    fits: isStrapped,
    touches: ['rattle', 'buttons'],
    more: rattling,
    says: ['Something rattles along with certain notes.'],
    why: 'The rattle came with one pitch, whatever the string: a screw was loose, and no fret was at fault.',
  }),
  oneFlaw({
    id: 'brace',
    name: 'A loose brace',
    group: 'noise',
    level: 3,
    finding: 'braces:loose',
    operation: 'brace-glue',
    fits: hasTop,
    touches: ['rattle', 'braces'],
    more: rattling,
    says: ['It has a buzz inside, like a fly.'],
    why: 'The end of a brace was loose and buzzed with its own pitch. Mirror and light show it, strings off.',
  }),
  oneFlaw({
    id: 'crack',
    name: 'A crack that moves',
    group: 'noise',
    level: 2,
    finding: 'cracks:moves',
    operation: 'crack-glue',
    fits: (c) => KIND_RECORDS[c.kind].hollow,
    touches: ['rattle', 'cracks'],
    more: rattling,
    says: ['It got a knock, and now it rasps on some notes.'],
    why: 'The edges of a crack rubbed on each other at one pitch. It is glued.',
  }),
  oneFlaw({
    id: 'dry',
    name: 'Too dry',
    group: 'noise',
    level: 3,
    finding: 'dry:dry',
    operation: 'humidify',
    fits: hasTop,
    touches: ['saddle', 'ends', 'damp'],
    more: (_, draw) => ({
      also: ['fret-ends:sharp', 'top:sunken'],
      saddle: -draw.between(1.3, 1.7),
      reads: { 'nut-width': -0.4 },
    }),
    says: ['All winter by the stove it was fine, now it rattles and scratches.'],
    why: 'The top had sunk with the dry air and taken the strings down, and the board had shrunk past its frets. It is brought to humidity and given days; a higher saddle would stand too high when the top comes back.',
  }),
];
