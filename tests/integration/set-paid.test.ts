import { operation } from '../../src/core/catalogue/operations.ts';
import { SHOP_PAYS_SET } from '../../src/core/job/set-paid.ts';
import { type SetPayer } from '../../src/core/job/set-payer.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('set_paid');
});
afterAll(() => house.db.sequelize.close());

const set = operation('string-up').parts;

/** Puts right who pays for the set. */
async function correct(number: number, setPaidBy: SetPayer | null) {
  const { id: jobId, version, customer: c, ...job } = await house.view(number);
  const { complaint, touch, matters, plays, wish, neededBy, hardDate, hardReason, limit } = job;
  await house.order(house.desk, 'desk.correct', {
    jobId,
    version,
    said: {
      complaint,
      touch,
      matters,
      setPaidBy,
      plays,
      wish,
      neededBy,
      hardDate,
      hardReason,
      limitMinor: limit,
    },
    customer: { version: c.version, name: c.name, phone: c.phone, email: c.email },
    why: 'asked again',
  });
}

test('the shop pays for the set it needs to be judged: its line costs no parts, the next set does', async () => {
  const { number, line } = await house.jobWith(['string-up', 'play-test'], {
    stringsState: 'off',
    setPaidBy: 'shop',
  });
  const now = await house.view(number);
  expect(now).toMatchObject({ setPaidBy: 'shop', needsSet: true });
  expect(now.receipt.seen.strings).toMatch(/^strings off: it cannot be judged.*paid by the shop$/);
  expect(await line('string-up')).toMatchObject({ price: 1500, parts: 0, priceReason: SHOP_PAYS_SET });
  expect(await line('play-test')).toMatchObject({ parts: operation('play-test').parts, priceReason: '' });
});

test('what was agreed is put right on the order too; what costs more is asked about, what is done stays', async () => {
  const { number, line, step } = await house.jobWith(['string-up'], { stringsState: 'missing' });
  expect(await line('string-up')).toMatchObject({ parts: set, approval: 'yes' });
  await correct(number, 'shop');
  expect(await line('string-up')).toMatchObject({ parts: 0, approval: 'yes', priceReason: SHOP_PAYS_SET });
  await correct(number, 'customer');
  expect(await line('string-up')).toMatchObject({ parts: set, approval: 'asked', priceReason: '' });
  const { id: lineId, version } = await line('string-up');
  const answer = { answer: 'yes', by: 'Petra', how: 'at the counter' } as const;
  await house.order(house.desk, 'work.answer', { lineId, version, ...answer });
  for (const action of ['start', 'finish'] as const)
    expect(await step('string-up', action)).toMatchObject({ ok: true });
  await correct(number, 'shop');
  expect(await line('string-up')).toMatchObject({ parts: set, approval: 'yes', step: 'finished' });
});

test('what is planned costs what the order will: nothing for the set, once it is on the order as before', async () => {
  const { number, jobId } = await house.jobWith([], { stringsState: 'off', setPaidBy: 'shop' });
  const parts = async () =>
    (await house.view(number)).plan.catalogue.find((o) => o.id === 'string-up')?.parts;
  expect(await parts()).toBe(0);
  const [proposed] = (await house.view(number)).proposal.lines;
  expect(proposed?.operation).toBe('string-up');
  const decide = async (change: { readonly change: string; readonly instead?: 'tune-stretch' }) => {
    const known = (await house.view(number)).decisions.find((d) => d.line === proposed?.key);
    await house.order(house.lead, 'plan.decide', {
      jobId,
      line: proposed?.key ?? '',
      decision: change.change === '' ? 'accepted' : 'changed',
      reason: '',
      version: known?.version ?? 0,
      ...change,
    });
    const [only, ...rest] = (await house.view(number)).lines;
    expect(rest).toEqual([]);
    return [only?.operation, only?.parts, only?.priceReason];
  };
  expect(await decide({ change: '' })).toEqual(['string-up', 0, SHOP_PAYS_SET]);
  // Once it is on the order, the next set costs what it costs; what is done instead brings none.
  expect(await parts()).toBe(set);
  const instead = { change: 'it has strings after all', instead: 'tune-stretch' } as const;
  expect(await decide(instead)).toEqual(['tune-stretch', 0, '']);
});

test('where no set is needed, nobody pays for one', async () => {
  const { number } = await house.jobWith([], { stringsState: 'at-pitch', setPaidBy: 'shop' });
  expect(await house.view(number)).toMatchObject({ setPaidBy: null, needsSet: false });
});
