import { boardShape } from '../../core/neck/board-shape.ts';
import { topsByFret } from '../../core/readings/fret-tops.ts';
import { actionFret } from '../../core/readings/methods.ts';
import { roundName, type RoundKind } from '../../core/readings/rounds.ts';
import { ACTION_FRET, RELIEF_FRET, stationKey } from '../../core/readings/stations.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import type { Measured } from './geometry.ts';
import { methodsOf } from '../../core/job/views/sheet-stations.ts';
import type { SheetLine } from './side-view.tsx';

/** Which lines may lie over that of the round in hand. */
export const LINES = { found: 'as found', planned: 'planned', left: 'as left' } as const;
export type LineChoice = keyof typeof LINES;

/** What was read of one string in a round, for drawing. Readings that are not representative are not drawn. */
export function measuredOf(job: LeafJob, round: RoundKind, string: number): Measured {
  const readings = job.readings.readings.filter((r) => r.round === round && r.notRepresentative === null);
  const value = (key: string) => readings.find((r) => r.key === key)?.standard ?? null;
  const standard = readings.map((r) => ({ ...r, value: r.standard }));
  const relief = value(stationKey('relief', 0, RELIEF_FRET));
  const shape = boardShape(job.instrument.construction, standard, relief);
  return {
    relief: relief ?? shape?.relief ?? null,
    shape,
    tops: topsByFret(standard),
    action: value(stationKey('action', string, ACTION_FRET)),
    nutGap: value(stationKey('nut-gap', string, 1)),
  };
}

/** The same once the plan is carried out, where something of it was accepted. */
function plannedOf(job: LeafJob, string: number): Measured | null {
  const accepted = new Set(job.decisions.filter((d) => d.decision !== 'declined').map((d) => d.line));
  const { lines, then, forecast } = job.proposal;
  if (![...lines, ...then].some((l) => accepted.has(l.key))) return null;
  const found = measuredOf(job, 'as-found', string);
  const count = job.instrument.construction.strings.length;
  const outer = string > count / 2 ? count : 1;
  const at = (key: string, now: number | null) => forecast.find((f) => f.key === key)?.value ?? now;
  return {
    relief: at(stationKey('relief', 0, 7), found.relief),
    action: at(stationKey('action', outer, ACTION_FRET), found.action),
    nutGap: at(stationKey('nut-gap', string, 1), found.nutGap),
  };
}

/** The lines to draw for one string: as found, planned and as left as chosen, and always the round in hand. */
export function sheetLines(
  job: LeafJob,
  round: RoundKind,
  string: number,
  chosen: ReadonlySet<LineChoice>,
): readonly SheetLine[] {
  const planned = chosen.has('planned') ? plannedOf(job, string) : null;
  const here = job.readings.rounds.find((r) => r.kind === round);
  return [
    ...(chosen.has('found') && round !== 'as-found'
      ? [
          {
            name: roundName('as-found'),
            measured: measuredOf(job, 'as-found', string),
            tone: 'found' as const,
          },
        ]
      : []),
    ...(planned ? [{ name: 'Planned', measured: planned, tone: 'planned' as const }] : []),
    ...(chosen.has('left') && round !== 'as-left'
      ? [{ name: roundName('as-left'), measured: measuredOf(job, 'as-left', string), tone: 'after' as const }]
      : []),
    {
      name: here?.name ?? roundName(round),
      measured: measuredOf(job, round, string),
      tone: 'left' as const,
    },
  ];
}

/** The fret the round's action is read at. */
export const roundActionFret = (job: LeafJob, round: RoundKind): number =>
  actionFret(methodsOf(job, round).action, job.instrument.construction.frets);
