import type { CommandInput } from '../../contracts/commands/commands.ts';
import { readAmount, sayAmount, type MoneyForm } from '../../core/money/currency.ts';
import type { Matters } from '../../core/instrument/matters.ts';
import type { SetPayer } from '../../core/job/set-payer.ts';
import type { Touch } from '../../core/targets/target.ts';
import type { Fields } from '../data/edit-model.ts';
import type { LeafJob } from '../job/leaf-props.ts';

/** What was said at the counter, as it is typed. */
export interface SaidTexts extends Fields {
  readonly complaint: string;
  readonly wish: string;
  readonly plays: string;
  /** null where nobody asked */
  readonly matters: Matters | null;
  /** null where nobody said, or none is needed */
  readonly setPaidBy: SetPayer | null;
  /** null where nobody said */
  readonly touch: Touch | null;
  readonly neededBy: string;
  readonly hardDate: boolean;
  readonly hardReason: string;
  readonly limit: string;
  readonly name: string;
  readonly phone: string;
  readonly email: string;
  /** the customer's entry this began from */
  readonly customerVersion: number;
}

/** What stands there now, as it would be typed. */
export const saidTexts = (job: LeafJob): SaidTexts => ({
  complaint: job.complaint,
  wish: job.wish,
  plays: job.plays,
  matters: job.matters,
  setPaidBy: job.setPaidBy,
  touch: job.touch,
  neededBy: job.neededBy ?? '',
  hardDate: job.hardDate,
  hardReason: job.hardReason,
  limit: job.limit === null ? '' : sayAmount(job.limit, job.shop.currency),
  name: job.customer.name,
  phone: job.customer.phone,
  email: job.customer.email,
  customerVersion: job.customer.version,
});

/** What is given for it. A date that nothing hangs on is no hard one. */
export function saidInput(
  jobId: number,
  version: number,
  t: SaidTexts,
  why: string,
  currency: MoneyForm,
): CommandInput<'desk.correct'> {
  const limit = readAmount(t.limit, currency);
  return {
    jobId,
    version,
    said: {
      complaint: t.complaint,
      touch: t.touch,
      plays: t.plays,
      matters: t.matters,
      setPaidBy: t.setPaidBy,
      wish: t.wish,
      neededBy: t.neededBy === '' ? null : t.neededBy,
      hardDate: t.neededBy !== '' && t.hardDate,
      hardReason: t.neededBy === '' ? '' : t.hardReason,
      limitMinor: limit.ok ? limit.value : null,
    },
    customer: { version: t.customerVersion, name: t.name, phone: t.phone, email: t.email },
    why,
  };
}
