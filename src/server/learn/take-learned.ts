import { learnedSettingSchema } from '../../contracts/learned.ts';
import { planRulesSchema } from '../../contracts/plan-rules.ts';
import { proposedNumber, type LearnProposal } from '../../core/learn/proposals.ts';
import { wholeOperation } from '../../core/catalogue/operations.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Failure } from '../../contracts/failure.ts';
import { keepCatalogue } from '../house/save-operations.ts';
import { saveSetting } from '../house/save-setting.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { proposedNow } from './load-learned.ts';

/** Takes a first cut's share into how the shop plans. */
async function takeShare(work: Work, share: number) {
  const row = await work.models.Setting.findByPk('planning rules', { transaction: work.t });
  const rules = { ...planRulesSchema.parse(row?.value ?? {}), firstCutShare: share };
  return saveSetting(work, {
    name: 'planning rules',
    what: 'how the shop plans',
    value: rules,
    version: row?.version ?? 0,
  });
}

/** Takes minutes or a price into the catalogue, as its next version. */
async function takeOperation(work: Work, p: Exclude<LearnProposal, { readonly id: 'first-cut' }>) {
  const { models, t } = work;
  const newest = await models.OperationVersion.max<number, InstanceType<typeof models.OperationVersion>>(
    'version',
    { transaction: t },
  );
  const operations = (await catalogueOf(models, t)).map((o) => {
    if (o.id !== p.operation) return o;
    return wholeOperation(
      typeof p.proposed === 'number' ? { ...o, price: p.proposed } : { ...o, minutes: p.proposed },
    );
  });
  const what = typeof p.proposed === 'number' ? 'price' : 'minutes';
  const note = `${p.name}: ${what} by ${p.count} measured times`.slice(0, 200);
  return keepCatalogue(work, { version: newest ?? 0, operations, note });
}

/** Puts a proposal away: it comes again when half as many cases more speak for it. */
async function putAway(work: Work, p: LearnProposal) {
  const row = await work.models.Setting.findByPk('learned', { transaction: work.t });
  const { left } = learnedSettingSchema.parse(row?.value ?? {});
  const put = { count: p.count, by: work.actor.name, at: work.now.toISOString() };
  return saveSetting(work, {
    name: 'learned',
    what: 'what was learned',
    value: { left: { ...left, [p.id]: put } },
    version: row?.version ?? 0,
  });
}

/** Takes what was learned into the shop's rules, or puts it away. */
export const takeLearned = defineUseCase({
  name: 'house.take-learned',
  run: async (work, { proposal, proposed, take }): Promise<Result<{ proposal: string }, Failure>> => {
    const { models, t, now } = work;
    const { sequelize } = models.Setting;
    if (!sequelize) throw new Error('these models belong to no connection');
    const found = (await proposedNow({ models, sequelize }, now, t)).find((p) => p.id === proposal);
    if (!found)
      return fail({
        code: 'not-found',
        message: 'This is not proposed any more. Look again at what came out.',
      });
    if (proposedNumber(found) !== proposed)
      return fail({
        code: 'conflict',
        message: 'More came out meanwhile, and something else is proposed by now. Look again.',
        theirs: { by: 'the shop’s work', says: found.says, version: found.count },
      });
    const done = !take
      ? await putAway(work, found)
      : found.id === 'first-cut'
        ? await takeShare(work, found.proposed)
        : await takeOperation(work, found);
    return done.ok ? ok({ proposal }) : done;
  },
});
