import type { Reading } from '../../core/readings/reading.ts';
import { roundName, roundOrder, type RoundKind } from '../../core/readings/rounds.ts';
import { standardReadings } from '../../core/readings/standard.ts';
import { stationKey } from '../../core/readings/stations.ts';
import type { Database } from '../db/connection.ts';
import type { ReadingRow } from '../db/models/readings.ts';

const reading = (r: ReadingRow, kind: RoundKind): Reading => ({
  key: stationKey(r.quantity, r.stringNo, r.fret),
  quantity: r.quantity,
  string: r.stringNo,
  fret: r.fret,
  value: Number(r.value),
  round: kind,
  takenAt: r.takenAt.getTime(),
  notRepresentative: r.notRepresentative,
  uncertainty: r.uncertainty === null ? null : Number(r.uncertainty),
  methodId: r.methodId ?? undefined,
});

/**
 * Every round of every visit of an instrument with its representative readings, by the reference methods, oldest first;
 * null when the instrument is not known.
 */
export async function loadRounds({ models }: Database, id: number) {
  const instrument = await models.Instrument.findByPk(id);
  if (!instrument) return null;
  const jobs = await models.Job.findAll({ where: { instrumentId: id }, order: [['number', 'ASC']] });
  const rounds =
    jobs.length === 0 ? [] : await models.Round.findAll({ where: { jobId: jobs.map((j) => j.id) } });
  const rows =
    rounds.length === 0
      ? []
      : await models.ReadingRow.findAll({
          where: { roundId: rounds.map((r) => r.id), notRepresentative: null },
        });
  const all = jobs.flatMap((job) =>
    rounds
      .filter((r) => r.jobId === job.id)
      .sort((a, b) => roundOrder(a.kind) - roundOrder(b.kind))
      .map((r) => ({
        id: `${job.number}:${r.kind}`,
        job: job.number,
        kind: r.kind,
        name: `${job.number}, ${roundName(r.kind, r.title).toLowerCase()}`,
        at: r.startedAt.toISOString(),
        temperature: r.temperature === null ? null : Number(r.temperature),
        humidity: r.humidity === null ? null : Number(r.humidity),
        readings: standardReadings(
          instrument.construction,
          rows.filter((x) => x.roundId === r.id).map((x) => reading(x, r.kind)),
        ).map(({ key, quantity, string, fret, value, uncertainty, converted }) => ({
          key,
          quantity,
          string,
          fret,
          value,
          uncertainty: uncertainty ?? null,
          converted: converted ?? null,
        })),
      })),
  );
  return {
    id,
    name: `${instrument.maker} ${instrument.model}`.trim(),
    construction: instrument.construction,
    rounds: all.filter((r) => r.readings.length > 0),
  };
}

export type InstrumentRounds = NonNullable<Awaited<ReturnType<typeof loadRounds>>>;
