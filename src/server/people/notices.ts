import { Op, QueryTypes } from 'sequelize';
import { mentioned } from '../../core/work/mentions.ts';
import { ok } from '../../core/result.ts';
import type { Notice } from '../db/models/bench.ts';
import type { Database } from '../db/connection.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';

const LONGEST = 240;

/** Rings the bell of some people, each once, never one's own. */
export async function tell(
  { models, t, now, actor }: Work,
  people: readonly number[],
  jobId: number,
  kind: Notice['kind'],
  words: string,
): Promise<void> {
  const others = [...new Set(people)].filter((id) => id !== actor.personId);
  await models.Notice.bulkCreate(
    others.map((personId) => ({ personId, jobId, kind, words: words.slice(0, LONGEST), at: now })),
    { transaction: t },
  );
}

/** Rings the bell of those who speak with customers. */
export async function tellDesk(
  work: Work,
  jobId: number,
  kind: Notice['kind'],
  words: string,
): Promise<void> {
  const people = await work.models.Person.findAll({
    where: { role: { [Op.in]: ['desk', 'lead', 'owner'] }, active: true },
    transaction: work.t,
  });
  await tell(
    work,
    people.map((p) => p.id),
    jobId,
    kind,
    words,
  );
}

/** Rings the bell of whom a text speaks to. */
export async function tellMentioned(work: Work, jobId: number, number: number, text: string): Promise<void> {
  const people = await work.models.Person.findAll({ where: { active: true }, transaction: work.t });
  await tell(work, mentioned(text, people), jobId, 'mention', `${work.actor.name}, job ${number}: ${text}`);
}

/** What rings a person's bell: not seen yet, newest first. */
export async function loadNotices({ sequelize }: Pick<Database, 'sequelize'>, personId: number) {
  const rows = await sequelize.query<Pick<Notice, 'id' | 'kind' | 'words' | 'at'> & { number: number }>(
    `SELECT n.id, n.kind, n.words, n.at, j.number FROM notices n JOIN jobs j ON j.id = n.job_id
     WHERE n.person_id = ? AND n.seen_at IS NULL ORDER BY n.id DESC LIMIT 50`,
    { type: QueryTypes.SELECT, replacements: [personId] },
  );
  return rows.map((r) => ({ ...r, at: r.at.toISOString() }));
}

/** Quiets one's own bell up to a notice. */
export const seeNotices = defineUseCase({
  name: 'people.seen',
  run: async (work, { upTo }) => {
    const { models, t, actor, now } = work;
    const [seen] = await models.Notice.update(
      { seenAt: now },
      { where: { personId: actor.personId, seenAt: null, id: { [Op.lte]: upTo } }, transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'bell quieted',
      entity: 'person',
      entityId: actor.personId,
      fromVersion: null,
      data: { seen },
    });
    return ok({ seen });
  },
});
