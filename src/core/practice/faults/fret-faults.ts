import { sizeWords as mm } from '../../units/words-in.ts';
import { moved, topsOf, type Insides } from '../insides.ts';
import { highestFret, mend, work } from '../remedies.ts';
import { overNeighbours } from '../work.ts';
import type { Fault } from './fault.ts';

const always: Fault['fits'] = () => true;
const FIRST_FRETS = [1, 2, 3];
const UNEVEN = 0.03;

const changed = (list: readonly number[], by: ReadonlyMap<number, number>): number[] =>
  list.map((v, n) => v + (by.get(n) ?? 0));

/** The frets that were filed from their place or have grown out of it. */
const raised = (inside: Insides): number[] =>
  topsOf(inside).flatMap((_, n) => (n > 1 && overNeighbours(topsOf(inside), n) > UNEVEN ? [n] : []));

const LIFTED = 0.03;

/** What can be wrong with frets. */
export const FRET_FAULTS: readonly Fault[] = [
  {
    id: 'high-fret',
    name: 'One fret too high',
    group: 'frets',
    level: 1,
    touches: ['tops'],
    fits: always,
    hide: (inside, draw) => {
      const fret = draw.whole(5, Math.min(11, inside.construction.bodyFret - 2));
      const up = new Map([[fret, draw.between(0.16, 0.22)]]);
      return {
        ...moved(inside, { tops: changed(inside.moves.tops, up) }),
        crowns: changed(inside.crowns, up),
      };
    },
    says: ['There is one place where it buzzes on every string.', 'A few notes rattle, the rest is lovely.'],
    remedy: (inside) => {
      const { fret, over } = highestFret(inside);
      return over > UNEVEN ? work('fret-spot', { fret }) : null;
    },
    explains: (inside) => {
      const { fret, over } = highestFret(inside);
      return `Fret ${fret} stood ${mm(over)} over its neighbours: whatever was held just behind it buzzed. Only that fret comes down; the rocker tells it, and by how much.`;
    },
  },
  {
    id: 'lifted-fret',
    name: 'A fret that has lifted',
    group: 'frets',
    level: 2,
    touches: ['tops'],
    fits: always,
    hide: (inside, draw) => {
      const fret = draw.whole(5, Math.min(11, inside.construction.bodyFret - 2));
      return { ...inside, lifted: changed(inside.lifted, new Map([[fret, draw.between(0.17, 0.24)]])) };
    },
    says: [
      'It has begun to buzz at one place since the winter.',
      'One note rattles and there is something sharp at the edge.',
    ],
    remedy: ({ lifted }) => {
      const fret = lifted.findIndex((v) => v > LIFTED);
      return fret > 0 ? work('fret-seat', { fret }) : null;
    },
    explains: ({ lifted }) => {
      const fret = lifted.findIndex((v) => v > LIFTED);
      return `Fret ${fret} had come ${mm(lifted[fret] ?? 0)} out of its slot. It is seated before anything is filed: filed, it would have lost that much of itself and gone on lifting.`;
    },
  },
  {
    id: 'worn-frets',
    name: 'The first frets worn',
    group: 'frets',
    level: 2,
    touches: ['tops', 'low-frets'],
    fits: always,
    hide: (inside, draw) => {
      const pits = new Map(FIRST_FRETS.map((n) => [n, -draw.between(0.17, 0.22)]));
      return {
        ...moved(inside, { tops: changed(inside.moves.tops, pits) }),
        crowns: changed(inside.crowns, pits),
      };
    },
    says: [
      'The chords at the first frets rattle.',
      'I play it every day, mostly right at the top of the neck.',
    ],
    remedy: (inside) =>
      (inside.crowns[1] ?? 1) < (inside.crowns[5] ?? 1) - UNEVEN ? work('fret-replace', { fret: 1 }) : null,
    explains: (inside) =>
      `Frets 1 to 3 were worn by ${mm((inside.crowns[5] ?? 0) - (inside.crowns[1] ?? 0))}: held there, the string lay lower than the fret after. New ones there leave the others their height; levelling all would have taken that much from every one of them.`,
  },
  {
    id: 'uneven-frets',
    name: 'Frets uneven all over',
    group: 'frets',
    level: 2,
    touches: ['tops'],
    fits: always,
    hide: (inside, draw) => {
      const up = new Map([3, 5, 7, 9, 11].map((n) => [n, draw.between(0.16, 0.21)]));
      return {
        ...moved(inside, { tops: changed(inside.moves.tops, up) }),
        crowns: changed(inside.crowns, up),
      };
    },
    says: ['It buzzes here and there, all over.', 'Every second note is a rattle.'],
    remedy: (inside) => (raised(inside).length > 2 ? work('fret-dress') : null),
    explains: (inside) =>
      `Frets ${raised(inside).join(', ')} stood over the others: so many that all are levelled at once, on a straight neck, and dressed. Gaps at the nut and the action are read again afterwards.`,
  },
  {
    id: 'far-end',
    name: 'The far end rises',
    group: 'frets',
    level: 2,
    touches: ['tops', 'far-end'],
    fits: (c) => c.frets - c.bodyFret >= 3,
    hide: (inside, draw) => {
      const { bodyFret, frets } = inside.construction;
      const most = draw.between(0.36, 0.46);
      const rise = new Map(
        Array.from({ length: frets - bodyFret }, (_, i) => [
          bodyFret + 1 + i,
          (most * (i + 1)) / (frets - bodyFret),
        ]),
      );
      return moved(inside, { tops: changed(inside.moves.tops, rise) });
    },
    says: ['High up the notes die away at once.', 'Bends choke up there.'],
    remedy: (inside) => ((topsOf(inside).at(-1) ?? 0) > 0.1 ? work('fall-away') : null),
    explains: (inside) =>
      `Over the body the frets rose to ${mm(topsOf(inside).at(-1) ?? 0)} over their line and met the string. It is taken out of the frets there; a higher saddle would only have hidden it.`,
  },
  {
    id: 'fret-ends',
    name: 'Sharp fret ends',
    group: 'frets',
    level: 1,
    touches: ['ends', 'damp'],
    fits: always,
    hide: (inside) => ({
      ...inside,
      flaws: [
        ...inside.flaws,
        { finding: 'fret-ends:sharp', operation: 'fret-ends', reads: { 'nut-width': -0.4 } },
      ],
    }),
    says: ['It scratches my hand when I slide along the neck.'],
    remedy: mend('fret-ends:sharp'),
    explains: () =>
      'The board had shrunk past its frets. Their ends are dressed; nothing else was asked for.',
  },
];
