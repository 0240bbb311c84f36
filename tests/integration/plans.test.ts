import type { CommandInput } from '../../src/contracts/commands/commands.ts';
import { NO_MOVES } from '../../src/core/whatif/moves.ts';
import { answerOffer } from '../../src/server/plan/offers.ts';
import { loadHistory } from '../../src/server/jobs/load-history.ts';
import { highJobs, SET, type Save } from './high-jobs.ts';
import { intake, staffedHouse, unsaid, value } from './house.ts';

type House = Awaited<ReturnType<typeof staffedHouse>>;
let house: House;
beforeAll(async () => {
  house = await staffedHouse('plans');
});
afterAll(() => house.db.sequelize.close());

const { save, highJob, see } = highJobs(() => house);

describe('a chosen plan', () => {
  test('goes on the order, keeps its predictions, and gives way to another', async () => {
    const { jobId, number } = await highJob();
    const choose = (plan: 'leave' | 'sufficient' | 'best', version: number) =>
      house.give(house.technician, 'plan.choose', { jobId, plan, reason: '', version });
    expect(value(await choose('sufficient', 0)).lines).toBeGreaterThan(1);
    const job = await see(number);
    expect(job.lines.map((l) => l.operation)).toContain('saddle-lower');
    expect(job.plan.choice?.predicted.find((p) => p.key === 'action:6:12')?.value).toBeLessThanOrEqual(2.5);
    expect(await choose('best', 0)).toMatchObject({ ok: false, error: { code: 'conflict' } });
    value(await choose('leave', 1));
    expect((await see(number)).lines).toEqual([]);
  });

  test('is not put on the order a second time by the line it was proposed with', async () => {
    const { jobId, number } = await highJob();
    value(
      await house.give(house.technician, 'plan.choose', {
        jobId,
        plan: 'sufficient',
        reason: '',
        version: 0,
      }),
    );
    const put = (await see(number)).decisions.find((d) => d.proposed.operation === 'saddle-lower');
    if (!put) throw new Error('nothing decided');
    value(
      await house.give(house.technician, 'plan.decide', {
        jobId,
        line: put.line,
        decision: 'accepted',
        change: '',
        reason: 'again',
        version: put.version,
      }),
    );
    const job = await see(number);
    expect(job.lines.filter((l) => l.operation === 'saddle-lower')).toHaveLength(1);
    expect(job.facts.linesOpen).toBe(0);
  });

  test('once work has begun on it, it cannot be put away unseen', async () => {
    const { jobId, number } = await highJob();
    value(
      await house.give(house.technician, 'plan.choose', {
        jobId,
        plan: 'sufficient',
        reason: '',
        version: 0,
      }),
    );
    const line = (await see(number)).lines.find((l) => l.operation === 'saddle-lower');
    if (!line) throw new Error('no line');
    const answer = {
      lineId: line.id,
      version: line.version,
      answer: 'yes',
      by: 'Petra',
      how: 'at the counter',
    } as const;
    const yes = value(await house.give(house.desk, 'work.answer', answer));
    value(
      await house.give(house.technician, 'work.step', {
        lineId: line.id,
        version: yes.version,
        action: 'start',
      }),
    );
    const away = await house.give(house.technician, 'plan.choose', {
      jobId,
      plan: 'leave',
      reason: '',
      version: 1,
    });
    expect(away).toMatchObject({ ok: false, error: { code: 'refused' } });
  });

  test('what is left is held against what it said, and kept', async () => {
    const { jobId, number } = await highJob();
    value(
      await house.give(house.technician, 'plan.choose', {
        jobId,
        plan: 'sufficient',
        reason: '',
        version: 0,
      }),
    );
    value(await save(jobId, 'as-left', ['action', 6, 12, '2.3']));
    const { results } = (await see(number)).plan;
    expect(results).toHaveLength(1);
    expect(results[0]?.achieved).toBe(2.3);
    expect(results[0]?.predicted).toBeLessThanOrEqual(2.5);
  });

  test('a job without readings has none, and says why', async () => {
    const { jobId } = value(await house.give(house.desk, 'desk.take-in', intake()));
    const done = await house.give(house.technician, 'plan.choose', {
      jobId,
      plan: 'best',
      reason: '',
      version: 0,
    });
    expect(done).toMatchObject({ ok: false, error: { code: 'refused' } });
  });
});

describe('a proposed line', () => {
  const lineOf = async (number: number, operation: string) => {
    const { proposal } = await see(number);
    const line = [...proposal.lines, ...proposal.then].find((l) => l.operation === operation);
    if (!line) throw new Error(`${operation} is not proposed`);
    return line;
  };
  const decide = (jobId: number, line: string, more: Partial<CommandInput<'plan.decide'>> = {}) =>
    house.give(house.technician, 'plan.decide', {
      jobId,
      line,
      decision: 'accepted',
      change: '',
      reason: '',
      version: 0,
      ...more,
    });
  const orderOf = async (number: number) =>
    (await see(number)).lines.filter((l) => l.operation === 'saddle-lower');
  const again = (jobId: number, version: number, typed: string) =>
    save(jobId, 'as-found', ['action', 6, 12, typed], version);
  const yes = async (number: number) => {
    const [line] = await orderOf(number);
    if (!line) throw new Error('not on the order');
    const { version } = value(
      await house.give(house.desk, 'work.answer', {
        lineId: line.id,
        version: line.version,
        answer: 'yes',
        by: 'Petra',
        how: 'at the counter',
      }),
    );
    return { id: line.id, version };
  };

  test('with another amount takes the place of what nobody has begun, and the yes to its price stands', async () => {
    const { jobId, number } = await highJob();
    const first = await lineOf(number, 'saddle-lower');
    value(await decide(jobId, first.key));
    await yes(number);
    value(await again(jobId, 1, '3.4'));
    const second = await lineOf(number, 'saddle-lower');
    expect(second.key).not.toBe(first.key);
    expect((await see(number)).facts.linesOpen).toBeGreaterThan(0);
    value(await decide(jobId, second.key));
    expect(await orderOf(number)).toMatchObject([{ approval: 'yes', detail: second.says }]);
    const { decisions } = await see(number);
    expect(decisions.map((d) => d.line)).toEqual(expect.arrayContaining([first.key, second.key]));
  });

  test('after its work was done once is another line with its own amount; while it is done it waits', async () => {
    const { jobId, number } = await highJob();
    value(await decide(jobId, (await lineOf(number, 'saddle-lower')).key));
    const { id: lineId, version } = await yes(number);
    const step = (v: number, action: 'start' | 'finish') =>
      house.give(house.technician, 'work.step', { lineId, version: v, action });
    const begun = value(await step(version, 'start'));
    value(await again(jobId, 1, '3.0'));
    const second = await lineOf(number, 'saddle-lower');
    expect(await decide(jobId, second.key)).toMatchObject({ ok: false, error: { code: 'refused' } });
    value(await step(begun.version, 'finish'));
    value(await again(jobId, 2, '2.8'));
    value(await again(jobId, 3, '2.9'));
    const third = await lineOf(number, 'saddle-lower');
    value(await decide(jobId, third.key));
    expect(await orderOf(number)).toMatchObject([
      { step: 'finished' },
      { step: 'ready', approval: 'asked', detail: third.says },
    ]);
  });

  test('changed, is another operation at its own price, and the words say what', async () => {
    const { jobId, number } = await highJob();
    const line = await lineOf(number, 'saddle-lower');
    value(
      await decide(jobId, line.key, {
        decision: 'changed',
        change: 'A new one, the old is kept.',
        instead: 'saddle-new',
        priceMinor: 6_500,
      }),
    );
    const { lines, decisions } = await see(number);
    expect(lines).toMatchObject([
      { operation: 'saddle-new', price: 6_500, detail: 'A new one, the old is kept.', approval: 'asked' },
    ]);
    expect(decisions).toMatchObject([{ decision: 'changed', instead: 'Make a new saddle' }]);
  });

  test('the customer said no to is worked without', async () => {
    const { jobId, number } = await highJob();
    value(await decide(jobId, (await lineOf(number, 'saddle-lower')).key));
    const [line] = await orderOf(number);
    value(
      await house.give(house.desk, 'work.answer', {
        lineId: line?.id ?? 0,
        version: line?.version ?? 0,
        answer: 'no',
        by: 'Petra',
        how: 'by telephone',
      }),
    );
    const { proposal } = await see(number);
    expect([...proposal.lines, ...proposal.then].map((l) => l.operation)).not.toContain('saddle-lower');
    expect(proposal.declined.map((l) => l.operation)).toEqual(['saddle-lower']);
  });
});

describe('a turn of the rod', () => {
  async function atTheRod() {
    const { jobId, number } = await highJob();
    value(await readRelief(jobId, 'as-found', '0.4', 1));
    value(
      await house.give(house.technician, 'plan.choose', {
        jobId,
        plan: 'sufficient',
        reason: '',
        version: 0,
      }),
    );
    const line = (await see(number)).lines.find((l) => l.operation === 'rod');
    if (!line) throw new Error('no rod on the order');
    const said = { lineId: line.id, version: line.version, by: 'Petra', how: 'at the counter' } as const;
    const yes = value(await house.give(house.desk, 'work.answer', { ...said, answer: 'yes' }));
    const step = (version: number, action: 'start' | 'finish') =>
      house.give(house.technician, 'work.step', { lineId: line.id, version, action });
    const turn = (eighths: number, after: string) =>
      house.give(house.technician, 'work.turn', { lineId: line.id, eighths, after, unit: 'mm' });
    return { jobId, number, version: yes.version, step, turn };
  }
  const readRelief = (jobId: number, round: Save['round'], typed: string, version: number) =>
    save(jobId, round, ['relief', 0, 7, typed], version);
  const rodOf = async (number: number) => (await see(number)).lines.find((l) => l.operation === 'rod')?.rod;

  test('is logged where it is made, read at once, and the next one follows from it', async () => {
    const { number, version, step, turn } = await atTheRod();
    expect(await turn(2, '')).toMatchObject({ ok: false, error: { code: 'refused' } });
    const { version: running } = value(await step(version, 'start'));
    value(await turn(2, '0.34'));
    const first = await rodOf(number);
    expect(first?.turns).toMatchObject([{ eighths: 2, before: 0.4, after: 0.34, by: 'The technician' }]);
    expect(first?.next).toMatch(/^Next: tighten/);
    // The reading is fresh though its step goes on, and everything else that hangs on the neck is stale.
    const during = await see(number);
    expect(during.proposal.stale).not.toContain('relief:0:7');
    expect(during.proposal.stale).toContain('action:6:12');
    value(await turn(2, '0.2'));
    value(await step(running, 'finish'));
    const done = await see(number);
    expect(done.proposal.stale).not.toContain('relief:0:7');
    expect((await rodOf(number))?.turns).toHaveLength(2);
  });

  test('once its step is finished the rest of the plan goes on the order with what was read since', async () => {
    const { jobId, number, version, step, turn } = await atTheRod();
    const { version: running } = value(await step(version, 'start'));
    value(await turn(2, '0.2'));
    value(await step(running, 'finish'));
    for (const place of SET.slice(1)) value(await save(jobId, 'after-work', place));
    const again = { jobId, plan: 'sufficient', reason: '', version: 1 } as const;
    value(await house.give(house.technician, 'plan.choose', again));
    const { lines, facts } = await see(number);
    expect(lines.filter((l) => l.operation === 'rod')).toMatchObject([{ step: 'finished' }]);
    expect(lines.filter((l) => l.operation === 'saddle-lower')).toMatchObject([{ step: 'ready' }]);
    expect(facts.linesOpen).toBe(0);
  });

  test('made blind is told by the next reading, and a turn logged by mistake is taken back', async () => {
    const { jobId, number, version, step, turn } = await atTheRod();
    value(await step(version, 'start'));
    const { turnId } = value(await turn(1, ''));
    expect((await see(number)).proposal.stale).toContain('relief:0:7');
    value(await readRelief(jobId, 'after-work', '0.33', 0));
    expect((await rodOf(number))?.turns).toMatchObject([{ before: 0.4, after: 0.33 }]);
    // Put right, the turn says the right thing too.
    value(await readRelief(jobId, 'after-work', '0.35', 1));
    const [logged] = (await rodOf(number))?.turns ?? [];
    expect(logged).toMatchObject({ after: 0.35 });
    const back = { turnId, version: logged?.version ?? 0 };
    expect(await house.give(house.technician, 'work.take-back-turn', { turnId, version: 99 })).toMatchObject({
      error: { code: 'conflict' },
    });
    value(await house.give(house.technician, 'work.take-back-turn', back));
    expect((await rodOf(number))?.turns).toEqual([]);
  });

  test('a relief in another unit is asked about before it is kept', async () => {
    const { version, step, turn } = await atTheRod();
    value(await step(version, 'start'));
    expect(await turn(1, '14')).toMatchObject({
      error: { code: 'invalid', fields: { after: expect.anything() as unknown } },
    });
    // Thousandths of an inch, written as the bench writes them, in a field of millimetres.
    expect(await turn(1, '.009')).toMatchObject({ error: { code: 'invalid' } });
    expect(await turn(1, 'x')).toMatchObject({ error: { code: 'invalid' } });
  });
});

describe('what is tried', () => {
  test('is kept by a name, changed, dropped, and is no reading', async () => {
    const { jobId, number } = await highJob();
    const keep = (tryId: number, name: string, version: number) =>
      house.give(house.technician, 'plan.keep-try', {
        jobId,
        tryId,
        name,
        moves: { ...NO_MOVES, bass: -1 },
        version,
      });
    const { tryId } = value(await keep(0, 'lower', 0));
    expect(await keep(0, 'lower', 0)).toMatchObject({ ok: false, error: { code: 'invalid' } });
    value(await keep(tryId, 'lower still', 0));
    expect(await keep(tryId, 'x', 0)).toMatchObject({ ok: false, error: { code: 'conflict' } });
    const job = await see(number);
    expect(job.plan.tries.map((w) => w.name)).toEqual(['lower still']);
    expect(job.readings.readings).toHaveLength(SET.length);
    value(await house.give(house.technician, 'plan.drop-try', { tryId, version: 1 }));
    expect((await see(number)).plan.tries).toEqual([]);
  });

  test('what it is worth is said once and seen by all', async () => {
    const { jobId, number } = await highJob();
    value(await house.give(house.technician, 'plan.worth', { jobId, worthMinor: 40_000, version: 0 }));
    expect((await see(number)).plan.worth).toBe(40_000);
    expect(await house.give(house.desk, 'plan.worth', { jobId, worthMinor: 1, version: 1 })).toMatchObject({
      ok: false,
    });
  });
});

describe('a job’s history', () => {
  test('says every change once, with who and from what to what, the customer’s own too', async () => {
    const { jobId, number } = await highJob();
    const { token } = value(await house.give(house.lead, 'plan.offer', { jobId, days: 3 }));
    if (token === null) throw new Error('a lead is told the link');
    await answerOffer(house.db, token, { choice: 'leave', by: 'Petra', note: '' }, new Date());
    const again = {
      jobId,
      round: 'as-found',
      quantity: 'relief',
      string: 0,
      fret: 7,
      typed: '0.25',
      unit: 'mm',
    } as const;
    value(await house.give(house.technician, 'readings.save', { ...again, version: 1 }));
    const history = await loadHistory(house.db, number);
    expect(history?.entries).toHaveLength(await house.db.models.EventRow.count({ where: { jobId } }));
    expect(history?.entries.find((e) => e.kind === 'option chosen')).toMatchObject({ by: 'the customer' });
    expect(history?.entries.at(-1)).toMatchObject({
      kind: 'reading taken',
      from: '0.2',
      to: '0.25',
      on: 'tablet',
    });
    expect(await loadHistory(house.db, 999_999)).toBeNull();
  });
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
