import type { CommandInput } from '../../src/contracts/commands/commands.ts';
import { answerOffer, openOffer } from '../../src/server/plan/offers.ts';
import type { Actor } from '../../src/server/use-case/use-case.ts';
import { highJobs } from './high-jobs.ts';
import { intake, staffedHouse, value } from './house.ts';

let house: Awaited<ReturnType<typeof staffedHouse>>;
beforeAll(async () => {
  house = await staffedHouse('options');
});
afterAll(() => house.db.sequelize.close());
const { highJob, see } = highJobs(() => house);

/** Options put before the customer by who is told the link. */
async function offered(input: CommandInput<'plan.offer'>) {
  const { offerId, token } = value(await house.give(house.lead, 'plan.offer', input));
  if (token === null) throw new Error('a lead is told the link');
  return { offerId, token };
}

describe('options for the customer', () => {
  test('open by their link alone, are chosen once, and the link of an older offer opens nothing', async () => {
    const { jobId, number } = await highJob();
    const old = await offered({ jobId, days: 14 });
    const { token, offerId } = await offered({ jobId, days: 14 });
    const now = new Date();
    expect(await openOffer(house.db, old.token, now)).toBeNull();
    expect(await openOffer(house.db, 'a'.repeat(43), now)).toBeNull();
    const open = await openOffer(house.db, token, now);
    expect(open?.content.options.map((o) => o.id)).toEqual(expect.arrayContaining(['leave', 'sufficient']));
    const stored = await house.db.models.Offer.findByPk(offerId);
    expect(JSON.stringify(stored)).not.toContain(token);
    const pick = (choice: string) =>
      answerOffer(house.db, token, { choice, by: 'Petra Aldous', note: '' }, now);
    expect(await pick('gold')).toMatchObject({ ok: false });
    expect(await pick('sufficient')).toEqual({ ok: true });
    expect(await pick('sufficient')).toEqual({ ok: true });
    expect(await pick('leave')).toMatchObject({ ok: false });
    const { offers } = (await see(number)).plan;
    expect(offers[0]).toMatchObject({
      choice: 'sufficient',
      choiceBy: 'Petra Aldous',
      choiceHow: 'by the link',
    });
    const events = await house.db.models.EventRow.count({ where: { jobId, kind: 'option chosen' } });
    expect(events).toBe(1);
  });

  test('a technician offers them and is not told the link: whoever answers for the customer makes it', async () => {
    const { jobId } = await highJob();
    const made = value(await house.give(house.technician, 'plan.offer', { jobId, days: 14 }));
    expect(made.token).toBeNull();
    const { offerId } = made;
    const link = (who: Actor) => house.give(who, 'plan.offer-link', { offerId });
    expect(await link(house.technician)).toMatchObject({ ok: false, error: { code: 'not-allowed' } });
    const first = value(await link(house.desk)).token;
    const second = value(await link(house.desk)).token;
    expect(await openOffer(house.db, first, new Date())).toBeNull();
    expect(await openOffer(house.db, second, new Date())).not.toBeNull();
    const kept = await house.db.models.CommandRow.findAll({
      where: { name: ['plan.offer', 'plan.offer-link'] },
    });
    expect(JSON.stringify(kept)).not.toContain(second);
    await answerOffer(house.db, second, { choice: 'leave', by: 'Petra', note: '' }, new Date());
    expect(await link(house.desk)).toMatchObject({ ok: false, error: { code: 'refused' } });
  });

  test('written by hand, where nothing was read: chosen by the link, they go on the order with the yes', async () => {
    const { number, jobId } = value(await house.give(house.desk, 'desk.take-in', intake('solid-electric')));
    expect((await house.give(house.technician, 'plan.offer', { jobId, days: 3 })).ok).toBe(false);
    const own = [
      {
        name: 'Find the fault',
        operations: ['pickup-height' as const],
        says: 'Up to half an hour.',
        left: '',
      },
      {
        name: 'Clean it too',
        operations: ['board-clean' as const, 'pickup-height' as const],
        says: '',
        left: 'The dent.',
      },
    ];
    expect(
      await house.give(house.technician, 'plan.offer', {
        jobId,
        days: 3,
        own: [{ ...own[0], name: '' }] as never,
      }),
    ).toMatchObject({ error: { fields: { 'own.0.name': 'What is it called?' } } });
    const { token, offerId } = await offered({ jobId, days: 3, own });
    const open = await openOffer(house.db, token, new Date());
    expect(open?.content.options.map((o) => [o.id, o.name])).toEqual([
      ['own-1', 'Find the fault'],
      ['own-2', 'Clean it too'],
    ]);
    expect(open?.content.options[1]).toMatchObject({ left: ['The dent.'] });
    expect(open?.content.options[1]?.price.high).toBeGreaterThan(open?.content.options[0]?.price.high ?? 0);
    const take = () => house.give(house.technician, 'plan.take-option', { offerId });
    expect((await take()).ok).toBe(false);
    const said = { choice: 'own-2', by: 'Petra Aldous', note: '' };
    expect(await answerOffer(house.db, token, said, new Date())).toEqual({ ok: true });
    expect(value(await take())).toEqual({ lines: 2 });
    expect(value(await take())).toEqual({ lines: 0 });
    const lines = (await see(number)).lines.map((l) => [
      l.operation,
      l.approval,
      l.approvedBy,
      l.approvedHow,
    ]);
    expect(lines).toEqual([
      ['board-clean', 'yes', 'Petra Aldous', 'by the link'],
      ['pickup-height', 'yes', 'Petra Aldous', 'by the link'],
    ]);
  });

  test('end with their day, can be taken back, and can be answered at the counter', async () => {
    const { jobId } = await highJob();
    const offer = () => offered({ jobId, days: 1 });
    const late = await offer();
    expect(await openOffer(house.db, late.token, new Date(Date.now() + 2 * 86_400_000))).toBeNull();
    const back = await offer();
    value(await house.give(house.technician, 'plan.withdraw-offer', { offerId: back.offerId }));
    expect(await openOffer(house.db, back.token, new Date())).toBeNull();
    const last = await offer();
    const said = {
      offerId: last.offerId,
      choice: 'leave',
      by: 'Petra',
      how: 'by telephone',
      note: 'too dear',
    } as const;
    expect(await house.give(house.technician, 'plan.record-choice', said)).toMatchObject({ ok: false });
    value(await house.give(house.desk, 'plan.record-choice', said));
    expect(await house.give(house.desk, 'plan.record-choice', said)).toMatchObject({ ok: false });
  });
});
