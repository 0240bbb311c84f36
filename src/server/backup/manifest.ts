import { createHmac } from 'node:crypto';
import { secretsIn } from '../db/house-secrets.ts';
import { z } from 'zod';

/** What stands in a copy of the record beside the record itself: from whom, of when, and what it must hold. */
export const manifestSchema = z.object({
  form: z.literal('rubrica-copy'),
  formVersion: z.literal(1),
  /** the release that made it */
  release: z.string(),
  shop: z.string(),
  taken: z.iso.datetime(),
  /** which steps of the database's form had run */
  migrations: z.array(z.string()),
  /** rows by table, counted in what was written */
  tables: z.record(z.string(), z.number().int().min(0)),
  members: z.array(
    z.object({ name: z.string(), bytes: z.number().int().min(0), sha256: z.string().length(64) }),
  ),
});
export type Manifest = z.infer<typeof manifestSchema>;

export const DATABASE_MEMBER = 'database.sql.gz';
export const SECRET_MEMBER = 'secret.json';
export const MANIFEST_MEMBER = 'manifest.json';

/** Which house a copy is of, as its name says it: other houses' copies may stand in the same folder. A house is known by its first secret. */
export const houseMark = (secret: string): string =>
  createHmac('sha256', secretsIn(secret)[0] ?? '')
    .update('which house')
    .digest('hex')
    .slice(0, 6);

/** A copy's name: whose it is, and the moment it was begun, UTC. */
export const copyName = (secret: string, at: Date): string =>
  `rubrica-${houseMark(secret)}-${at.toISOString().replace(/[-:]/g, '').replace('T', '-').slice(0, 15)}Z.tar`;

const COPY_NAME = /^rubrica-([0-9a-f]{6})-(\d{4})(\d\d)(\d\d)-(\d\d)(\d\d)(\d\d)Z\.tar$/;

/** When a copy of this house was begun, by its name, ms since 1970; null for any other file. */
export function copyTaken(name: string, secret: string): number | null {
  const [, mark, ...numbers] = COPY_NAME.exec(name) ?? [];
  if (mark !== houseMark(secret)) return null;
  const [year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0] = numbers.map(Number);
  return Date.UTC(year, month - 1, day, hour, minute, second);
}
