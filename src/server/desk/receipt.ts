import { VIEW_NAMES } from '../../core/instrument/outline.ts';
import { STRINGS_STATES } from '../../core/readings/conditions.ts';
import type { Transaction } from 'sequelize';
import type { Models } from '../db/models/index.ts';
import type { Job } from '../db/models/jobs.ts';
import { custodyOf } from '../custody/load-custody.ts';
import type { SeenOnReceipt } from '../db/models/receipts.ts';

/** The item of the list that names damage already there. */
const DAMAGE_ITEM = 'damage';

/** What a receipt shows now: the things that came, the damage noted, the state of the strings. */
export async function seenOnReceipt(
  models: Models,
  job: Job,
  transaction: Transaction | null = null,
): Promise<SeenOnReceipt> {
  const [items, { marks }, inspection] = await Promise.all([
    models.JobItem.findAll({ where: { jobId: job.id, bag: null }, order: [['id', 'ASC']], transaction }),
    custodyOf(models, job.id, transaction),
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
    ...(marks.length > 0 && { marks: marks.map((m) => `${VIEW_NAMES[m.view]}: ${m.words || 'marked'}`) }),
    strings: STRINGS_STATES[job.stringsState],
  };
}
