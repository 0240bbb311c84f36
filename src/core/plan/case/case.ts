import { foundByReading } from '../../inspection/found-by-reading.ts';
import { answeredBySheet, saidByNumbers } from '../../inspection/answered-by-sheet.ts';
import { findingOn } from '../../inspection/findings.ts';
import { BENCH_ARRIVAL } from '../../inspection/lists/bench-arrival.ts';
import { titleOfItem } from '../../inspection/lists/title-of-item.ts';
import type { Construction } from '../../instrument/construction.ts';
import { askedOfWorth, countsHistory, type Matters } from '../../instrument/matters.ts';
import { rodAdvice, type LoggedTurn } from '../../neck/truss-rod.ts';
import type { Reading } from '../../readings/reading.ts';
import { judgedReadings, sayCoursesApart } from '../../readings/courses.ts';
import { readOnOld, type StringAge } from '../../readings/set-on.ts';
import { standardReadings } from '../../readings/standard.ts';
import {
  allStations,
  plannedStations,
  RELIEF_FRET,
  stationKey,
  stationsOf,
  type Station,
} from '../../readings/stations.ts';
import { resolveTarget } from '../../targets/resolve.ts';
import { SHIPPED_TARGETS } from '../../targets/shop-targets.ts';
import type { Target, Touch } from '../../targets/target.ts';
import { OPERATIONS } from '../../catalogue/operations.ts';
import { pitchesOut } from '../pitches-out.ts';
import { settingsFor, type PlanInput } from '../plan-input.ts';
import { USUAL_PLAN_RULES } from '../plan-rules.ts';
import { contradictions, rodStateOf, saddleEndOf, sortFindings } from '../sort-findings.ts';
import { problemFrom, type NotYet } from '../solve/problem-from.ts';
import type { Problem } from '../solve/problem.ts';

/** What was found on an item that needs work; without a code its first finding is meant. */
export interface CaseFinding {
  readonly item: string;
  readonly finding?: string | undefined;
  readonly note?: string | undefined;
}

/** A small case: an instrument, what was read and found on it, and the turns its rod was given. Readings as the sums want them. */
export interface Case {
  readonly construction: Construction;
  readonly touch: Touch;
  /** minor units; null where nobody has said */
  readonly worth: number | null;
  /** for what it matters to whom it belongs; absent where nobody asked */
  readonly matters?: Matters | null | undefined;
  /** how old the strings are it was read with; absent where nobody said */
  readonly stringAge?: StringAge | null | undefined;
  readonly readings: readonly Reading[];
  readonly findings: readonly CaseFinding[];
  readonly turns: readonly LoggedTurn[];
}

/** A case as a problem, with what must be asked. */
export interface CaseProblem {
  readonly problem: Problem | NotYet;
  readonly questions: readonly string[];
}

const RELIEF = stationKey('relief', 0, RELIEF_FRET);

/** What was found: what the case names, and what its readings find by themselves. */
function foundIn(c: Case, readings: ReadonlyMap<string, Reading>) {
  const resolving = { shop: SHIPPED_TARGETS, now: () => undefined };
  const targetOf = (s: Station) => resolveTarget(c.construction, c.touch, [], s, resolving);
  const read = foundByReading(c.construction, [...readings.values()], allStations(c.construction), targetOf);
  const named = c.findings.map((f) => ({ item: f.item, note: f.note ?? '', finding: f.finding ?? null }));
  const bySheet = answeredBySheet(BENCH_ARRIVAL.items, allStations(c.construction), readings, targetOf);
  const open = named.filter(
    (f) => !saidByNumbers(findingOn(f.item, f.finding ?? undefined), f.item, bySheet),
  );
  return [...open, ...read.filter((r) => !named.some((f) => f.item === r.item))].map((f) => ({
    ...f,
    title: titleOfItem(f.item),
  }));
}

/** Sets a case as a problem. What was not read of the action is taken to stand at its aim, and asked for. */
export function caseProblem(c: Case): CaseProblem {
  const { construction, touch } = c;
  const stations = plannedStations(construction, stationsOf(construction));
  const targets = new Map<string, Target>();
  for (const s of stations) {
    const target = resolveTarget(construction, touch, [], s, { shop: SHIPPED_TARGETS, now: () => undefined });
    if (target) targets.set(s.key, target);
  }
  const standard = new Map(standardReadings(construction, c.readings).map((r) => [r.key, r]));
  // The strings of a course are judged as one.
  const readings = judgedReadings(construction, standard);
  const [band, relief] = [targets.get(RELIEF), readings.get(RELIEF)?.value ?? null];
  const turn = relief === null || band === undefined ? null : rodAdvice(relief, band, c.turns);
  const found = foundIn(c, readings);
  const { deals, undone, questions } = sortFindings(found, OPERATIONS, {
    bridge: construction.bridge,
    read: (key) => readings.get(key)?.value ?? null,
    limits: USUAL_PLAN_RULES.limits,
  });
  const input: PlanInput = {
    construction,
    stations,
    readings,
    stale: new Set(),
    targets,
    strings: 'at-pitch',
    findings: deals,
    unplanned: undone,
    settings: settingsFor(USUAL_PLAN_RULES, construction),
  };
  const problem = problemFrom(input, {
    touch,
    worth: c.worth,
    history: countsHistory(c.matters),
    catalogue: OPERATIONS,
    currency: '¤',
    rod: rodStateOf(found, turn),
    saddleEnd: saddleEndOf(found),
    turns: c.turns,
  });
  const asks = [
    ...questions,
    ...contradictions(found, relief, band),
    ...sayCoursesApart(construction, standard),
    ...askedOfWorth(c.matters, c.worth),
    ...readOnOld(
      pitchesOut(found, [...standard.values()], targets).map(() => ({ setAge: c.stringAge ?? null })),
    ),
    ...(relief === null ? ['The relief was not read: read it first, everything else hangs on it.'] : []),
    ...('because' in problem ? [] : problem.questions),
  ];
  return { problem, questions: asks };
}
