import type { Condition } from './condition.ts';
import { kindsThat } from './kinds.ts';

const KINDS_WITH_MAGNETS: Condition = { fact: 'kind', is: kindsThat((k) => k.magnetic) };
const KINDS_WITH_TOPS: Condition = { fact: 'kind', is: kindsThat((k) => k.soundboard) };
const GLUED_BRIDGE: Condition = { fact: 'bridge', is: ['pinned', 'tie-block', 'individual-fixed'] };
const WIRED: Condition = { fact: 'electronics', isNot: ['none'] };

/** What an instrument may have or be, by a short name: what items of a list and operations of the catalogue are for. */
export const HAVING = {
  always: { all: [] },
  acoustic: KINDS_WITH_TOPS,
  hollow: { fact: 'kind', isNot: kindsThat((k) => !k.hollow) },
  magnetic: KINDS_WITH_MAGNETS,
  'magnets-wired': { all: [KINDS_WITH_MAGNETS, WIRED] },
  'pickups-to-set': {
    all: [KINDS_WITH_MAGNETS, { fact: 'electronics', is: ['passive', 'active'] }],
  },
  'steel-strung': { fact: 'kind', isNot: kindsThat((k) => k.softStrung) },
  strapped: { fact: 'kind', isNot: kindsThat((k) => !k.strapped) },
  twelve: { fact: 'kind', is: kindsThat((k) => k.usual.perCourse === 2) },
  rod: { fact: 'rod', isNot: ['none'] },
  'rod-in-place': {
    all: [
      { fact: 'rod', isNot: ['none'] },
      { fact: 'rodNut', isNot: ['heel'] },
    ],
  },
  glued: { fact: 'joint', is: ['glued'] },
  bolted: { fact: 'joint', is: ['bolted', 'bolted-shims', 'tilt-screw'] },
  pinned: { fact: 'bridge', is: ['pinned'] },
  'tie-block': { fact: 'bridge', is: ['tie-block'] },
  individual: { fact: 'bridge', is: ['individual'] },
  thumbwheel: { fact: 'bridge', is: ['thumbwheel'] },
  'floating-bridge': { fact: 'bridge', is: ['floating'] },
  'behind-saddle': { fact: 'bridge', isNot: ['tie-block'] },
  vibrato: { fact: 'vibrato', isNot: ['none'] },
  'floating-vibrato': { fact: 'vibrato', is: ['floating'] },
  wired: WIRED,
  battery: { fact: 'electronics', is: ['active', 'under-saddle'] },
  'under-saddle': { fact: 'electronics', is: ['under-saddle'] },
  'raw-board': { fact: 'fingerboard', is: ['raw'] },
  'lacquered-board': { fact: 'fingerboard', is: ['lacquered'] },
  crowned: { fact: 'bridge', isNot: ['individual'] },
  'glued-bridge': GLUED_BRIDGE,
  'one-saddle': GLUED_BRIDGE,
  'cut-saddle': GLUED_BRIDGE,
  'glued-on-top': { all: [KINDS_WITH_TOPS, GLUED_BRIDGE] },
  'set-by-screws': { fact: 'bridge', is: ['individual', 'thumbwheel', 'floating'] },
  screwed: {
    any: [
      { fact: 'bridge', is: ['individual', 'thumbwheel', 'floating'] },
      { fact: 'vibrato', isNot: ['none'] },
    ],
  },
  'tilt-screw': { fact: 'joint', is: ['tilt-screw'] },
} as const satisfies Readonly<Record<string, Condition>>;
