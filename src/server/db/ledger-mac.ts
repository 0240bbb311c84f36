import { createHmac, hkdfSync } from 'node:crypto';
import { newestSecret } from './house-secrets.ts';

/** What is entered: a seal of a job, or a stretch of the log. */
export interface Entry {
  /** signed here, from before the ledger, names withdrawn since, brought in from another house, a stretch of the log, the house's secret changed */
  readonly kind: 'seal' | 'before' | 'withdrawn' | 'elsewhere' | 'log' | 'secret';
  readonly jobId: number | null;
  /** of the log: its first and its last row, both with it */
  readonly fromId: number | null;
  readonly toId: number | null;
  readonly digest: string;
  /** what the record gives since names were withdrawn */
  readonly kept: string | null;
  readonly at: Date;
}

const keyOf = (secret: string): Buffer => Buffer.from(hkdfSync('sha256', secret, 'rubrica', 'ledger', 32));

/**
 * The code that nobody without the house's secret can make: over an entry and the code of the one before.
 * @param secret the one it is made under: the newest where nothing else is said
 */
export const macOf = (before: string, e: Entry, secret = newestSecret()): string =>
  createHmac('sha256', keyOf(secret))
    .update(JSON.stringify([before, e.kind, e.jobId, e.fromId, e.toId, e.digest, e.kept, e.at.toISOString()]))
    .digest('hex');
