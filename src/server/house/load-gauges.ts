import type { Gauge } from '../../core/readings/gauge.ts';
import type { Database } from '../db/connection.ts';
import type { GaugeRow } from '../db/models/gauges.ts';

/** A gauge as the core and the screens know it. */
export const asGauge = (r: GaugeRow): Gauge & { readonly retired: boolean; readonly version: number } => ({
  id: r.id,
  name: r.name,
  quantities: r.quantities,
  unit: r.unit,
  resolution: Number(r.resolution),
  zeroOffset: Number(r.zeroOffset),
  checkedAt: r.checkedAt?.getTime() ?? null,
  checkEveryDays: r.checkEveryDays,
  retired: r.retired,
  version: r.version,
});

/** The shop's gauges by name. */
export const loadGauges = async ({ models }: Pick<Database, 'models'>) =>
  (await models.GaugeRow.findAll({ order: [['name', 'ASC']] })).map(asGauge);
