import { isAdjustable } from '../../instrument/construction.ts';
import { sizeWords as mm } from '../../units/words-in.ts';
import { moved, outcomeOf } from '../insides.ts';
import { mend, straightened, work } from '../remedies.ts';
import type { Fault } from './fault.ts';

const hasRod: Fault['fits'] = (c) => c.rod !== 'none';
const turns = (eighths: number): string =>
  `about ${Math.max(1, Math.round(Math.abs(eighths)))} eighths of a turn`;

/** How far the relief stands from where it should, mm, and what the rod would have to turn for it. */
const offBy = (
  inside: Parameters<Fault['explains']>[0],
): { readonly off: number; readonly eighths: number } => {
  const off = outcomeOf(inside).relief - inside.sound.relief;
  return { off, eighths: off / inside.rod.perEighth };
};

/** What can be wrong with a neck. */
export const NECK_FAULTS: readonly Fault[] = [
  {
    id: 'relief-high',
    name: 'Too much relief',
    group: 'neck',
    level: 1,
    touches: ['relief'],
    fits: hasRod,
    hide: (inside, draw) => moved(inside, { relief: inside.moves.relief + draw.between(0.2, 0.34) }),
    says: ['It has got hard to play in the middle of the neck.', 'Somehow the strings are far away lately.'],
    remedy: straightened,
    explains: (inside) => {
      const { off, eighths } = offBy(inside);
      return `The neck bent ${mm(off)} more than it should; this rod takes out ${mm(8 * inside.rod.perEighth)} a full turn, so ${turns(eighths)} tighter. The action over the 12th comes down with it: a saddle cut before that would have been cut too far.`;
    },
  },
  {
    id: 'back-bow',
    name: 'A back-bow',
    group: 'neck',
    level: 1,
    touches: ['relief'],
    fits: hasRod,
    hide: (inside, draw) =>
      moved(inside, { relief: inside.moves.relief - inside.sound.relief - draw.between(0.07, 0.15) }),
    says: ['It buzzes low down since I had it tightened.', 'The first frets rattle.'],
    remedy: straightened,
    explains: (inside) => {
      const { off, eighths } = offBy(inside);
      return `The neck bent backward: ${mm(-off)} less relief than it should have. Loosening is the first answer, ${turns(eighths)}; no fret and no nut was at fault.`;
    },
  },
  {
    id: 'rod-end',
    name: 'The rod at its end',
    group: 'neck',
    level: 3,
    touches: ['relief', 'rod'],
    fits: hasRod,
    hide: (inside, draw) => ({
      ...moved(inside, { relief: inside.moves.relief + draw.between(0.22, 0.3) }),
      rod: { ...inside.rod, left: 0 },
    }),
    says: ['Somebody has tightened it every year, now it does nothing any more.'],
    remedy: straightened,
    explains: (inside) =>
      `The nut had no thread left while ${mm(offBy(inside).off)} of relief too much remained. It is never turned further: the neck goes into the clamp, and the rod is taken up while it is there.`,
  },
  {
    id: 'rod-stuck',
    name: 'A stuck rod nut',
    group: 'neck',
    level: 2,
    touches: ['relief', 'rod'],
    fits: hasRod,
    hide: (inside, draw) => ({
      ...moved(inside, { relief: inside.moves.relief + draw.between(0.2, 0.3) }),
      rod: { ...inside.rod, stuck: true },
    }),
    says: ['It has never been adjusted in all those years.'],
    remedy: straightened,
    explains: (inside) =>
      `The nut had seized with ${mm(offBy(inside).off)} of relief too much. It is freed first, then turned; force would have broken the rod.`,
  },
  {
    id: 'neck-low',
    name: 'The neck angle too low',
    group: 'neck',
    level: 3,
    touches: ['saddle', 'angle'],
    fits: (c) => !isAdjustable(c) && c.joint === 'glued',
    hide: (inside, draw) => moved(inside, { tilt: inside.moves.tilt - draw.between(2.5, 2.9) }),
    says: ['The action has crept up over the years.', 'Above the fifth fret it is hard work.'],
    remedy: ({ moves }) =>
      moves.tilt < -0.3 ? work('neck-reset', { amount: Number((-moves.tilt).toFixed(2)) }) : null,
    explains: ({ moves, sound }) =>
      `The fret plane met the saddle’s place ${mm(-moves.tilt)} lower than it should. The saddle stands out ${mm(sound.standout ?? 0)}: taking that much off would have left ${mm((sound.standout ?? 0) + moves.tilt)} and no angle behind it. A reset raises the plane; nothing is taken off the saddle.`,
  },
  {
    id: 'pocket',
    name: 'A neck loose in its pocket',
    group: 'neck',
    level: 1,
    touches: ['saddle', 'pocket'],
    fits: (c) => c.joint !== 'glued',
    hide: (inside, draw) => ({
      ...inside,
      flaws: [
        ...inside.flaws,
        { finding: 'pocket:moves', operation: 'neck-tighten', saddle: draw.between(1, 1.5) },
      ],
    }),
    says: ['It goes out of tune when I lean on the neck.', 'Since it fell in its bag it plays higher.'],
    remedy: mend('pocket:moves'),
    explains: () =>
      'The neck had moved in its pocket and the strings stood higher for it. Its screws hold it again; no saddle had to be touched.',
  },
];
