import { wordsIn } from '../../core/units/words-in.ts';
import { csv } from './customers.ts';

/** One change as the file carries it. */
export interface HistoryEntry {
  readonly at: string;
  readonly by: string;
  readonly on: string;
  readonly kind: string;
  readonly of: string;
  readonly from: string;
  readonly to: string;
}

const COLUMNS = ['at (UTC)', 'by', 'on', 'what', 'of', 'before', 'after'] as const;

/** A job's history as CSV (RFC 4180), oldest first. */
export const toHistoryCsv = (all: readonly HistoryEntry[]): string =>
  csv(
    COLUMNS,
    all.map((e) => [e.at, e.by, e.on, e.kind, e.of, e.from, e.to]),
  );

const HOUSE_COLUMNS = ['at (UTC)', 'job', 'by', 'on', 'says', 'what', 'of', 'before', 'after'] as const;

/** Everything that changed in the house as CSV (RFC 4180), oldest first. */
export const toHouseHistoryCsv = (
  all: readonly (HistoryEntry & { readonly job: number | null; readonly says: string })[],
): string =>
  csv(
    HOUSE_COLUMNS,
    all.map((e) => [
      e.at,
      e.job === null ? '' : String(e.job),
      e.by,
      e.on,
      wordsIn(e.says, 'mm'),
      e.kind,
      e.of,
      e.from,
      e.to,
    ]),
  );
