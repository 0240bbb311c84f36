import { operation } from '../catalogue/operations.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Construction } from '../instrument/construction.ts';
import { FACTS } from '../instrument/construction-facts.ts';
import { gaugeSpan, tuningName } from '../instrument/defaults.ts';
import { KIND_NAMES } from '../instrument/kinds.ts';
import { sayTurn } from '../neck/say-turn.ts';
import type { Quantity } from '../readings/quantities.ts';
import type { SheetPart } from '../readings/stations.ts';
import type { Band } from '../neck/truss-rod.ts';
import { sizeWords } from '../units/words-in.ts';
import { TOUCHES } from '../targets/target.ts';
import { playedPositions, type Room } from '../whatif/clearance-map.ts';
import { asksOf, type Act, type Asks } from './acts.ts';
import { QUESTION_IDS, QUESTIONS, type QuestionId } from './questions.ts';
import type { Bench, Entry } from './bench.ts';
import { FAULT_GROUPS } from './faults/fault.ts';
import { faultsFor } from './faults/faults.ts';
import { codeOf, type PracticeInstrument } from './instrument.ts';
import type { Level } from './levels.ts';
import { practiceItems } from './look.ts';
import { practiceStations, stringCalled } from './read.ts';
import { bandsOf } from './remedies.ts';
import { workFor } from './work-for.ts';
import type { Taken } from './work.ts';

/** How a reading stands: it holds, work has moved what it reads, or it was read away from pitch. */
export type ReadState = 'none' | 'holds' | 'stale' | 'not-at-pitch';

export interface StationView {
  readonly key: string;
  readonly label: string;
  readonly part: SheetPart;
  readonly quantity: Quantity;
  readonly value: number | null;
  readonly state: ReadState;
  readonly band: Band | null;
}

export interface ItemView {
  readonly key: string;
  readonly group: string;
  readonly title: string;
  readonly help: string;
  readonly seen: string | null;
  readonly wrong: boolean;
  /** work was done since */
  readonly before: boolean;
}

/** What a pluck is marked with: how the string rings; where it rings clear, whether something else is heard with it. */
export type HeardMark = Room | 'besides';

export interface HeardView {
  readonly string: number;
  readonly held: number;
  readonly says: string;
  readonly mark: HeardMark;
}

export interface WorkView {
  readonly id: OperationId;
  readonly name: string;
  readonly asks: readonly Asks[];
  readonly forGood: boolean;
  readonly hazards: readonly string[];
  readonly minutes: number;
  readonly price: number;
}

export interface EntryView {
  readonly n: number;
  readonly kind: Act['kind'];
  readonly what: string;
  readonly says: string;
  readonly quantity: Quantity | null;
  readonly value: number | null;
  readonly minutes: number;
  readonly atPitch: boolean;
  readonly wrong: boolean;
  /** of a pluck: how it sounded */
  readonly mark: HeardMark | null;
}

/** A practice instrument on the bench as the learner sees it: nothing of its inside. mm, cents, degrees, kΩ, minor units. */
export interface BenchView {
  readonly code: string;
  readonly name: string;
  readonly level: Level;
  readonly says: string;
  readonly touch: string;
  /** what can be seen of how it is built, in words */
  readonly built: readonly string[];
  readonly construction: Construction;
  readonly strings: readonly string[];
  /** positions that are played: open and so many frets */
  readonly played: number;
  readonly stations: readonly StationView[];
  readonly items: readonly ItemView[];
  readonly heard: readonly HeardView[];
  /** what its owner can be asked, and what they said */
  readonly questions: ReadonlyArray<{
    readonly id: QuestionId;
    readonly asks: string;
    readonly said: string | null;
  }>;
  readonly work: readonly WorkView[];
  readonly entries: readonly EntryView[];
  readonly minutes: number;
  readonly workMinutes: number;
  readonly price: number;
  readonly taken: Taken;
  /** what can be said of it at the end */
  readonly faults: ReadonlyArray<{ readonly id: string; readonly name: string; readonly group: string }>;
}

const TUNING: OperationId = 'tune-stretch';

const isTuning = (act: Act): boolean => act.kind === 'work' && act.operation === TUNING;

/** Places in the list of what was done where work changed something. */
const worksOf = (
  entries: readonly Entry[],
): ReadonlyArray<{ readonly at: number; readonly operation: OperationId }> =>
  entries.flatMap(({ act }, at) =>
    act.kind === 'work' && act.operation !== TUNING ? [{ at, operation: act.operation }] : [],
  );

function stationViews(p: PracticeInstrument, { entries }: Bench): StationView[] {
  const [bands, works] = [bandsOf(p.inside), worksOf(entries)];
  return practiceStations(p.inside.construction).map((s) => {
    const at = entries.findLastIndex(
      (e) => e.act.kind === 'read' && e.act.station === s.key && e.value !== null,
    );
    const read = entries[at];
    const stale = works.some((w) => w.at > at && operation(w.operation).stale.includes(s.quantity));
    const state = read === undefined ? 'none' : stale ? 'stale' : read.atPitch ? 'holds' : 'not-at-pitch';
    return {
      key: s.key,
      label: s.label,
      part: s.part,
      quantity: s.quantity,
      value: read?.value ?? null,
      state,
      band: bands.get(s.key) ?? null,
    };
  });
}

function itemViews(p: PracticeInstrument, { entries }: Bench): ItemView[] {
  const works = worksOf(entries);
  return practiceItems(p.inside.construction).map(({ key, group, title, help }) => {
    const at = entries.findLastIndex((e) => e.act.kind === 'look' && e.act.item === key);
    const seen = entries[at];
    const tuned = key === 'tune' && entries.slice(at + 1).some((e) => isTuning(e.act));
    const before = seen !== undefined && (tuned || works.some((w) => w.at > at));
    return { key, group, title, help, seen: seen?.says ?? null, wrong: seen?.wrong ?? false, before };
  });
}

/** What its owner answered to a question; null where nobody asked it. */
const saidTo = ({ entries }: Bench, id: QuestionId): string | null =>
  entries.findLast((e) => e.act.kind === 'ask' && e.act.question === id)?.says ?? null;

const markOf = (says: string): HeardMark =>
  says.startsWith('chokes')
    ? 'choked'
    : says.startsWith('buzzes')
      ? 'buzz'
      : says.includes('; ')
        ? 'besides'
        : 'clear';

/** What was heard since anything was last worked on. */
function heardViews({ entries }: Bench): HeardView[] {
  const last = worksOf(entries).at(-1)?.at ?? -1;
  const heard = new Map<string, HeardView>();
  for (const { act, says } of entries.slice(last + 1)) {
    if (act.kind !== 'pluck') continue;
    const { string, held } = act;
    heard.set(`${string}:${held}`, { string, held, says, mark: markOf(says) });
  }
  return [...heard.values()];
}

const side = (v: number | undefined): string => `${(v ?? 0) >= 0 ? '+' : ''}${sizeWords(v ?? 0)}`;

/** What a piece of work was told, in words. */
export function sayWork(c: Construction, act: Extract<Act, { kind: 'work' }>): string {
  const told = asksOf(act.operation).map((a): string => {
    if (a === 'eighths')
      return `${sayTurn(act.eighths ?? 0)} ${(act.eighths ?? 0) < 0 ? 'looser' : 'tighter'}`;
    if (a === 'string') return `string ${stringCalled(c, act.string ?? 0)}`;
    if (a === 'fret') return `fret ${act.fret ?? 0}`;
    if (a === 'sides') return `bass ${side(act.bass)}, treble ${side(act.treble)}`;
    return sizeWords(act.amount ?? 0);
  });
  return [operation(act.operation).name, ...told].join(', ');
}

function whatOf(p: PracticeInstrument, { act, says }: Entry): string {
  const c = p.inside.construction;
  if (act.kind === 'work') return sayWork(c, act);
  if (act.kind === 'pluck')
    return `String ${stringCalled(c, act.string)} ${act.held === 0 ? 'open' : `at ${act.held}`}`;
  if (act.kind === 'ask') return QUESTIONS[act.question];
  if (act.kind === 'look') return practiceItems(c).find((i) => i.key === act.item)?.title ?? act.item;
  return says;
}

function quantityOf(p: PracticeInstrument, act: Act): Quantity | null {
  if (act.kind !== 'read') return null;
  return practiceStations(p.inside.construction).find((s) => s.key === act.station)?.quantity ?? null;
}

const entryView = (p: PracticeInstrument, e: Entry, n: number): EntryView => ({
  n,
  kind: e.act.kind,
  what: whatOf(p, e),
  says: e.act.kind === 'read' && e.value !== null ? '' : e.says,
  quantity: quantityOf(p, e.act),
  value: e.value,
  minutes: e.minutes,
  atPitch: e.atPitch,
  wrong: e.wrong,
  mark: e.act.kind === 'pluck' ? markOf(e.says) : null,
});

function workViews(c: Construction): WorkView[] {
  return workFor(c).map((id) => {
    const { name, hazards, minutes, price, reversible, takesFrom } = operation(id);
    const forGood = takesFrom !== null || !reversible;
    return { id, name, asks: asksOf(id), forGood, hazards, minutes: minutes.likely, price };
  });
}

/** How an instrument is built, as far as a glance tells. */
function builtOf(c: Construction): string[] {
  return [
    `${c.strings.length} strings, ${gaugeSpan(c.strings)}, ${tuningName(c.strings)}`,
    `scale ${c.scale} mm, ${c.frets} frets, joint at ${c.bodyFret}`,
    `neck ${FACTS.joint[c.joint]}`,
    c.rod === 'none' ? 'no truss rod' : `${FACTS.rod[c.rod]} rod, nut ${FACTS.rodNut[c.rodNut]}`,
    FACTS.bridge[c.bridge],
    ...(c.electronics === 'none' ? [] : [FACTS.electronics[c.electronics]]),
  ];
}

/** A practice instrument on the bench as the learner sees it. */
export function benchView(p: PracticeInstrument, bench: Bench): BenchView {
  const c = p.inside.construction;
  return {
    code: codeOf(p.spec),
    name: KIND_NAMES[p.spec.kind],
    level: p.spec.level,
    says: p.says,
    touch: TOUCHES[p.inside.touch],
    built: builtOf(c),
    construction: c,
    strings: c.strings.map((_, i) => stringCalled(c, i)),
    played: playedPositions(c.frets),
    stations: stationViews(p, bench),
    items: itemViews(p, bench),
    heard: heardViews(bench),
    questions: QUESTION_IDS.map((id) => ({ id, asks: QUESTIONS[id], said: saidTo(bench, id) })),
    work: workViews(c),
    entries: bench.entries.map((e, n) => entryView(p, e, n)),
    minutes: bench.minutes,
    workMinutes: bench.workMinutes,
    price: bench.price,
    taken: bench.taken,
    faults: faultsFor(c).map((f) => ({ id: f.id, name: f.name, group: FAULT_GROUPS[f.group] })),
  };
}
