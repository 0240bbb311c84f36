import type { Database } from '../db/connection.ts';

/** The tablets paired with the shop, the one seen last first. */
export async function loadDevices({ models }: Pick<Database, 'models'>) {
  const [rows, people] = await Promise.all([
    models.Device.findAll({
      where: { revokedAt: null },
      order: [
        ['seenAt', 'DESC'],
        ['id', 'ASC'],
      ],
    }),
    models.Person.findAll({ attributes: ['id', 'name'] }),
  ]);
  return rows.map((d) => ({
    id: d.id,
    name: d.name,
    pairedAt: d.pairedAt.toISOString(),
    seenAt: d.seenAt?.toISOString() ?? null,
    seenBy: people.find((p) => p.id === d.seenBy)?.name ?? '',
  }));
}

export type LoadedDevice = Awaited<ReturnType<typeof loadDevices>>[number];
