import type { FretTops } from '../../frets/fret-level.ts';
import { tellsApart } from '../../readings/gauge.ts';
import { QUANTITY_FACTS } from '../../readings/quantities.ts';
import type { Minor } from '../../money/minor.ts';
import type { Reading } from '../../readings/reading.ts';
import { boardShape } from '../../neck/board-shape.ts';
import { ACTION_FRET, RELIEF_FRET, stationKey } from '../../readings/stations.ts';
import type { LoggedTurn } from '../../neck/truss-rod.ts';
import type { Touch } from '../../targets/target.ts';
import { handFor } from '../../whatif/clearance-map.ts';
import { handHeard, type HeardPlace } from '../../whatif/heard.ts';
import { neckModel, type ModelSource } from '../../whatif/neck-model.ts';
import type { Operation } from '../../catalogue/operation.ts';
import type { PlanInput } from '../plan-input.ts';
import { pinQuestions, pinTaperOf } from './pin-ways.ts';
import { type Judged, type Problem, type RodState, type SaddleEnd } from './problem.ts';

const JUDGED = ['relief', 'action', 'nut-gap', 'intonation'] as const;

/** The places a plan is judged by: every one that was read, is not stale and has a band. */
function judgedOf(input: PlanInput): Judged[] {
  const count = input.construction.strings.length;
  return input.stations.flatMap((s) => {
    const quantity = JUDGED.find((q) => q === s.quantity);
    if (!quantity || !input.readings.has(s.key) || input.stale.has(s.key) || !input.targets.has(s.key))
      return [];
    return [
      {
        key: s.key,
        label: s.label,
        quantity,
        index: quantity === 'relief' ? -1 : count - s.string,
        tells: QUANTITY_FACTS[quantity].tells,
        sure: tellsApart(input.readings.get(s.key)?.uncertainty),
      },
    ];
  });
}

/**
 * Tops and heights of the frets that were read in full. Over a board whose shape was measured a top is what the wood lies off its bow
 * and what the fret stands over it; a board that was not measured is taken to be straight.
 */
export function fretTopsOf({
  construction,
  readings,
  stale,
}: Pick<ModelSource, 'construction' | 'readings' | 'stale'>): FretTops[] {
  const used = [...readings].filter(([key]) => !stale.has(key)).map(([, r]) => r);
  const relief = used.find((r) => r.quantity === 'relief' && r.fret === RELIEF_FRET)?.value ?? null;
  const shape = boardShape(construction, used, relief);
  const byFret = new Map<number, Map<number, number>>();
  for (const [key, r] of readings) {
    if (r.quantity !== 'fret-height' || stale.has(key)) continue;
    byFret.set(r.fret, (byFret.get(r.fret) ?? new Map<number, number>()).set(r.string, r.value));
  }
  return [...byFret]
    .sort(([a], [b]) => a - b)
    .map(([fret, at]) => {
      const known = [...at.values()];
      const mean = known.reduce((s, v) => s + v, 0) / known.length;
      const [bass, middle, treble] = [3, 2, 1].map((n) => at.get(n) ?? mean) as [number, number, number];
      const [low, high] = [shape?.bass[fret] ?? 0, shape?.treble[fret] ?? 0];
      return {
        fret,
        bass: bass + low,
        middle: middle + (low + high) / 2,
        treble: treble + high,
        height: { bass, middle, treble },
      };
    });
}

/** What the job adds to a plan's input. */
export interface JobOfPlan {
  readonly touch: Touch;
  /** what was heard where this player played */
  readonly heard?: readonly HeardPlace[] | undefined;
  readonly worth: Minor | null;
  /** its history counts */
  readonly history?: boolean | undefined;
  readonly catalogue: readonly Operation[];
  readonly currency: string;
  /** as the inspection and the logged turns tell; it turns where nothing is said */
  readonly rod?: RodState;
  /** where saddles on screws or wheels stand; between where nothing is said */
  readonly saddleEnd?: SaddleEnd;
  /** the turns its rod was given, oldest first */
  readonly turns?: readonly LoggedTurn[];
  /** what the findings ask before anybody goes by a plan */
  readonly questions?: readonly string[];
}

/** Why no plan can be found yet. */
export interface NotYet {
  readonly because: string;
}

const outerActions = (input: PlanInput): string[] =>
  [input.construction.strings.length, 1].map((n) => stationKey('action', n, ACTION_FRET));

/** Whether no side's action was read: then heights are taken to stand at their aims, and asked for. */
export const actionUnread = (input: PlanInput): boolean =>
  outerActions(input).every((key) => !input.readings.has(key) || input.stale.has(key));

/** Readings with the two sides' actions at their aims, where nobody read them. */
function withActions(input: PlanInput): ReadonlyMap<string, Reading> {
  const all = new Map(input.readings);
  const outer = [input.construction.strings.length, 1];
  for (const [i, key] of outerActions(input).entries()) {
    const target = input.targets.get(key);
    if (!target) continue;
    const value = target.aim;
    const at = { key, quantity: 'action', string: outer[i] ?? 1, fret: ACTION_FRET, value } as const;
    all.set(key, { ...at, round: 'as-found', takenAt: 0, notRepresentative: null });
  }
  return all;
}

/** The problem of a job, or why it cannot be set yet: without strings at pitch nothing is known. */
export function problemFrom(input: PlanInput, job: JobOfPlan): Problem | NotYet {
  if (input.strings !== 'at-pitch')
    return {
      because: 'It is not strung and at pitch: string it up, tune, read again. Then plans can be found.',
    };
  const unread = actionUnread(input);
  const readings = unread ? withActions(input) : input.readings;
  const stale = unread
    ? new Set([...input.stale].filter((k) => !outerActions(input).includes(k)))
    : input.stale;
  const model = neckModel({ ...input, readings, stale, set: undefined });
  if (model === null)
    return { because: 'The action was not read at either side: read it, then plans can be found.' };
  return {
    model,
    targets: input.targets,
    judged: judgedOf(input),
    catalogue: job.catalogue,
    findings: input.findings,
    unplanned: input.unplanned ?? [],
    questions: [
      ...(unread ? ['The action was not read: read it at both sides.'] : []),
      ...pinQuestions(input),
    ],
    pinTaper: pinTaperOf(input),
    frets: fretTopsOf(input),
    rod: job.rod ?? 'turns',
    saddleEnd: job.saddleEnd ?? null,
    turns: job.turns ?? [],
    rodPrior: input.settings.rodPrior,
    touch: job.touch,
    force: handHeard(job.heard ?? [], handFor(model, job.touch).force)?.force,
    worth: { ...input.settings.worth, amount: job.worth, history: job.history ?? false },
    limits: input.settings.limits,
    weights: input.settings.weights,
    ratio: input.settings.rodActionRatio,
    firstCutShare: input.settings.firstCutShare,
    currency: job.currency,
    declined: new Set(),
  };
}
