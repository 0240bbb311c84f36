import { Op, QueryTypes } from 'sequelize';
import { ENDS, type End } from '../../core/hand-over/ends.ts';
import type { Database } from '../db/connection.ts';
import type { HandOver } from '../db/models/work.ts';
import { kindNames } from '../house/kinds.ts';

export interface ShelfRow {
  readonly id: number;
  readonly name: string;
  readonly kindName: string;
  readonly serial: string;
  readonly customer: string;
  readonly visits: number;
  readonly openJob: number | null;
}

const MOST = 100;

interface Row {
  id: number;
  maker: string;
  model: string;
  kind: string;
  serial: string;
  customer: string;
  visits: number;
  openJob: number | null;
}

/** How many instruments hang on the floor to be sold. */
export const countFloor = ({ models }: Pick<Database, 'models'>): Promise<number> =>
  models.Instrument.count({ where: { floorSince: { [Op.ne]: null }, mergedInto: null } });

/** Instruments the shop has known, or only those on the floor, found by maker, model, serial or customer. At most 100, newest first. */
export async function loadShelf(db: Database, piece: string, floor = false): Promise<ShelfRow[]> {
  const { sequelize } = db;
  const like = `%${piece.trim().replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
  const rows = await sequelize.query<Row>(
    `SELECT i.id, i.maker, i.model, i.kind, i.serial, c.name AS customer,
       (SELECT COUNT(*) FROM jobs j WHERE j.instrument_id = i.id) AS visits,
       (SELECT MAX(j.number) FROM jobs j WHERE j.instrument_id = i.id AND j.state = 'open') AS openJob
     FROM instruments i JOIN customers c ON c.id = i.customer_id
     WHERE i.merged_into IS NULL ${floor ? 'AND i.floor_since IS NOT NULL ' : ''}AND CONCAT_WS(' ', i.maker, i.model, i.serial, c.name) LIKE ? ORDER BY i.id DESC LIMIT ${MOST}`,
    { type: QueryTypes.SELECT, replacements: [like] },
  );
  const names = await kindNames(db);
  return rows.map((r) => ({
    id: r.id,
    name: `${r.maker} ${r.model}`.trim(),
    kindName: names[r.kind] ?? r.kind,
    serial: r.serial,
    customer: r.customer,
    visits: Number(r.visits),
    openJob: r.openJob,
  }));
}

/** How the jobs ended that nobody signed for, by job, in words. */
const endsWithoutSignature = (sheets: readonly HandOver[]): ReadonlyMap<number, string> =>
  new Map(
    sheets.flatMap((s) =>
      s.endedAt === null ? [] : [[s.jobId, ENDS[s.ending as End].name.toLowerCase()] as const],
    ),
  );

/** One instrument with its visits and the last readings of each; null when it is not known. */
export async function loadInstrument({ models }: Database, id: number) {
  const instrument = await models.Instrument.findByPk(id);
  if (!instrument) return null;
  const [names, customer, jobs] = await Promise.all([
    kindNames({ models }),
    models.Customer.findByPk(instrument.customerId),
    models.Job.findAll({ where: { instrumentId: id }, order: [['number', 'DESC']] }),
  ]);
  const rounds =
    jobs.length === 0 ? [] : await models.Round.findAll({ where: { jobId: jobs.map((j) => j.id) } });
  const readings =
    rounds.length === 0
      ? []
      : await models.ReadingRow.findAll({
          where: {
            roundId: rounds.map((r) => r.id),
            [Op.or]: [
              { quantity: 'relief', fret: 7 },
              { quantity: 'action', fret: 12 },
            ],
          },
        });
  const seals = await models.HandOver.findAll({ where: { jobId: jobs.map((j) => j.id) } });
  const endings = endsWithoutSignature(seals);
  return {
    id,
    name: `${instrument.maker} ${instrument.model}`.trim(),
    kindName: names[instrument.kind] ?? instrument.kind,
    year: instrument.year,
    serial: instrument.serial,
    construction: instrument.construction,
    customer: customer?.name ?? '',
    customerId: instrument.customerId,
    version: instrument.version,
    floorSince: instrument.floorSince?.toISOString() ?? null,
    visits: jobs.map((j) => ({
      number: j.number,
      complaint: j.complaint,
      state: j.state,
      takenInAt: j.takenInAt.toISOString(),
      closedAt: j.closedAt?.toISOString() ?? null,
      end: endings.get(j.id) ?? null,
      digest: seals.find((s) => s.jobId === j.id)?.digest ?? null,
      readings: rounds
        .filter((r) => r.jobId === j.id)
        .flatMap((r) =>
          readings
            .filter((x) => x.roundId === r.id)
            .map((x) => ({
              round: r.kind,
              quantity: x.quantity,
              string: x.stringNo,
              value: Number(x.value),
              typed: x.typed,
            })),
        ),
    })),
  };
}
