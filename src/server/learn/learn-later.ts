import type { Work } from '../use-case/use-case.ts';

/** Notes, in the change's own transaction, that what closed visits tell of instruments is to be counted anew. */
export const learnLater = async (
  { models, t }: Pick<Work, 'models' | 't'>,
  instruments: readonly number[],
): Promise<void> => {
  await models.Instrument.update({ learnedAt: null }, { where: { id: [...instruments] }, transaction: t });
};
