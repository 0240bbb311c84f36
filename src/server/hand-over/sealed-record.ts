import { createHash } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { namesOf } from '../../core/job/shop.ts';
import type { Seal } from '../../core/job/views/leaves.ts';
import { sealedRecord, type RecordParts } from '../../core/job/views/sealed-record.ts';
import { canonicalJson, type Json } from '../../core/record/canonical.ts';
import { brokenLinks, differing } from '../../core/record/chain.ts';
import type { Models } from '../db/models/index.ts';
import type { Job } from '../db/models/jobs.ts';
import { readJob, type SeenJob } from '../jobs/read-job.ts';

/** The parts of a job a seal is made from. */
export const RECORD_PARTS = ['customer', 'things', 'marks', 'photos', 'accidents', 'seals'] as const;

/** The record that is sealed, of a job that was read. */
export const recordOf = (g: SeenJob<RecordParts>): Json => sealedRecord(g, namesOf(g.shop), sha256);

/** Builds the record that is sealed: everything the customer signs for, as it stands in the database now. */
export const buildRecord = async (models: Models, job: Job, t: Transaction | null = null): Promise<Json> =>
  recordOf(await readJob(models, job, RECORD_PARTS, t));

/** SHA-256 of a text, in hex. */
export const sha256 = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex');

/** The digest of a record: SHA-256 over its one canonical writing. */
export const digestOf = (record: Json): string => sha256(canonicalJson(record));

/** What of the earlier signatures of a job no longer holds, in words. */
async function earlierTrouble(
  models: Models,
  g: SeenJob<RecordParts>,
  newest: string | null,
): Promise<string[]> {
  if (g.seals.length === 0 && newest === null) return [];
  const earlier = await models.EarlierSeal.findAll({
    where: { jobId: g.job.id },
    order: [['number', 'ASC']],
  });
  const chain = [
    ...earlier.map(({ record, digest, keptDigest }) => ({ record, digest, kept: keptDigest })),
    ...(newest === null ? [] : [{ record: newest, digest: sha256(newest) }]),
  ];
  const shown = earlier.flatMap((s) => {
    const named = (JSON.parse(s.record || '{}') as { readonly shown?: string }).shown;
    return named !== undefined && named !== sha256(s.shown ?? '')
      ? [`the sheet of signature ${s.number}`]
      : [];
  });
  return [
    ...brokenLinks(chain, sha256).map(
      (b) => `${b.why === 'text' ? 'the sealed text' : 'the chain'} of signature ${b.at + 1}`,
    ),
    ...shown,
  ];
}

function record(text: string): { readonly [key: string]: Json } {
  try {
    return JSON.parse(text) as { readonly [key: string]: Json };
  } catch {
    return {};
  }
}

/**
 * Builds the record again and compares it with what was sealed; says which parts differ. Earlier signatures of a job that
 * was reopened are held against their texts and the chain between them.
 */
export async function checkSeal(models: Models, g: SeenJob<RecordParts>): Promise<Seal> {
  const { digest = null, record: text = null, withdrawn = null, keptDigest = null } = g.handOver ?? {};
  const sealed = digest && text ? text : null;
  const before = await earlierTrouble(models, g, sealed);
  if (digest === null || sealed === null)
    return before.length === 0 ? { kind: 'open' } : { kind: 'broken', digest: '', changed: before };
  const now = recordOf(g) as { readonly [key: string]: Json };
  // Where names were withdrawn, what is left is held against what it gave then.
  const expected = keptDigest ?? digest;
  const textHolds = sha256(sealed) === expected;
  if (before.length === 0 && digestOf(now) === expected && textHolds)
    return { kind: 'whole', digest, ...(withdrawn && { withdrawn }) };
  const changed = digestOf(now) === expected ? [] : differing(record(sealed), now);
  const all = [...changed, ...(textHolds ? [] : ['the sealed text itself']), ...before];
  return { kind: 'broken', digest, changed: all.length > 0 ? all : ['the sealed text itself'] };
}
