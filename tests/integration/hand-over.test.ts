import type { MessageGateway } from '../../src/devices/message-gateway.ts';
import { jobOfSheetLink } from '../../src/server/customer/sheet-link.ts';
import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { deliverDue } from '../../src/server/messages/deliver.ts';
import { benchSheet } from '../../src/server/printing/bench-sheet.ts';
import { customerSheet } from '../../src/server/printing/customer-sheet.ts';
import { estimatePaper } from '../../src/server/printing/estimate-paper.ts';
import { receiptPaper, tagPaper } from '../../src/server/printing/receipt-paper.ts';
import { value, unsaid } from './house.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('hand_over');
});
afterAll(() => house.db.sequelize.close());

const view: typeof house.view = (number) => house.view(number);
const give: typeof house.order = (...all) => house.order(...all);
const jobWith: typeof house.jobWith = (...all) => house.jobWith(...all);

/** Brings a job to where it can be signed: checked, explained, everything back. */
async function sign(number: number, signer = 'Petra Aldous') {
  const job = await view(number);
  const checks = Object.fromEntries(job.handOver.asked.map((c) => [c.key, true]));
  const { version } = await give(house.technician, 'hand-over.check', {
    jobId: job.id,
    version: job.handOver.version,
    checks,
    exception: 'not read in this trial',
  });
  const { sheet } = await view(number);
  return house.give(house.desk, 'hand-over.sign', {
    jobId: job.id,
    version,
    signer,
    signature: null,
    shown: sheet.digest,
  });
}

describe('handing over', () => {
  test('nothing goes home while its glue sets, but with the reason on the sheet', async () => {
    const job = await jobWith(['bridge-reglue', 'rod']);
    for (const operation of ['rod', 'bridge-reglue'] as const)
      for (const action of ['start', 'finish'] as const)
        value(await job.step(operation, action, house.technician, { without: 'nothing was read' }));
    const still = (await view(job.number)).handOver.obstacles.filter((o) => /rests/.test(o));
    // The minutes of a rod hold nothing up.
    expect(still).toEqual([expect.stringMatching(/^it still rests after “Reglue the bridge”, 2[34] h/)]);
    value(await sign(job.number));
  });

  test('what was shown is what is signed: a sheet that changed since is refused', async () => {
    const job = await jobWith([]);
    const { sheet, handOver } = await view(job.number);
    const checks = Object.fromEntries(handOver.asked.map((c) => [c.key, true]));
    const before = sheet.digest;
    const { version } = await give(house.technician, 'hand-over.check', {
      jobId: job.jobId,
      version: 0,
      checks,
      exception: 'trial',
    });
    const input = { jobId: job.jobId, version, signer: 'Petra', signature: null };
    const refused = await house.give(house.desk, 'hand-over.sign', { ...input, shown: before });
    expect(JSON.stringify(refused)).toContain('has changed since it was shown');
    const { digest } = (await view(job.number)).sheet;
    value(await house.give(house.desk, 'hand-over.sign', { ...input, shown: digest }));
    expect((await view(job.number)).sheet.digest).toBe(digest);
  });

  test('a worthy instrument wants a second name, of another person', async () => {
    const job = await jobWith(['clean-body']);
    value(await job.step('clean-body', 'start'));
    value(await job.step('clean-body', 'finish'));
    const seen = await view(job.number);
    await give(house.technician, 'plan.worth', {
      jobId: job.jobId,
      worthMinor: 500_000,
      version: seen.instrument.version,
    });
    expect(JSON.stringify(await sign(job.number))).toContain('a second person has not signed');
    const { version } = (await view(job.number)).handOver;
    expect(
      await house.give(house.technician, 'hand-over.second', { jobId: job.jobId, version }),
    ).toMatchObject({
      ok: false,
    });
    await give(house.lead, 'hand-over.second', { jobId: job.jobId, version });
    const now = await view(job.number);
    expect(now.handOver.second).toMatchObject({ by: 'The lead', wanted: true });
    value(
      await house.give(house.desk, 'hand-over.sign', {
        jobId: job.jobId,
        version: now.handOver.version,
        signer: 'Petra',
        signature: null,
        shown: now.sheet.digest,
      }),
    );
    expect((await view(job.number)).seal.kind).toBe('whole');
  });

  test('a tweak reopens without a charge, the seals are chained, and a changed byte says which', async () => {
    const job = await jobWith(['clean-body']);
    value(await job.step('clean-body', 'start'));
    value(await job.step('clean-body', 'finish'));
    await give(house.technician, 'work.accident', {
      jobId: job.jobId,
      lineId: null,
      happened: 'A scratch at the heel.',
      remedy: 'Polished out.',
    });
    const first = value(await sign(job.number));
    const signed = await view(job.number);
    expect(signed.sheet.content.accidents).toEqual([
      { happened: 'A scratch at the heel.', remedy: 'Polished out.' },
    ]);
    const tweak = await give(house.desk, 'hand-over.tweak', {
      jobId: job.jobId,
      words: 'The G still buzzes.',
    });
    expect(tweak.free).toBe(true);
    const open = await view(job.number);
    expect(open).toMatchObject({ state: 'open', seal: { kind: 'open' } });
    expect(open.earlier[0]).toMatchObject({ number: 1, digest: first.digest, free: true });
    expect(await job.line('tweak')).toMatchObject({
      price: 0,
      approval: 'yes',
      detail: 'The G still buzzes.',
    });
    expect(JSON.stringify(await sign(job.number))).toContain('1 agreed steps are not finished');
    value(await job.step('tweak', 'start'));
    value(await job.step('tweak', 'finish'));
    const second = value(await sign(job.number));
    const record = JSON.parse(
      (await house.db.models.HandOver.findOne({ where: { jobId: job.jobId } }))?.record ?? '{}',
    ) as { previous?: string };
    expect(record.previous).toBe(first.digest);
    expect(second.digest).not.toBe(first.digest);
    expect((await view(job.number)).seal.kind).toBe('whole');
    await house.db.sequelize.query(
      "UPDATE seals SET record = REPLACE(record, 'Petra', 'Perta') WHERE job_id = ?",
      {
        replacements: [job.jobId],
      },
    );
    expect((await verifySeals(house.db)).broken).toContainEqual({
      job: job.number,
      changed: ['the sealed text of signature 1'],
    });
  });

  test('after the window a tweak is asked about, and one is not made of an open job', async () => {
    const job = await jobWith([]);
    value(await sign(job.number));
    await house.db.models.HandOver.update(
      { signedAt: new Date(Date.now() - 40 * 86_400_000) },
      { where: { jobId: job.jobId } },
    );
    const { free } = await give(house.desk, 'hand-over.tweak', { jobId: job.jobId, words: 'lower' });
    expect(free).toBe(false);
    expect(await job.line('tweak')).toMatchObject({ approval: 'asked' });
    const again = await house.give(house.desk, 'hand-over.tweak', { jobId: job.jobId, words: 'lower' });
    expect(again).toMatchObject({ ok: false, error: { code: 'refused' } });
  });

  test('every paper comes in both sizes, tagged, in its own fonts', async () => {
    const job = await jobWith(['rod', 'nut-slots', 'saddle-lower']);
    const seen = await view(job.number);
    for (const size of ['A4', 'LETTER'] as const)
      for (const make of [benchSheet, estimatePaper, receiptPaper, customerSheet]) {
        const pdf = (await make(seen, size)).toString('latin1');
        expect(pdf.startsWith('%PDF-1.5')).toBe(true);
        expect(pdf).toContain('/MarkInfo');
        expect(pdf).toContain('/FontFile2');
        expect(pdf).toContain(size === 'A4' ? '[0 0 595.28 841.89]' : '[0 0 612 792]');
      }
    expect((await tagPaper(seen, 'A4', 'http://127.0.0.1/job/1')).length).toBeGreaterThan(5_000);
  });
});

describe('messages', () => {
  test('go out once, fail when the gateway fails, and go again', async () => {
    const job = await jobWith([], {
      customer: { name: 'Wren Hollis', phone: '555 0133', email: 'wren@example.invalid' },
    });
    // What earlier jobs have waiting goes first: it would come due meanwhile.
    await deliverDue(house.db, new Date(Date.now() + 60_000));
    await give(house.lead, 'house.save-gateway', { version: 0, gateway: { does: 'fail', delay: 0 } });
    const { messageId } = await give(house.desk, 'desk.message', {
      jobId: job.jobId,
      purpose: 'ready',
      channel: 'mail',
    });
    // By the clock each time: a busy machine may take seconds in between.
    const soon = () => new Date(Date.now() + 1000);
    await deliverDue(house.db, soon());
    const message = async () => (await view(job.number)).messages.find((m) => m.id === messageId);
    expect(await message()).toMatchObject({
      state: 'failed',
      trouble: expect.stringContaining('told to fail'),
    });
    await give(house.lead, 'house.save-gateway', { version: 1, gateway: { does: 'deliver', delay: 0 } });
    await give(house.desk, 'desk.resend', { messageId });
    const left: string[] = [];
    const gateway: MessageGateway = {
      name: 'a gateway',
      simulated: true,
      send: ({ body }) => {
        left.push(body);
        return Promise.resolve({ ok: true });
      },
    };
    const went = await Promise.all([
      deliverDue(house.db, soon(), gateway),
      deliverDue(house.db, soon(), gateway),
    ]);
    expect(went.reduce((a, b) => a + b, 0)).toBe(1);
    expect(await message()).toMatchObject({ state: 'delivered', trouble: '' });
    expect(left).toHaveLength(1);
    const token = /sheet\/([\w-]{43})/.exec(left[0] ?? '')?.[1] ?? '';
    expect((await jobOfSheetLink(house.db, token, new Date()))?.number).toBe(job.number);
  });

  test('the next check is offered at the signature, with its calendar entry', async () => {
    const job = await jobWith(['clean-body'], {
      customer: { name: 'Wren Hollis', phone: '', email: 'wren@example.invalid' },
    });
    value(await job.step('clean-body', 'start'));
    value(await job.step('clean-body', 'finish'));
    value(await sign(job.number));
    const now = await view(job.number);
    expect(now.messages.map((m) => m.purpose)).toEqual(['next-check']);
    const row = await house.db.models.MessageRow.findOne({ where: { jobId: job.jobId } });
    expect(row?.calendar).toContain('BEGIN:VEVENT');
    const weeks = (Date.parse(now.sheet.content.nextCheck ?? '') - Date.now()) / (7 * 86_400_000);
    expect(weeks).toBeGreaterThan(1.9);
    expect(weeks).toBeLessThan(4.1);
  });
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
