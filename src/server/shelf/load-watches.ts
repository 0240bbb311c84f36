import { QueryTypes } from 'sequelize';
import { reachOf, type Reach, type WatchedAt } from '../../core/learn/reach.ts';
import { WATCHED, watchedValue, type WatchedId } from '../../core/learn/watched.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import type { RoundKind } from '../../core/readings/rounds.ts';
import { standardReadings } from '../../core/readings/standard.ts';
import type { Quantity } from '../../core/readings/quantities.ts';
import { stationKey } from '../../core/readings/stations.ts';
import type { Database } from '../db/connection.ts';

/** Something watched on an instrument, with how it stands to its limit. mm */
export interface LoadedWatch {
  readonly id: number;
  readonly version: number;
  readonly instrumentId: number;
  readonly what: WatchedId;
  readonly limit: number;
  readonly side: 'above' | 'below';
  readonly note: string;
  readonly reach: Reach;
}

interface Row {
  readonly instrumentId: number;
  readonly job: number;
  readonly round: number;
  readonly kind: RoundKind;
  readonly at: Date | string;
  readonly quantity: Quantity;
  readonly stringNo: number;
  readonly fret: number;
  readonly value: string;
  readonly methodId: string | null;
}

const QUANTITIES = [...new Set(Object.values(WATCHED).map((w) => w.quantity))];

/** What stands for the instruments and was read, not carried forward, in the order of time. */
const READ_SQL = `SELECT j.instrument_id AS instrumentId, j.number AS job, r.id AS round, r.kind, MAX(x.taken_at) OVER (PARTITION BY r.id) AS at,
  x.quantity, x.string_no AS stringNo, x.fret, x.value, x.method_id AS methodId
  FROM jobs j JOIN rounds r ON r.job_id = j.id JOIN readings x ON x.round_id = r.id
  WHERE j.instrument_id IN (:ids) AND x.quantity IN (:quantities) AND x.not_representative IS NULL AND x.copied_from IS NULL
  ORDER BY j.number, r.started_at, r.id`;

/** The series of something watched: one value a round, by the reference methods. */
function seriesOf(what: WatchedId, c: Construction, rows: readonly Row[]): readonly WatchedAt[] {
  const rounds = new Map<number, Row[]>();
  for (const r of rows) rounds.set(r.round, [...(rounds.get(r.round) ?? []), r]);
  return [...rounds.values()].flatMap((own): WatchedAt[] => {
    const [first] = own;
    if (!first) return [];
    const at = new Date(first.at).getTime();
    const read = standardReadings(
      c,
      own.map((r) => ({
        key: stationKey(r.quantity, r.stringNo, r.fret),
        quantity: r.quantity,
        string: r.stringNo,
        fret: r.fret,
        value: Number(r.value),
        round: r.kind,
        takenAt: at,
        notRepresentative: null,
        methodId: r.methodId ?? undefined,
      })),
    );
    const value = watchedValue(what, c.strings.length, read);
    return value === null ? [] : [{ at, value, job: first.job, left: first.kind !== 'as-found' }];
  });
}

/** What is watched now, on one instrument or on all, each with how it stands to its limit. */
export async function loadWatches(
  { models, sequelize }: Pick<Database, 'models' | 'sequelize'>,
  now: Date,
  instrumentId: number | null = null,
): Promise<readonly LoadedWatch[]> {
  const watches = await models.Watch.findAll({
    where: { endedAt: null, ...(instrumentId !== null && { instrumentId }) },
    order: [['id', 'ASC']],
  });
  if (watches.length === 0) return [];
  const ids = [...new Set(watches.map((w) => w.instrumentId))];
  const [rows, instruments] = await Promise.all([
    sequelize.query<Row>(READ_SQL, {
      type: QueryTypes.SELECT,
      replacements: { ids, quantities: QUANTITIES },
    }),
    models.Instrument.findAll({ where: { id: ids } }),
  ]);
  const constructions = new Map(instruments.map((i) => [i.id, i.construction]));
  return watches.map((w) => {
    const own = rows.filter((r) => r.instrumentId === w.instrumentId);
    const limit = { limit: Number(w.limit), side: w.side };
    const c = constructions.get(w.instrumentId);
    const series = c ? seriesOf(w.what, c, own) : [];
    return {
      id: w.id,
      version: w.version,
      instrumentId: w.instrumentId,
      what: w.what,
      ...limit,
      note: w.note,
      reach: reachOf(series, limit, WATCHED[w.what].wears, now.getTime()),
    };
  });
}
