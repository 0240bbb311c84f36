import { operation } from '../catalogue/operations.ts';
import type { Work } from './acts.ts';
import { benchAfter, type Bench, type Entry } from './bench.ts';
import { enoughFor } from './enough.ts';
import type { FaultGroup } from './faults/fault.ts';
import { faultById } from './faults/faults.ts';
import { AT_PITCH } from './insides.ts';
import type { PracticeInstrument } from './instrument.ts';
import { practiceStations, tellsOf, truthAt } from './read.ts';
import type { Quantity } from '../readings/quantities.ts';
import { sizeWords } from '../units/words-in.ts';
import { signsOf, soundLike, tellsOfFault, type Sign } from './signs.ts';
import type { Taken } from './work.ts';

/** One part of the score. */
export interface ScorePart {
  readonly name: string;
  readonly got: number;
  readonly of: number;
  readonly says: string;
}

/** A place that would have told a fault, and whether anybody looked there. */
export interface Telling {
  readonly says: string;
  readonly looked: boolean;
  /** what a reading there would have told, in tune, beside what it should say; null for a look and a sound */
  readonly told: { readonly quantity: Quantity; readonly value: number; readonly should: number } | null;
}

/** What became of one fault. */
export interface FaultOpened {
  readonly id: string;
  readonly name: string;
  readonly group: FaultGroup;
  readonly named: boolean;
  readonly cured: boolean;
  readonly explains: string;
  /** the clearest first */
  readonly tells: readonly Telling[];
}

/** A reading beside the truth of that moment: mm, cents, degrees or kΩ. */
export interface ReadBeside {
  readonly station: string;
  readonly label: string;
  readonly read: number;
  readonly truth: number;
  readonly atPitch: boolean;
  /** whether it lies further off than the gauge explains */
  readonly off: boolean;
}

/** What work was done, in its order, alike things together. */
export interface WorkOpened {
  readonly name: string;
  readonly times: number;
}

export interface Spent {
  readonly minutes: number;
  readonly price: number;
  readonly taken: Taken;
  readonly work: readonly WorkOpened[];
}

/** A practice instrument opened: everything that was in it, beside everything that was done. */
export interface Opened {
  readonly score: number;
  readonly parts: readonly ScorePart[];
  readonly faults: readonly FaultOpened[];
  /** what was named and was not there */
  readonly wrong: readonly string[];
  readonly left: readonly string[];
  readonly readings: readonly ReadBeside[];
  readonly enough: Spent;
  readonly spent: Spent;
}

const OF = { plays: 40, named: 30, enough: 20, read: 10 } as const;
const MOST_TOLD = 4;
const MOST_LEFT = 5;
/** Minutes of work that are forgiven: another order of the same, a second tuning. */
const FORGIVEN = 15;
/** Beyond what is enough, so many minutes of work cost all of its points. */
const ALL_LOST = 90;
/** Wood or metal taken beyond what is enough that costs all of its points, mm. */
const WOOD_LOST = 1.5;

const looked = (sign: Sign, entries: readonly Entry[]): boolean =>
  entries.some(({ act }) => {
    if (act.kind === 'read') return sign.kind === 'reading' && act.station === sign.key;
    if (act.kind === 'look') return sign.kind === 'look' && act.item === sign.key;
    return act.kind === 'pluck' && sign.kind === 'sound' && `${act.string}:${act.held}` === sign.key;
  });

/** What is heard, without where: the same at many places is told once. */
const heardThere = ({ kind, key, says }: Sign): string =>
  kind === 'sound' ? says.slice(says.indexOf(': ')) : `${kind} ${key}`;

/** The clearest signs, one of each kind first. */
function clearest(signs: readonly Sign[]): readonly Sign[] {
  const bySize = [...signs].sort((a, b) => Number(b.judged) - Number(a.judged) || b.size - a.size);
  const each = bySize.filter((s, n) => bySize.findIndex((x) => heardThere(x) === heardThere(s)) === n);
  const firsts = (['look', 'reading', 'sound'] as const).flatMap(
    (kind) => each.find((s) => s.kind === kind) ?? [],
  );
  return [...firsts, ...each.filter((s) => !firsts.includes(s))].slice(0, MOST_TOLD);
}

function together(work: readonly Work[]): readonly WorkOpened[] {
  const names = new Map<string, number>();
  for (const w of work) {
    const { name } = operation(w.operation);
    names.set(name, (names.get(name) ?? 0) + 1);
  }
  return [...names].map(([name, times]) => ({ name, times }));
}

const spentOn = (bench: Bench): Spent => ({
  minutes: bench.workMinutes,
  price: bench.price,
  taken: bench.taken,
  work: together(bench.entries.flatMap((e) => (e.act.kind === 'work' ? [e.act] : []))),
});

/** The signs of one fault alone that are still there after the work. */
function isCured(p: PracticeInstrument, n: number, after: readonly Sign[]): boolean {
  const alone = p.alone[n];
  if (!alone) return true;
  const there = new Set(after.filter((s) => s.judged).map((s) => `${s.kind} ${s.key}`));
  return !signsOf(alone).some((s) => s.judged && there.has(`${s.kind} ${s.key}`));
}

/** What a place would have told of an instrument as it came, in tune. */
function tellingOf(p: PracticeInstrument, sign: Sign, entries: readonly Entry[]): Telling {
  const telling = { says: sign.says, looked: looked(sign, entries), told: null };
  const station =
    sign.kind === 'reading' && practiceStations(p.inside.construction).find((s) => s.key === sign.key);
  if (!station) return telling;
  const value = truthAt({ ...p.inside, flat: 0 }, station);
  const should = truthAt(soundLike(p.inside), station);
  if (value === null || should === null) return telling;
  return { ...telling, told: { quantity: station.quantity, value, should } };
}

function faultsOpened(
  p: PracticeInstrument,
  bench: Bench,
  named: readonly string[],
  after: readonly Sign[],
): FaultOpened[] {
  return p.faults.map((f, n) => {
    const alone = p.alone[n] ?? p.inside;
    return {
      id: f.id,
      name: f.name,
      group: f.group,
      named: named.includes(f.id),
      cured: isCured(p, n, after),
      explains: f.explains(alone),
      tells: clearest(tellsOfFault(alone, p.inside)).map((s) => tellingOf(p, s, bench.entries)),
    };
  });
}

function readingsBeside(p: PracticeInstrument, bench: Bench): ReadBeside[] {
  const stations = practiceStations(p.inside.construction);
  return bench.entries.flatMap((e): ReadBeside[] => {
    if (e.act.kind !== 'read' || e.value === null || e.truth === null) return [];
    const { station: key } = e.act;
    const station = stations.find((s) => s.key === key);
    if (!station) return [];
    const off = !e.atPitch || Math.abs(e.value - e.truth) > tellsOf(station.quantity);
    return [{ station: key, label: station.label, read: e.value, truth: e.truth, atPitch: e.atPitch, off }];
  });
}

const share = (part: number, whole: number): number => (whole === 0 ? 1 : part / whole);
const points = (of: number, part: number): number => Math.round(of * Math.max(0, Math.min(1, part)));

function playsPart(faults: readonly FaultOpened[], left: readonly Sign[], flat: number): ScorePart {
  const cured = faults.filter((f) => f.cured).length;
  const clean = left.length === 0;
  const inTune = flat <= AT_PITCH;
  const got = 0.75 * share(cured, faults.length) + 0.25 * (clean && inTune ? 1 : 0);
  const sound = faults.length === 0 ? 'It was sound' : `${cured} of ${faults.length} put right`;
  const rest = !inTune
    ? 'it goes home out of tune'
    : clean
      ? 'everything is in its band and rings'
      : 'something is still out, or has come out';
  return {
    name: 'It plays',
    got: points(OF.plays, clean || faults.length > 0 ? got : 0.25 * got),
    of: OF.plays,
    says: `${sound}; ${rest}.`,
  };
}

function namedPart(
  faults: readonly FaultOpened[],
  named: readonly string[],
  wrong: readonly string[],
): ScorePart {
  const hits = faults.filter((f) => f.named).length;
  const all = faults.length + wrong.length;
  const says =
    faults.length === 0
      ? wrong.length === 0
        ? 'Nothing was wrong, and that is what you said.'
        : 'Nothing was wrong with it.'
      : `${hits} of ${faults.length} named${wrong.length > 0 ? `, and ${wrong.length} that ${wrong.length === 1 ? 'was' : 'were'} not there` : ''}.`;
  return { name: 'You named it', got: points(OF.named, all === 0 ? 1 : hits / all), of: OF.named, says };
}

function enoughPart(spent: Spent, enough: Spent): ScorePart {
  const minutes = Math.max(0, spent.minutes - enough.minutes - FORGIVEN);
  const wood = (['nut', 'saddle', 'frets'] as const).reduce(
    (sum, k) => sum + Math.max(0, spent.taken[k] - enough.taken[k] - 0.1),
    0,
  );
  const got = 1 - minutes / ALL_LOST - wood / WOOD_LOST;
  const says =
    minutes === 0 && wood === 0
      ? 'No more was done than was enough.'
      : `${[minutes > 0 ? `${Math.round(spent.minutes - enough.minutes)} minutes of work` : '', wood > 0 ? `${sizeWords(wood)} of nut, saddle or fret` : ''].filter((x) => x !== '').join(' and ')} more than was enough.`;
  return { name: 'Enough is the least', got: points(OF.enough, got), of: OF.enough, says };
}

function readPart({ cuts, blind }: Bench): ScorePart {
  const says =
    cuts === 0
      ? 'Nothing was done for good.'
      : blind === 0
        ? 'Nothing was done for good without its readings, in tune.'
        : `${blind} of ${cuts} pieces of work for good were done without fresh readings in tune.`;
  return {
    name: 'Read before it is cut',
    got: points(OF.read, 1 - share(blind, cuts === 0 ? 1 : cuts)),
    of: OF.read,
    says,
  };
}

/**
 * Opens a practice instrument: what was wrong with it beside what was named, read and done.
 * @param named ids of the faults the learner says it had; none where they say it is sound
 */
export function openInstrument(p: PracticeInstrument, bench: Bench, named: readonly string[]): Opened {
  const after = signsOf(bench.inside);
  const left = after.filter((s) => s.judged);
  const faults = faultsOpened(p, bench, named, after);
  const there = new Set(p.faults.map((f) => f.id));
  const wrong = named.filter((id) => !there.has(id)).map((id) => faultById(id)?.name ?? id);
  const enough = spentOn(benchAfter(p, enoughFor(p)));
  const spent = spentOn(bench);
  const parts = [
    playsPart(faults, left, bench.inside.flat),
    namedPart(faults, named, wrong),
    enoughPart(spent, enough),
    readPart(bench),
  ];
  return {
    score: parts.reduce((sum, part) => sum + part.got, 0),
    parts,
    faults,
    wrong,
    left: left.slice(0, MOST_LEFT).map((s) => s.says),
    readings: readingsBeside(p, bench),
    enough,
    spent,
  };
}
