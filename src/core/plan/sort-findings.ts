import type { Construction } from '../instrument/construction.ts';
import { plainFinding } from '../inspection/plain-findings.ts';
import { dealtWithBy, findingOn } from '../inspection/findings.ts';
import type { RodAdvice } from '../neck/truss-rod.ts';
import { sizeWords } from '../units/words-in.ts';
import type { Operation } from '../catalogue/operation.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { operation } from '../catalogue/operations.ts';
import type { Finding, Unplanned } from './plan-input.ts';
import { toldByReadings } from './asked-readings.ts';
import type { Limits } from './plan-rules.ts';
import type { RodState, SaddleEnd } from './solve/problem.ts';

/** An item of the inspection that needs work, and what was found on it. */
export interface FoundItem {
  readonly item: string;
  readonly title: string;
  readonly note: string;
  /** the finding's code; without one the item's first is meant */
  readonly finding: string | null;
  /** where the list itself says what it leads to, for items that do not ship */
  readonly leadsTo?: OperationId | undefined;
}

/** What was found, told apart: what an operation deals with, what none does and why, and what must be asked first. */
export interface SortedFindings {
  readonly deals: readonly Finding[];
  readonly undone: readonly Unplanned[];
  readonly questions: readonly string[];
}

const NOBODY = 'No operation of the shop deals with it: ask a colleague.';

/** What findings are told apart by, beside themselves. */
export interface Looking extends Pick<Construction, 'bridge'> {
  /** what may be used of a place that was read: mm or degrees; null where nothing stands */
  readonly read: (key: string) => number | null;
  readonly limits: Pick<Limits, 'breakAngle'>;
}

/**
 * Tells apart what was found: each finding leads to an operation, to a question or to a line that says why it is not dealt
 * with; none is lost.
 */
export function sortFindings(
  found: readonly FoundItem[],
  catalogue: readonly Operation[],
  { bridge, read, limits }: Looking,
): SortedFindings {
  const deals: Finding[] = [];
  const undone: Unplanned[] = [];
  const questions: string[] = [];
  for (const f of found) {
    const named = findingOn(f.item, f.finding ?? undefined);
    const what = named === null ? f.title : `${f.title}: ${named.name.toLowerCase()}`;
    const plain = plainFinding(f.item, f.finding, f.title);
    const leadsTo = dealtWithBy(f.item, named, f.leadsTo, catalogue, { bridge });
    if (leadsTo) {
      const { name } = operation(leadsTo, catalogue);
      deals.push({ item: f.item, title: what, note: f.note, leadsTo, name, plain });
      continue;
    }
    const told = named?.asks ? toldByReadings(`${f.item}:${named.id}`, read, limits) : null;
    const why = told?.why ?? named?.why ?? named?.asks ?? NOBODY;
    const asked = named?.asks !== undefined && told?.toCustomer !== true;
    const says = named?.why === undefined ? plain : `${plain} ${named.why}`;
    undone.push({ what: f.note === '' ? what : `${what} (${f.note})`, why, plain: says, asked });
    if (named?.asks && told === null) questions.push(`${what}. ${named.asks}`);
  }
  return { deals, undone, questions };
}

const ROD_ITEMS: ReadonlySet<string> = new Set(['rod', 'rod-reach']);

/** How the rod's nut answers, by what was found on it and by the turns it was given. */
export function rodStateOf(
  found: readonly Pick<FoundItem, 'item' | 'finding'>[],
  turn: RodAdvice | null,
): RodState {
  const on = found
    .filter((f) => ROD_ITEMS.has(f.item))
    .map((f) => findingOn(f.item, f.finding ?? undefined)?.id);
  for (const state of ['stuck', 'at-its-end', 'unreachable'] as const) if (on.includes(state)) return state;
  return turn?.advice === 'stop' ? 'no-answer' : 'turns';
}

const SADDLE_ITEMS: ReadonlySet<string> = new Set(['saddle-screws', 'thumbwheels', 'bridge-place']);

/** Where saddles on screws or wheels stand, by what was found on them. */
export const saddleEndOf = (found: readonly Pick<FoundItem, 'item' | 'finding'>[]): SaddleEnd =>
  (['lowest', 'highest'] as const).find((end) =>
    found.some((f) => SADDLE_ITEMS.has(f.item) && f.finding === end),
  ) ?? null;

/** Where the eye and the reading of the relief contradict each other: a question, in mm. */
export function contradictions(
  found: readonly Pick<FoundItem, 'item' | 'finding'>[],
  relief: number | null,
  band: { readonly low: number; readonly high: number } | undefined,
): string[] {
  if (relief === null || band === undefined) return [];
  const fits: Readonly<Record<string, boolean>> = { dip: relief >= band.low, back: relief <= band.high };
  return found
    .filter((f) => f.item === 'sight' && fits[findingOn(f.item, f.finding ?? undefined)?.id ?? ''] === false)
    .map(
      () => `The eye and the reading of the relief (${sizeWords(relief)}) do not agree: look and read again.`,
    );
}
