import { findingOn } from '../../inspection/findings.ts';
import { BENCH_ARRIVAL } from '../../inspection/lists/bench-arrival.ts';
import type { Construction } from '../../instrument/construction.ts';
import { rodAdvice, type LoggedTurn, type RodAdvice } from '../../neck/truss-rod.ts';
import { ratioOf } from '../../neck/rod-to-action.ts';
import type { Reading } from '../../readings/reading.ts';
import { standardReadings } from '../../readings/standard.ts';
import { ACTION_FRET, RELIEF_FRET, stationKey, stationsOf } from '../../readings/stations.ts';
import { resolveTarget } from '../../targets/resolve.ts';
import { SHIPPED_TARGETS } from '../../targets/shop-targets.ts';
import type { Target, Touch } from '../../targets/target.ts';
import { OPERATIONS, operation } from '../operations.ts';
import { USUAL_SETTINGS, type Finding, type PlanInput } from '../plan-input.ts';
import { problemFrom, type NotYet } from '../solve/problem-from.ts';
import type { Problem, RodState } from '../solve/problem.ts';

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
  readonly readings: readonly Reading[];
  readonly findings: readonly CaseFinding[];
  readonly turns: readonly LoggedTurn[];
}

/** Something that no plan deals with, and why. */
export interface Undone {
  readonly what: string;
  readonly why: string;
}

/** A case as a problem, with what stands beside it. */
export interface CaseProblem {
  readonly problem: Problem | NotYet;
  /** findings that no operation deals with */
  readonly undone: readonly Undone[];
  readonly questions: readonly string[];
  /** the next turn of the rod, where its relief was read */
  readonly turn: RodAdvice | null;
}

const RELIEF = stationKey('relief', 0, RELIEF_FRET);
const ROD_ITEMS: ReadonlySet<string> = new Set(['rod', 'rod-reach']);

/** How the rod's nut answers, by what was found and by its turns. */
function rodState(findings: readonly CaseFinding[], turn: RodAdvice | null): RodState {
  const on = findings.filter((f) => ROD_ITEMS.has(f.item)).map((f) => findingOn(f.item, f.finding)?.id);
  for (const state of ['stuck', 'at-its-end', 'unreachable'] as const) if (on.includes(state)) return state;
  return turn?.advice === 'stop' ? 'no-answer' : 'turns';
}

const titleOf = (item: string): string => BENCH_ARRIVAL.items.find((i) => i.key === item)?.title ?? item;

/** What was found, told apart: what an operation deals with, what none does, and what must be asked first. */
function sorted(findings: readonly CaseFinding[]) {
  const deals: Finding[] = [];
  const undone: Undone[] = [];
  const questions: string[] = [];
  for (const f of findings) {
    const found = findingOn(f.item, f.finding);
    const title = titleOf(f.item);
    const what = found === null ? title : `${title}: ${found.name.toLowerCase()}`;
    if (found?.leadsTo) {
      const { name } = operation(found.leadsTo, OPERATIONS);
      deals.push({ item: f.item, title: what, note: f.note ?? '', leadsTo: found.leadsTo, name });
    } else {
      const why = found?.why ?? found?.asks ?? 'No operation of the shop deals with it: ask a colleague.';
      undone.push({ what, why });
      if (found?.asks) questions.push(`${what}. ${found.asks}`);
    }
  }
  return { deals, undone, questions };
}

const EYE: Readonly<Record<string, (relief: number, band: Target) => boolean>> = {
  dip: (relief, band) => relief >= band.low,
  back: (relief, band) => relief <= band.high,
};

/** Where the eye and the reading contradict each other. */
function contradictions(
  findings: readonly CaseFinding[],
  relief: number | null,
  band: Target | undefined,
): string[] {
  if (relief === null || band === undefined) return [];
  return findings.flatMap((f) => {
    const fits = f.item === 'sight' ? EYE[findingOn(f.item, f.finding)?.id ?? ''] : undefined;
    return fits && !fits(relief, band)
      ? [`The eye and the reading of the relief (${relief.toFixed(2)} mm) do not agree: look and read again.`]
      : [];
  });
}

/** Sets a case as a problem. What was not read of the action is taken to stand at its aim, and asked for. */
export function caseProblem(c: Case): CaseProblem {
  const { construction, touch } = c;
  const stations = stationsOf(construction);
  const targets = new Map<string, Target>();
  for (const s of stations) {
    const target = resolveTarget(construction, touch, [], s, { shop: SHIPPED_TARGETS, now: () => undefined });
    if (target) targets.set(s.key, target);
  }
  const readings = new Map(standardReadings(construction, c.readings).map((r) => [r.key, r]));
  const [band, relief] = [targets.get(RELIEF), readings.get(RELIEF)?.value ?? null];
  const turn = relief === null || band === undefined ? null : rodAdvice(relief, band, c.turns);
  const { deals, undone, questions } = sorted(c.findings);
  const outer = [construction.strings.length, 1];
  const actions = outer.map((n) => stationKey('action', n, ACTION_FRET));
  const unread = actions.every((key) => !readings.has(key));
  const taken = unread ? actions.flatMap((key, i) => aimAt(targets.get(key), key, outer[i] ?? 1)) : [];
  const input: PlanInput = {
    construction,
    stations,
    readings: new Map([...readings, ...taken]),
    stale: new Set(),
    targets,
    strings: 'at-pitch',
    findings: deals,
    settings: { ...USUAL_SETTINGS, rodActionRatio: ratioOf(construction.kind) },
  };
  const made = problemFrom(input, {
    touch,
    worth: c.worth,
    catalogue: OPERATIONS,
    currency: '¤',
    rod: rodState(c.findings, turn),
  });
  const asks = [
    ...questions,
    ...contradictions(c.findings, relief, band),
    ...(relief === null ? ['The relief was not read: read it first, everything else hangs on it.'] : []),
    ...(unread ? ['The action was not read: read it at both sides.'] : []),
  ];
  if ('because' in made) return { problem: made, undone, questions: asks, turn };
  const judged = made.judged.filter((j) => readings.has(j.key));
  return { problem: { ...made, judged }, undone, questions: asks, turn };
}

/** A reading that stands in for one nobody took: the place at its aim. */
const aimAt = (target: Target | undefined, key: string, string: number): (readonly [string, Reading])[] =>
  target === undefined
    ? []
    : [
        [
          key,
          {
            key,
            quantity: 'action',
            string,
            fret: ACTION_FRET,
            value: target.aim,
            round: 'as-found',
            takenAt: 0,
            notRepresentative: null,
          },
        ],
      ];
