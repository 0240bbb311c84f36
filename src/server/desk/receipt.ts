import { STRINGS_STATES } from '../../core/readings/conditions.ts';
import type { Transaction } from 'sequelize';
import type { Models } from '../db/models/index.ts';
import type { Job } from '../db/models/jobs.ts';
import type { SeenOnReceipt } from '../db/models/receipts.ts';

/** The item of the list that names damage already there. */
const DAMAGE_ITEM = 'damage';

/** What a receipt shows now: the things that came, the damage noted, the state of the strings. */
export async function seenOnReceipt(
  models: Models,
  job: Job,
  transaction: Transaction | null = null,
): Promise<SeenOnReceipt> {
  const [items, inspection] = await Promise.all([
    models.JobItem.findAll({ where: { jobId: job.id }, order: [['id', 'ASC']], transaction }),
    models.Inspection.findOne({ where: { jobId: job.id }, transaction }),
  ]);
  const damage = inspection
    ? await models.InspectionAnswer.findOne({
        where: { inspectionId: inspection.id, item: DAMAGE_ITEM },
        transaction,
      })
    : null;
  return {
    things: items.map((i) => ({ name: i.name, state: i.state })),
    damage: damage?.note ?? '',
    strings: STRINGS_STATES[job.stringsState],
  };
}
