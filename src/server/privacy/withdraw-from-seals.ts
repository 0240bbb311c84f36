import type { Transaction } from 'sequelize';
import { withoutNames } from '../../core/privacy/mentions.ts';
import { canonicalJson, type Json } from '../../core/record/canonical.ts';
import type { Models } from '../db/models/index.ts';
import type { Job } from '../db/models/jobs.ts';
import { enterSeal } from '../ledger/ledger.ts';
import { buildRecord, digestOf, sha256 } from '../hand-over/sealed-record.ts';

/** A canonical text without those it names; null stays null. */
const without = (text: string | null, names: RegExp | null): string | null =>
  text === null || text === '' ? text : canonicalJson(withoutNames(JSON.parse(text), names) as Json);

/** A sealed text of before, without names, and with the digest of its sheet as that reads now. */
function earlierText(record: string, shown: string | null, names: RegExp | null): string {
  const of = withoutNames(JSON.parse(record), names) as {
    readonly shown?: string;
    readonly signature?: object;
  };
  return canonicalJson({
    ...of,
    ...(of.shown !== undefined && shown !== null && { shown: sha256(shown) }),
    ...(of.signature && { signature: { ...of.signature, drawn: null } }),
  } as Json);
}

/**
 * Takes names out of what was sealed of a job. Each seal keeps its digest, and the digest of what is left, so that a change
 * still shows. A seal that was broken before stays so.
 * @param wasWhole whether the newest seal held
 * @param what in words, what is withdrawn
 */
export async function withdrawFromSeals(
  models: Models,
  t: Transaction,
  job: Job,
  names: RegExp | null,
  { wasWhole, at, what }: { readonly wasWhole: boolean; readonly at: Date; readonly what: readonly string[] },
): Promise<boolean> {
  const withdrawn = { at: at.toISOString(), what };
  const earlier = await models.EarlierSeal.findAll({ where: { jobId: job.id }, transaction: t });
  for (const seal of earlier) {
    const held = sha256(seal.record) === (seal.keptDigest ?? seal.digest);
    const shown = without(seal.shown, names);
    const record = earlierText(seal.record, shown, names);
    await seal.update(
      { shown, record, keptDigest: held ? sha256(record) : seal.keptDigest },
      { transaction: t },
    );
    await enterSeal(models, t, 'withdrawn', seal, at);
  }
  const sheet = await models.HandOver.findOne({ where: { jobId: job.id }, transaction: t });
  if (!sheet) return earlier.length > 0;
  await sheet.update({ shown: without(sheet.shown, names) }, { transaction: t });
  if (!sheet.digest) return earlier.length > 0;
  const record = await buildRecord(models, job, t);
  await sheet.update(
    {
      record: canonicalJson(record),
      withdrawn,
      keptDigest: wasWhole ? digestOf(record) : sheet.keptDigest,
    },
    { transaction: t },
  );
  const { digest, keptDigest } = sheet;
  await enterSeal(models, t, 'withdrawn', { jobId: job.id, digest: digest ?? '', keptDigest }, at);
  return true;
}
