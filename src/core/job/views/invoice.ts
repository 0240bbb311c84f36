import { agreedOperation, customerIsTold } from '../../catalogue/operations.ts';
import { dayIn, type Day } from '../../days/zone.ts';
import { countingLines } from '../../hand-over/ends.ts';
import { endOfJob } from '../../hand-over/obstacles.ts';
import type { MoneyForm } from '../../money/currency.ts';
import type { Minor } from '../../money/minor.ts';
import { total } from '../../money/money.ts';
import { PAYMENT_KINDS } from '../../money/payments.ts';
import { rateOf } from '../../money/tax.ts';
import type { JobWith } from '../job-parts.ts';
import type { JudgingShop } from '../judged-job.ts';
import type { ShopInfo } from '../shop.ts';

/** What an invoice says, as it was when it was made. Money in minor units of the currency it names. */
export interface InvoiceContent {
  readonly shop: Pick<ShopInfo, 'name' | 'address' | 'phone' | 'email' | 'web' | 'foot'>;
  readonly currency: MoneyForm;
  readonly day: Day;
  readonly job: number;
  readonly customer: string;
  readonly instrument: string;
  readonly lines: readonly { readonly title: string; readonly amount: Minor; readonly tax: string }[];
  readonly discount: { readonly amount: Minor; readonly reason: string };
  readonly included: boolean;
  readonly taxes: readonly {
    readonly name: string;
    readonly rate: number;
    readonly on: Minor;
    readonly tax: Minor;
  }[];
  readonly rounding: Minor;
  readonly toPay: Minor;
  readonly paid: readonly { readonly what: string; readonly day: Day; readonly amount: Minor }[];
}

/** What is invoiced of a job: its lines that count, their tax by rate, what was paid before. */
export function invoiceView(
  g: JobWith<'customer' | 'payments'> & JudgingShop,
  info: ShopInfo,
  now: Date,
): InvoiceContent {
  const { job, instrument } = g;
  const lines = countingLines(endOfJob(g), g.lines);
  const priced = lines.map((l) => ({
    price: l.priceMinor,
    parts: l.partsMinor,
    tax: l.tax,
    partsTax: l.partsTax,
  }));
  const sum = total(priced, info.tax, { kind: job.discountKind, value: job.discountValue });
  const rate = (id: string | null, usual: string): string => rateOf(info.tax, id ?? usual).name;
  const { name, address, phone, email, web, foot } = info;
  return {
    shop: { name, address, phone, email, web, foot },
    currency: info.currency,
    day: dayIn(now.getTime(), info.zone),
    job: job.number,
    customer: g.customer?.name ?? '',
    instrument: `${instrument.maker} ${instrument.model}`.trim(),
    lines: lines.flatMap((l) => {
      const title = customerIsTold(l, g.catalogue);
      const whole = [
        { title, amount: l.priceMinor, tax: rate(l.tax, info.tax.labour) },
        {
          title: `${agreedOperation(l, g.catalogue).name}: parts`,
          amount: l.partsMinor,
          tax: rate(l.partsTax, info.tax.parts),
        },
      ];
      return whole.filter((part) => part.amount > 0);
    }),
    discount: { amount: sum.discount, reason: job.discountReason },
    included: sum.included,
    taxes: sum.taxes,
    rounding: sum.rounding,
    toPay: sum.toPay,
    paid: g.payments
      .filter((p) => p.backAt === null)
      .map((p) => ({
        what: `${PAYMENT_KINDS[p.kind]}, ${p.how}`,
        day: dayIn(p.at.getTime(), info.zone),
        amount: p.kind === 'refund' ? -p.amountMinor : p.amountMinor,
      })),
  };
}
