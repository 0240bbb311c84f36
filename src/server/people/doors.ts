import { Op, QueryTypes } from 'sequelize';
import { doorsSchema, type Doors } from '../../contracts/doors.ts';
import type { Database } from '../db/connection.ts';
import { DOOR_KINDS } from './door-event.ts';

/** How the shop keeps its doors, with the setting's version. */
export async function loadDoors({
  models,
}: Pick<Database, 'models'>): Promise<{ readonly doors: Doors; readonly version: number }> {
  const row = await models.Setting.findByPk('doors');
  return { doors: doorsSchema.parse(row?.value ?? {}), version: row?.version ?? 0 };
}

const SHOWN = 60;

/** What happened at the door of late, newest first, for whoever keeps the house. */
export async function loadDoorLog({ sequelize, models }: Database) {
  const rows = await models.EventRow.findAll({
    where: { kind: { [Op.in]: [...DOOR_KINDS] } },
    order: [['id', 'DESC']],
    limit: SHOWN,
  });
  const devices = await sequelize.query<{ id: number; name: string }>('SELECT id, name FROM devices', {
    type: QueryTypes.SELECT,
  });
  const people = await models.Person.findAll({ attributes: ['id', 'name'] });
  const nameIn = (all: readonly { id: number; name: string }[], id: number | null): string =>
    all.find((x) => x.id === id)?.name ?? '';
  return rows.map((e) => ({
    id: e.id,
    at: e.at.toISOString(),
    kind: e.kind,
    person: nameIn(people, e.personId),
    device: nameIn(devices, e.deviceId),
  }));
}

export type DoorLog = Awaited<ReturnType<typeof loadDoorLog>>;
