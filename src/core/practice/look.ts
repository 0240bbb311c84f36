import { BENCH_ARRIVAL } from '../inspection/lists/bench-arrival.ts';
import { itemsFor, type ChecklistItem } from '../inspection/checklist.ts';
import { findingOn } from '../inspection/findings.ts';
import { gaugeSpan } from '../instrument/defaults.ts';
import type { Construction } from '../instrument/construction.ts';
import type { Outcome } from '../whatif/consequences.ts';
import { stationKey, stationsOf } from '../readings/stations.ts';
import { aimsOf, outcomeOf, topsOf, type Insides } from './insides.ts';
import { heardEverywhere, type Heard } from './listen.ts';
import { stringCalled } from './read.ts';
import { overNeighbours } from './work.ts';

/** What looking at an item shows: what is found on it, or that nothing is. */
export interface Seen {
  readonly item: string;
  /** the finding's id, null where it is as it should be */
  readonly finding: string | null;
  readonly says: string;
}

/** Items whose answer is a number: they are read, not looked at. */
const NUMBERS = new Set([
  'relief',
  'action',
  'nut-gap',
  'intonation',
  'saddle-left',
  'last-fret',
  'fret-height',
]);
/** Items that say nothing of a simulated instrument. */
const NOT_HERE = new Set(['case', 'serial', 'damage', 'originals', 'octaves', 'finish', 'dots', 'binding']);

/** What can be looked at on a practice instrument. */
export const practiceItems = (c: Construction): readonly ChecklistItem[] =>
  itemsFor(BENCH_ARRIVAL, c).filter((i) => !NUMBERS.has(i.key) && !NOT_HERE.has(i.key));

/** What a glance shows of the physics: the finding and where. */
type Glance = (inside: Insides, o: Outcome) => readonly [finding: string, says: string] | null;

const SEEN_DIP = 0.12;
const SEEN_BACK = 0.03;
const ROCKS = 0.03;
const PIT = 0.06;
const SEEN_RISE = 0.12;
const SEEN_CONTACT = 0.6;
const SHALLOW = 12;
const UNDER_BRIDGE = -0.8;
const SHARP_GAP = 1.6;

const named = (heard: readonly Heard[], inside: Insides, most = 8): string => {
  const c = inside.construction;
  const said = heard
    .slice(0, most)
    .map((h) => `${stringCalled(c, h.string)}${h.held === 0 ? '' : ` at ${h.held}`}`);
  return `${said.join(', ')}${heard.length > most ? ` and ${heard.length - most} more places` : ''}`;
};

const isBad = (h: Heard): boolean => h.room === 'buzz' || h.room === 'choked';

const rocking = (inside: Insides): number[] => {
  const tops = topsOf(inside);
  return tops.flatMap((_, n) => (n > 1 && n < tops.length - 1 && overNeighbours(tops, n) > ROCKS ? [n] : []));
};

const NOTES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'] as const;

const GLANCES: Readonly<Record<string, Glance>> = {
  strings: ({ construction: c, moves }) =>
    moves.strings === null
      ? null
      : [
          'unknown',
          `By the caliper ${gaugeSpan(moves.strings)}; the customer’s own set is ${gaugeSpan(c.strings)}.`,
        ],
  tune: ({ flat }) =>
    flat < 8 ? null : ['drifts', `All strings are flat, about ${Math.round(flat / 5) * 5} cents.`],
  'open-buzz': (inside, o) => {
    const bad = heardEverywhere(inside, o).filter((h) => h.held === 0 && isBad(h));
    return bad.length === 0 ? null : ['buzzes', `Open it buzzes: ${named(bad, inside)}.`];
  },
  'fretted-buzz': (inside, o) => {
    const bad = heardEverywhere(inside, o).filter((h) => h.held > 0 && isBad(h));
    return bad.length === 0 ? null : ['buzzes', `Not clear: ${named(bad, inside)}.`];
  },
  resonance: ({ flaws }) => {
    const at = flaws.find((f) => f.rattles !== undefined)?.rattles;
    return at === undefined ? null : ['rattles', `Something rattles along with every ${NOTES[at] ?? ''}.`];
  },
  sight: ({ sound }, o) => {
    if (o.relief < SEEN_BACK - 0.05) return ['back', 'It bends backward.'];
    return o.relief > sound.relief + SEEN_DIP ? ['dip', 'A clear dip in the middle.'] : null;
  },
  'far-end': (inside) => {
    const tops = topsOf(inside);
    return (tops.at(-1) ?? 0) > SEEN_RISE ? ['rise', 'Over the body the board goes up.'] : null;
  },
  rod: ({ rod }) => {
    if (rod.stuck) return ['stuck', 'The nut does not move either way with an ordinary hand.'];
    return rod.left <= 0 ? ['at-its-end', 'It eases loose, but there is no thread left to tighten.'] : null;
  },
  'fret-seat': ({ lifted }) => {
    const up = lifted.flatMap((v, n) => (v > 0.03 ? [n] : []));
    return up.length === 0 ? null : ['lifts', `A feeler slides under fret ${up.join(', ')}.`];
  },
  'fret-level': (inside) => {
    const rocks = rocking(inside);
    if (rocks.length === 0) return null;
    return [rocks.length > 2 ? 'uneven' : 'rocks', `The rocker rocks over fret ${rocks.join(', ')}.`];
  },
  'fret-wear': ({ crowns, construction: c }) => {
    const full = [...crowns.slice(1)].sort((a, b) => a - b)[Math.floor(c.frets / 2)] ?? 0;
    const worn = crowns.flatMap((h, n) => (n > 0 && n <= c.bodyFret && full - h > PIT ? [n] : []));
    return worn.length === 0 || worn.length > 6 ? null : ['pits', `Pits at fret ${worn.join(', ')}.`];
  },
  'low-frets': (inside, o) => {
    const c = inside.construction;
    const band = aimsOf(c, inside.touch, stationsOf(c)).get(stationKey('nut-gap', 1, 1));
    const high = [...o.gap].flatMap((gap, i) => (gap > SHARP_GAP * (band?.high ?? 0.15) ? [i] : []));
    const said = high.map((i) => stringCalled(c, i)).join(', ');
    return high.length === 0 ? null : ['sharp', `Sharp at frets 1 to 3: ${said}.`];
  },
  contact: ({ construction: c, sound }, o) => {
    const off = o.contact.flatMap((at, i) => {
      const by = (at ?? 0) - (sound.contact[i] ?? 0);
      return Math.abs(by) > SEEN_CONTACT ? [{ i, by }] : [];
    });
    const [first] = off;
    if (!first) return null;
    const said = off.map(({ i }) => stringCalled(c, i)).join(', ');
    return [
      first.by < 0 ? 'front' : 'back',
      `Further ${first.by < 0 ? 'forward' : 'back'} than its neighbours: ${said}.`,
    ];
  },
  break: (_, o) =>
    o.breakAngle !== null && o.breakAngle < SHALLOW
      ? ['shallow', 'Hardly any angle behind the saddle.']
      : null,
  'neck-angle': ({ sound, moves }) =>
    sound.plane !== null && sound.plane + moves.tilt < UNDER_BRIDGE
      ? ['low', 'The straightedge meets the bridge under its top.']
      : null,
};

/** The findings that flaws put on an item. */
const ofFlaws = ({ flaws }: Insides, item: string): string | null => {
  const found = flaws.flatMap((f) => [f.finding, ...(f.also ?? [])]).find((f) => f.startsWith(`${item}:`));
  return found?.slice(item.length + 1) ?? null;
};

/** What looking at one item of the list shows. */
export function look(inside: Insides, item: ChecklistItem, o: Outcome = outcomeOf(inside)): Seen {
  const flaw = ofFlaws(inside, item.key);
  if (flaw !== null)
    return { item: item.key, finding: flaw, says: `${findingOn(item.key, flaw)?.name ?? flaw}.` };
  const glance = GLANCES[item.key]?.(inside, o) ?? null;
  if (glance !== null) return { item: item.key, finding: glance[0], says: glance[1] };
  return {
    item: item.key,
    finding: null,
    says: item.fine === undefined ? 'Nothing to be seen.' : `As it should be: ${item.fine}.`,
  };
}
