import { createHmac, hkdfSync } from 'node:crypto';

/** What is entered: a seal of a job, or a stretch of the log. */
export interface Entry {
  /** signed here, from before the ledger, names withdrawn since, brought in from another house, a stretch of the log */
  readonly kind: 'seal' | 'before' | 'withdrawn' | 'elsewhere' | 'log';
  readonly jobId: number | null;
  /** of the log: its first and its last row, both with it */
  readonly fromId: number | null;
  readonly toId: number | null;
  readonly digest: string;
  /** what the record gives since names were withdrawn */
  readonly kept: string | null;
  readonly at: Date;
}

const key = (): Buffer =>
  Buffer.from(hkdfSync('sha256', process.env['RUBRICA_SECRET'] ?? '', 'rubrica', 'ledger', 32));

/** The code that nobody without the house's secret can make: over an entry and the code of the one before. */
export const macOf = (before: string, e: Entry): string =>
  createHmac('sha256', key())
    .update(JSON.stringify([before, e.kind, e.jobId, e.fromId, e.toId, e.digest, e.kept, e.at.toISOString()]))
    .digest('hex');
