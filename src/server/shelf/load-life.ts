import { nextMonth, reliefForecast, type Forecast } from '../../core/learn/forecast.ts';
import { seasonOfDrifts, type At, type Drift } from '../../core/learn/season.ts';
import { RELIEF_FRET, stationKey } from '../../core/readings/stations.ts';
import { airOfHouse, airWeeks } from '../air/house-air.ts';
import type { Database } from '../db/connection.ts';
import { loadNumbers } from '../learn/load-numbers.ts';
import { loadRounds, type InstrumentRounds } from './load-rounds.ts';

const RELIEF = stationKey('relief', 0, RELIEF_FRET);
const FEBRUARY = 2;
type Round = InstrumentRounds['rounds'][number];

const valueAt = (round: Round, key: string): number | null =>
  round.readings.find((r) => r.key === key)?.value ?? null;

/** What the relief moved by itself from each visit to the next. */
function drifts(rounds: readonly Round[]): readonly Drift[] {
  const jobs = [...new Set(rounds.map((r) => r.job))];
  return jobs.slice(1).flatMap((job, i) => {
    const before = rounds.filter((r) => r.job === jobs[i]).findLast((r) => valueAt(r, RELIEF) !== null);
    const after = rounds.find((r) => r.job === job && r.kind === 'as-found');
    const [a, b] = [before && valueAt(before, RELIEF), after && valueAt(after, RELIEF)];
    if (!before || !after || a == null || b == null) return [];
    return [{ from: Date.parse(before.at), to: Date.parse(after.at), by: b - a }];
  });
}

/** What is watched on an instrument, as its last inspection said. */
async function watchedOn({ models }: Database, id: number) {
  const inspections = await models.Inspection.findAll({
    include: [],
    where: {
      jobId: (await models.Job.findAll({ attributes: ['id'], where: { instrumentId: id } })).map((j) => j.id),
    },
    order: [['jobId', 'DESC']],
    limit: 1,
  });
  const [last] = inspections;
  if (!last) return [];
  const [answers, list] = await Promise.all([
    models.InspectionAnswer.findAll({ where: { inspectionId: last.id, answer: 'watch' } }),
    models.ChecklistRow.findByPk(last.checklistId),
  ]);
  const titles = new Map((list?.items ?? []).map((i) => [i.key, i.title]));
  return answers.map((a) => ({ title: titles.get(a.item) ?? a.item, note: a.note }));
}

/** The newest round that read the relief, with the air of its day. */
function lastLeft(rounds: readonly Round[]): (At & { readonly humidity: number | null }) | null {
  const last = rounds.findLast((r) => valueAt(r, RELIEF) !== null);
  const value = last && valueAt(last, RELIEF);
  return last && value != null ? { at: Date.parse(last.at), value, humidity: last.humidity } : null;
}

/**
 * The life of an instrument: its rounds, its own numbers with the acts behind them, what it will read in February, what is watched;
 * null when it is not known.
 */
export async function loadLife(db: Database, id: number, now: Date) {
  const [known, own, weeks, watched] = await Promise.all([
    loadRounds(db, id),
    loadNumbers(db, id),
    airWeeks(db),
    watchedOn(db, id),
  ]);
  if (!known || !own) return null;
  const house = await airOfHouse(db, weeks);
  const left = lastLeft(known.rounds);
  const year = seasonOfDrifts(drifts(known.rounds));
  const forecast: Forecast | null =
    left && reliefForecast(left, nextMonth(now.getTime(), FEBRUARY), own.numbers.air, house, year);
  // The air of weeks before its first visit says nothing of it.
  const since = Date.parse(known.rounds[0]?.at ?? '');
  const air = weeks
    .filter((w) => w.at >= since)
    .map(({ at, value, temperature }) => ({ at, humidity: value, temperature }));
  return { ...known, ...own, watched, forecast, air };
}

export type Life = NonNullable<Awaited<ReturnType<typeof loadLife>>>;
