import { plainTax } from '../../src/core/money/tax.ts';
import { loadShopSetting } from '../../src/server/house/load-shop.ts';
import { estimatePaper } from '../../src/server/printing/estimate-paper.ts';
import { invoicePaper } from '../../src/server/printing/invoice-paper.ts';
import { value, unsaid } from './house.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('money');
});
afterAll(() => house.db.sequelize.close());

const keepShop = async (more: object) => {
  const { info, version } = await loadShopSetting(house.db);
  return house.give(house.lead, 'house.save-shop', { version, shop: { ...info, ...more } });
};
const TWO_RATES = {
  rates: [
    { id: 'full', name: 'Full', rate: 0.2 },
    { id: 'low', name: 'Low', rate: 0.05 },
  ],
  labour: 'full',
  parts: 'low',
  included: false,
  roundTo: 1,
};

test('a shop names its currency while nothing is agreed; afterwards its amounts stay what they are', async () => {
  expect(await keepShop({ currency: 'JPY en-GB' })).toMatchObject({ ok: true });
  expect(await keepShop({ currency: 'yen' })).toMatchObject({ ok: true });
  expect(await keepShop({ currency: 'about yen' })).toMatchObject({
    error: { fields: { 'shop.currency': expect.any(String) as string } },
  });
  expect(await keepShop({ zone: 'Pacific/Nowhere' })).toMatchObject({
    error: { fields: { 'shop.zone': expect.any(String) as string } },
  });
  expect(await keepShop({ tax: { ...TWO_RATES, labour: 'gone' } })).toMatchObject({ ok: false });
  value(await keepShop({ currency: 'XXX' }));
  await house.jobWith(['rod']);
  // Two decimals stay two decimals: the general sign may still get a name.
  expect(await keepShop({ currency: 'JPY' })).toMatchObject({ ok: false });
  value(await keepShop({ currency: 'EUR de-DE' }));
  expect(await keepShop({ currency: 'USD en-GB' })).toMatchObject({ ok: false });
  value(await keepShop({ currency: 'EUR en-GB', tax: TWO_RATES }));
});

test('a line’s own price: cheaper goes on, dearer is asked again, and not once the work has begun', async () => {
  const job = await house.jobWith(['rod', 'restring']);
  const change = async (operation: 'rod' | 'restring', more: object) => {
    const line = await job.line(operation);
    return house.give(house.desk, 'work.price', {
      lineId: line.id,
      version: line.version,
      priceMinor: line.price,
      partsMinor: line.parts,
      tax: null,
      partsTax: null,
      reason: 'a regular',
      ...more,
    });
  };
  expect(await change('rod', { reason: ' ' })).toMatchObject({
    error: { fields: { reason: expect.any(String) as string } },
  });
  expect(await change('rod', { tax: 'gone' })).toMatchObject({
    error: { fields: { tax: expect.any(String) as string } },
  });
  expect(value(await change('rod', { priceMinor: 100 })).approval).toBe('yes');
  expect(value(await change('rod', { priceMinor: 9000 })).approval).toBe('asked');
  expect(await job.line('rod')).toMatchObject({ price: 9000, approval: 'asked', priceReason: 'a regular' });
  value(await job.step('restring', 'start'));
  expect(await change('restring', { priceMinor: 99_000 })).toMatchObject({ error: { code: 'refused' } });
  expect(value(await change('restring', { priceMinor: 0 })).approval).toBe('yes');
  expect(
    await house.give(house.technician, 'work.price', {
      lineId: (await job.line('rod')).id,
      version: 0,
      priceMinor: 0,
      partsMinor: 0,
      tax: null,
      partsTax: null,
      reason: 'x',
    }),
  ).toMatchObject({ error: { code: 'not-allowed' } });
});

test('each rate stands on the papers; invoices run on, never change, and are cancelled by another', async () => {
  const job = await house.jobWith(['restring']);
  const line = await job.line('restring');
  await house.order(house.desk, 'work.price', {
    lineId: line.id,
    version: line.version,
    priceMinor: 2000,
    partsMinor: 0,
    tax: null,
    partsTax: null,
    reason: 'strings are theirs',
  });
  const cheaper = await job.line('restring');
  await house.db.models.WorkLine.update({ partsMinor: 1000 }, { where: { id: cheaper.id } });
  const seen = await house.view(job.number);
  expect(seen.handOver.payments.toPay).toBe(2000 + 400 + 1000 + 50);
  expect((await estimatePaper(seen, 'A4')).length).toBeGreaterThan(5_000);
  const invoices = await Promise.all(
    [1, 2].map(() => house.give(house.desk, 'hand-over.invoice', { jobId: job.jobId })),
  );
  // Two at once: one is made, the other is told that one stands.
  expect(invoices.filter((i) => i.ok)).toHaveLength(1);
  const first = invoices.find((i) => i.ok);
  const { number } = value(first ?? { ok: false, error: 'none' as never });
  // What it says stays, whatever the order comes to afterwards.
  await house.db.models.WorkLine.update({ partsMinor: 9000 }, { where: { id: cheaper.id } });
  const row = await house.db.models.InvoiceRow.findByPk(number);
  expect(row?.content).toMatchObject({
    toPay: 3450,
    currency: 'EUR en-GB',
    taxes: [
      { name: 'Full', rate: 0.2, on: 2000, tax: 400 },
      { name: 'Low', rate: 0.05, on: 1000, tax: 50 },
    ],
  });
  const cancelled = await house.order(house.desk, 'hand-over.cancel-invoice', {
    number,
    reason: 'parts forgotten',
  });
  expect(cancelled.number).toBe(number + 1);
  expect(await house.give(house.desk, 'hand-over.cancel-invoice', { number, reason: 'again' })).toMatchObject(
    { error: { code: 'refused' } },
  );
  const next = await house.order(house.desk, 'hand-over.invoice', { jobId: job.jobId });
  expect(next.number).toBe(number + 2);
  for (const of of [number, cancelled.number]) {
    const made = await house.db.models.InvoiceRow.findByPk(of);
    if (!made) throw new Error(`no invoice ${of}`);
    expect((await invoicePaper(made, made.content, 'LETTER')).length).toBeGreaterThan(5_000);
  }
  expect((await house.view(job.number)).invoices.map((i) => [i.number, i.cancels, i.cancelled])).toEqual([
    [number, null, true],
    [number + 1, number, false],
    [number + 2, null, false],
  ]);
});

test('twenty invoices at once get twenty numbers without a gap', async () => {
  const jobs = await Promise.all(Array.from({ length: 12 }, () => house.jobWith(['rod'])));
  const made = await Promise.all(
    jobs.map(async ({ jobId }) => value(await house.give(house.desk, 'hand-over.invoice', { jobId })).number),
  );
  const sorted = made.toSorted((a, b) => a - b);
  expect(sorted.map((n, i) => n - i)).toEqual(sorted.map(() => sorted[0]));
});

test('the shop’s number for its first job, also where jobs are there already', async () => {
  value(await keepShop({ firstNumber: 5000, tax: plainTax(0) }));
  const first = await house.jobWith([]);
  const second = await house.jobWith([]);
  expect([first.number, second.number]).toEqual([5000, 5001]);
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
