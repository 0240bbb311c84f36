import type { InvoiceContent } from '../../core/job/views/invoice.ts';
import { sayDate, type DateForm } from '../../core/days/say-days.ts';
import { formatMoney } from '../../core/money/currency.ts';
import { sayRate } from '../../core/money/say-bill.ts';
import { PLAIN_HEAD } from './letterhead.ts';
import { Paper, type PaperSize } from './paper.ts';

/** What an invoice’s paper needs beside what it says. */
export interface InvoiceFacts {
  readonly number: number;
  readonly cancels: number | null;
  readonly reason: string;
}

/** An invoice, or one that cancels another, as paper: who, what, tax by rate, what was paid. */
export function invoicePaper(
  { number, cancels, reason }: InvoiceFacts,
  c: InvoiceContent,
  size: PaperSize,
  { logo } = PLAIN_HEAD,
  dates: DateForm = 'day-month',
): Promise<Buffer> {
  const money = (amount: number) => formatMoney(amount, c.currency);
  const title = cancels === null ? `Invoice ${number}` : `Cancellation ${number} of invoice ${cancels}`;
  const paper = new Paper(title, size);
  if (logo) paper.logo(logo, c.shop.name);
  paper.text(c.shop.name, { tone: 'quiet' });
  const where = [...c.shop.address.split('\n'), c.shop.phone, c.shop.email, c.shop.web].filter(
    (t) => t !== '',
  );
  if (where.length > 0) paper.text(where.join(' · '), { size: 8, tone: 'quiet' });
  paper.title(title, `${c.customer} · ${sayDate(c.day, dates)} · job ${c.job}, ${c.instrument}`);
  if (cancels !== null) paper.text(`Nothing of invoice ${cancels} is owed any more: ${reason}`);
  paper.table(
    [['', 'Tax', ''], ...c.lines.map((l) => [l.title, l.tax, money(l.amount)])],
    [0.62, 0.18, 0.2],
    'right',
  );
  if (c.discount.amount > 0) paper.text(`Less ${money(c.discount.amount)}: ${c.discount.reason}`);
  paper.heading('Tax');
  paper.table(
    [
      ['', c.included ? 'On, with the tax in it' : 'On', 'Tax'],
      ...c.taxes.map((t) => [sayRate(t), money(t.on), money(t.tax)]),
    ],
    [0.5, 0.28, 0.22],
    'right',
  );
  if (c.rounding !== 0) paper.text(`Rounded by ${money(c.rounding)}.`);
  paper.heading(cancels === null ? `To pay: ${money(c.toPay)}` : `Cancelled: ${money(c.toPay)}`);
  const paid = c.paid.reduce((s, p) => s + p.amount, 0);
  if (c.paid.length > 0) {
    paper.list(c.paid.map((p) => `${p.what}, ${sayDate(p.day, dates)}: ${money(p.amount)}`));
    paper.text(`Still open when this was made: ${money(c.toPay - paid)}.`);
  }
  if (c.shop.foot !== '') paper.text(c.shop.foot, { size: 8, tone: 'quiet' });
  paper.text('What an invoice must say is for local rules and an accountant: they come first.', {
    size: 8,
    tone: 'quiet',
  });
  return paper.end();
}
