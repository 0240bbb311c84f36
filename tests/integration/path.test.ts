import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import { QUANTITY_FACTS } from '../../src/core/readings/quantities.ts';
import type { RoundKind } from '../../src/core/readings/rounds.ts';
import { canonicalJson, type Json } from '../../src/core/record/canonical.ts';
import { sha256 } from '../../src/server/hand-over/sealed-record.ts';
import { loadJob, type JobView } from '../../src/server/leaves/load-job.ts';
import { customerSheet } from '../../src/server/printing/customer-sheet.ts';
import { intake, staffedHouse, value, unsaid } from './house.ts';

type House = Awaited<ReturnType<typeof staffedHouse>>;

let house: House;
beforeAll(async () => {
  house = await staffedHouse('path');
});
afterAll(() => house.db.sequelize.close());

const view = async (number: number): Promise<JobView> => {
  const job = await loadJob(house.db, number);
  if (!job) throw new Error(`no job ${number}`);
  return job;
};

const takeIn = async (
  more: Parameters<typeof intake>[1] = {},
  kind: Parameters<typeof intake>[0] = 'steel-acoustic',
) => value(await house.give(house.desk, 'desk.take-in', intake(kind, more)));

const TYPED = {
  relief: '.014',
  action: '7/64',
  'nut-gap': '8 thou',
  'saddle-standout': '4,1',
  intonation: '+4',
} as const;
const GOOD = {
  relief: '.008',
  'action:6': '5.5/64',
  'action:1': '4.25/64',
  'nut-gap': '4 thou',
  'saddle-standout': '3,2',
  intonation: '0',
} as const;

async function readRound(
  number: number,
  round: RoundKind,
  typed: Readonly<Record<string, string>>,
): Promise<void> {
  const job = await view(number);
  for (const { quantity, string, fret } of job.readings.stations) {
    const unit = QUANTITY_FACTS[quantity].unit;
    value(
      await house.give(house.technician, 'readings.save', {
        jobId: job.id,
        round,
        quantity,
        string,
        fret,
        typed: typed[`${quantity}:${string}`] ?? typed[quantity] ?? '',
        unit,
        version: 0,
      }),
    );
  }
}

async function workThrough(number: number): Promise<void> {
  const job = await view(number);
  for (const line of [...job.proposal.lines, ...job.proposal.then]) {
    value(
      await house.give(house.lead, 'plan.decide', {
        jobId: job.id,
        line: line.key,
        decision: 'accepted',
        change: '',
        reason: '',
        version: 0,
      }),
    );
  }
  for (const l of (await view(number)).lines) {
    value(
      await house.give(house.desk, 'work.answer', {
        lineId: l.id,
        version: l.version,
        answer: 'yes',
        by: 'Petra',
        how: 'at the counter',
      }),
    );
  }
  for (const l of (await view(number)).lines) {
    const { version } = value(
      await house.give(house.technician, 'work.step', {
        lineId: l.id,
        version: l.version,
        action: 'start',
        without: 'only tried here',
      }),
    );
    value(await house.give(house.technician, 'work.step', { lineId: l.id, version, action: 'finish' }));
  }
}

describe('the path through the house', () => {
  test('from the counter to the signature, and what was signed shows a change', async () => {
    const { db, give, technician, desk } = house;
    const { number, jobId } = await takeIn();
    expect(number).toBe(401);
    for (const item of (await view(number)).inspection.items) {
      value(
        await give(technician, 'inspection.answer', {
          jobId,
          item: item.key,
          answer: 'fine',
          note: '',
          version: 0,
        }),
      );
    }
    value(await give(technician, 'inspection.finish', { jobId, version: 0, ending: '' }));
    await readRound(number, 'as-found', TYPED);
    const { proposal } = await view(number);
    expect(proposal.lines.map((l) => l.operation)).toEqual(['rod']);
    expect(proposal.then.map((l) => l.operation)).toEqual(
      expect.arrayContaining(['nut-slots', 'saddle-lower', 'play-test']),
    );
    await workThrough(number);
    const worked = await view(number);
    expect(worked.proposal.stale).toHaveLength(15);
    expect(worked.leaves.readings).toMatchObject({ kind: 'trouble', count: 15 });
    await readRound(number, 'as-left', GOOD);
    const left = await view(number);
    expect(left.proposal.stale).toEqual([]);

    const early = await give(desk, 'hand-over.sign', {
      jobId,
      version: 0,
      signer: 'Petra Aldous',
      signature: null,
    });
    expect(early).toMatchObject({ ok: false, error: { code: 'refused' } });
    expect(JSON.stringify(early)).toContain('hard case is not given back');

    const item = left.items[0];
    value(
      await give(desk, 'hand-over.return', {
        itemId: item?.id ?? 0,
        version: 0,
        returned: true,
        absence: '',
      }),
    );
    const checks = Object.fromEntries(left.handOver.asked.map((c) => [c.key, true]));
    const { version } = value(
      await give(technician, 'hand-over.check', { jobId, version: 0, checks, exception: '' }),
    );
    const signature = [
      [
        { x: 1, y: 2 },
        { x: 30, y: 40.5 },
      ],
    ];
    const { digest } = value(
      await give(desk, 'hand-over.sign', { jobId, version, signer: 'Petra Aldous', signature }),
    );
    const signed = await view(number);
    expect(signed.seal).toEqual({ kind: 'whole', digest });
    expect(signed.state).toBe('closed');

    const sheet = await db.models.HandOver.findOne({ where: { jobId } });
    expect(sha256(sheet?.record ?? '')).toBe(digest);
    expect(canonicalJson(JSON.parse(sheet?.record ?? '') as Json)).toBe(sheet?.record);
    const pdf = await customerSheet(signed);
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pdf.length).toBeGreaterThan(10_000);

    const closed = await give(technician, 'readings.save', {
      jobId,
      round: 'as-left',
      quantity: 'relief',
      string: 0,
      fret: 7,
      typed: '9',
      unit: 'thou',
      version: 1,
    });
    expect(closed).toMatchObject({ ok: false, error: { code: 'closed' } });
    await db.sequelize.query("UPDATE readings SET typed = '.009' WHERE typed = '.008'");
    expect((await view(number)).seal).toMatchObject({ kind: 'broken', changed: ['readings'] });
    expect((await verifySeals(house.db)).broken).toEqual([{ job: number, changed: ['readings'] }]);
  });

  test('every change wrote exactly one event, and the log cannot be rewritten', async () => {
    const { db } = house;
    const [events, commands] = await Promise.all([db.models.EventRow.count(), db.models.CommandRow.count()]);
    expect(events).toBe(commands);
    await expect(db.sequelize.query("UPDATE events SET kind = 'x'")).rejects.toThrow();
    await expect(db.sequelize.query('DELETE FROM events')).rejects.toThrow();
  });

  test('the same command twice is done once and answers the same', async () => {
    const id = randomUUID();
    const first = await house.give(house.desk, 'desk.take-in', intake(), id);
    const second = await house.give(house.desk, 'desk.take-in', intake(), id);
    expect(second).toEqual(first);
    const stolen = await house.give(house.lead, 'desk.take-in', intake(), id);
    expect(stolen).toMatchObject({ ok: false, error: { code: 'refused' } });
  });

  test('the same reading sent twice at once, as by a reload during the save, answers the same both times', async () => {
    const { jobId } = await takeIn();
    for (let fret = 1; fret <= 12; fret++) {
      const id = randomUUID();
      const reading = {
        jobId,
        round: 'as-found',
        quantity: 'nut-gap',
        string: 1 + (fret % 6),
        fret: 1,
        typed: `0.${10 + fret}`,
        unit: 'mm',
        version: Math.floor((fret - 1) / 6),
      } as const;
      const [one, two] = await Promise.all([
        house.give(house.technician, 'readings.save', reading, id),
        house.give(house.technician, 'readings.save', reading, id),
      ]);
      expect(one.ok).toBe(true);
      expect(two).toEqual(one);
    }
  });

  test('twenty at the counter at once get twenty numbers', async () => {
    const all = await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        house.give(house.desk, 'desk.take-in', intake('ukulele', { complaint: `no. ${i}` })),
      ),
    );
    expect(new Set(all.map((r) => value(r).number)).size).toBe(20);
  });
});

describe('readings', () => {
  test('two techs at one place: the second sees both values and nothing is lost', async () => {
    const { jobId, number } = await takeIn();
    const at = {
      jobId,
      round: 'as-found',
      quantity: 'action',
      string: 6,
      fret: 12,
      unit: '64ths',
      version: 0,
    } as const;
    const [a, b] = await Promise.all([
      house.give(house.technician, 'readings.save', { ...at, typed: '5/64' }),
      house.give(house.lead, 'readings.save', { ...at, typed: '6/64' }),
    ]);
    const lost = a.ok ? b : a;
    const kept = a.ok ? '5/64' : '6/64';
    expect([a.ok, b.ok].filter(Boolean)).toHaveLength(1);
    expect(lost).toMatchObject({
      ok: false,
      error: { code: 'conflict', theirs: { says: kept, version: 1 } },
    });
    const over = await house.give(house.lead, 'readings.save', { ...at, typed: '5.5/64', version: 1 });
    expect(value(over).version).toBe(2);
    const events = await house.db.models.EventRow.findAll({
      where: { jobId, kind: 'reading taken' },
      order: [['id', 'ASC']],
    });
    expect(events.map((e) => (e.data as { before: { typed: string } | null }).before?.typed ?? null)).toEqual(
      [null, kept],
    );
    expect((await view(number)).readings.readings[0]).toMatchObject({ typed: '5.5/64', version: 2 });
  });

  test('with a string missing it is kept, marked, and not used for a plan', async () => {
    const { jobId, number } = await takeIn({ stringsState: 'missing' });
    await readRound(number, 'as-found', TYPED);
    const job = await view(number);
    expect(job.readings.readings.find((r) => r.quantity === 'relief')).toMatchObject({
      typed: '.014',
      notRepresentative: 'taken with a string missing',
    });
    expect(job.proposal.lines.map((l) => l.operation)).toEqual(['string-up']);
    const round = job.readings.rounds[0];
    value(
      await house.give(house.technician, 'readings.conditions', {
        jobId,
        round: 'as-found',
        version: round?.version ?? 0,
        strings: 'at-pitch',
        position: 'playing',
        tuning: 'E A D G B E',
        temperature: 21,
        humidity: 44.5,
      }),
    );
    expect((await view(number)).proposal.lines).toEqual([]);
    expect((await view(number)).readings.rounds[0]).toMatchObject({ temperature: 21, humidity: 44.5 });
  });

  test('typed text and exact value are both kept', async () => {
    const { jobId, number } = await takeIn();
    const at = { jobId, round: 'as-found', quantity: 'action', fret: 12, unit: 'mm', version: 0 } as const;
    value(await house.give(house.technician, 'readings.save', { ...at, string: 6, typed: '5/64' }));
    value(await house.give(house.technician, 'readings.save', { ...at, string: 1, typed: '1,7' }));
    const kept = (await view(number)).readings.readings;
    expect(kept.map((r) => [r.typed, r.value, r.unit])).toEqual([
      ['5/64', 1.984375, 'in'],
      ['1,7', 1.7, 'mm'],
    ]);
  });

  test.each([
    ['no length', 'about five', 'typed'],
    ['an ambiguous number', '1,234', 'typed'],
    ['nothing', '   ', 'typed'],
  ])('%s is refused at its field', async (_what, typed, field) => {
    const { jobId } = await takeIn();
    const done = await house.give(house.technician, 'readings.save', {
      jobId,
      round: 'as-found',
      quantity: 'action',
      string: 6,
      fret: 12,
      typed,
      unit: 'mm',
      version: 0,
    });
    expect(done).toMatchObject({ ok: false, error: { code: 'invalid' } });
    expect(Object.keys(done.ok || done.error.code !== 'invalid' ? {} : done.error.fields)).toContain(field);
  });

  test('a place this instrument does not have is refused', async () => {
    const { jobId } = await takeIn({}, 'bass');
    const done = await house.give(house.technician, 'readings.save', {
      jobId,
      round: 'as-found',
      quantity: 'nut-gap',
      string: 6,
      fret: 1,
      typed: '8',
      unit: 'thou',
      version: 0,
    });
    expect(done.ok).toBe(false);
  });
});

describe('plan and work', () => {
  test('this job’s target wins over kind and touch, and says so', async () => {
    const { jobId, number } = await takeIn({ touch: 'heavy' });
    const target = async () =>
      (await view(number)).readings.stations.find((s) => s.quantity === 'relief')?.target;
    expect(await target()).toMatchObject({ layer: 'touch' });
    value(
      await house.give(house.lead, 'plan.target', {
        jobId,
        quantity: 'relief',
        side: 'both',
        low: 0.05,
        aim: 0.1,
        high: 0.15,
        reason: 'asked',
        version: 0,
      }),
    );
    expect(await target()).toEqual({ low: 0.05, aim: 0.1, high: 0.15, layer: 'job' });
    const upside = await house.give(house.lead, 'plan.target', {
      jobId,
      quantity: 'relief',
      side: 'both',
      low: 0.2,
      aim: 0.1,
      high: 0.15,
      reason: '',
      version: 1,
    });
    expect(upside).toMatchObject({ ok: false, error: { code: 'invalid' } });
  });

  test('a no takes the line out; a declined line leaves the order; a changed one asks again', async () => {
    const { jobId, number } = await takeIn();
    await readRound(number, 'as-found', TYPED);
    const decide = (
      line: string,
      decision: 'accepted' | 'changed' | 'declined',
      version: number,
      change = '',
    ) => house.give(house.lead, 'plan.decide', { jobId, line, decision, change, reason: 'r', version });
    const { lines, then } = (await view(number)).proposal;
    const keyOf = (id: string) => [...lines, ...then].find((l) => l.operation === id)?.key ?? '';
    const [rodKey, saddleKey] = [keyOf('rod'), keyOf('saddle-lower')];
    value(await decide(rodKey, 'accepted', 0));
    value(await decide(saddleKey, 'accepted', 0));
    const [rod, saddle] = (await view(number)).lines;
    value(
      await house.give(house.desk, 'work.answer', {
        lineId: rod?.id ?? 0,
        version: 0,
        answer: 'no',
        by: 'Petra',
        how: 'by telephone',
      }),
    );
    value(
      await house.give(house.desk, 'work.answer', {
        lineId: saddle?.id ?? 0,
        version: 0,
        answer: 'yes',
        by: 'Petra',
        how: 'by telephone',
      }),
    );
    expect(
      await house.give(house.technician, 'work.step', { lineId: rod?.id ?? 0, version: 1, action: 'start' }),
    ).toMatchObject({ ok: false, error: { code: 'refused' } });
    expect(await decide(saddleKey, 'changed', 1)).toMatchObject({ ok: false, error: { code: 'invalid' } });
    value(await decide(saddleKey, 'changed', 1, 'half of it'));
    expect((await view(number)).lines.find((l) => l.id === saddle?.id)).toMatchObject({
      approval: 'asked',
      detail: 'half of it',
    });
    value(await decide(saddleKey, 'declined', 2));
    expect((await view(number)).lines.map((l) => l.approval)).toEqual(['no']);
  });

  test('starting another job pauses the first, and both clocks are right', async () => {
    const begin = Date.parse('2026-03-02T09:00:00Z');
    const at = (minutes: number) => () => new Date(begin + minutes * 60_000);
    const lines = await Promise.all(
      [1, 2].map(async () => {
        const { jobId, number } = await takeIn();
        const { lineId } = value(
          await house.give(house.lead, 'plan.add', { jobId, operation: 'tighten', detail: '' }),
        );
        value(
          await house.give(house.desk, 'work.answer', {
            lineId,
            version: 0,
            answer: 'yes',
            by: 'P',
            how: 'in writing',
          }),
        );
        return { lineId, number };
      }),
    );
    const [one, two] = lines as [(typeof lines)[0], (typeof lines)[0]];
    const step = (lineId: number, version: number, action: 'start' | 'pause' | 'finish', minutes: number) =>
      house.give(house.technician, 'work.step', { lineId, version, action }, randomUUID(), at(minutes));
    value(await step(one.lineId, 1, 'start', 0));
    value(await step(two.lineId, 1, 'start', 10));
    expect((await view(one.number)).lines[0]).toMatchObject({
      step: 'paused',
      workedMs: 600_000,
      runningSince: null,
    });
    value(await step(two.lineId, 2, 'finish', 25));
    value(await step(one.lineId, 3, 'start', 30));
    value(await step(one.lineId, 4, 'finish', 37));
    expect((await view(one.number)).lines[0]).toMatchObject({ step: 'finished', workedMs: 17 * 60_000 });
    expect((await view(two.number)).lines[0]).toMatchObject({ step: 'finished', workedMs: 15 * 60_000 });
    const again = await step(one.lineId, 5, 'pause', 40);
    expect(again).toMatchObject({ ok: false, error: { code: 'refused' } });
  });
});

describe('who may do what', () => {
  test.each([
    ['desk', 'readings.save'],
    ['desk', 'plan.decide'],
    ['desk', 'work.step'],
    ['technician', 'work.discount'],
  ] as const)('the %s may not %s', async (role, command) => {
    const done = await house.give(house[role], command, {} as never);
    expect(done).toMatchObject({ ok: false, error: { code: 'not-allowed' } });
  });

  test('the database itself refuses what must not be', async () => {
    const q = (sql: string) => house.db.sequelize.query(sql, { type: QueryTypes.RAW });
    await expect(q('UPDATE jobs SET closed_at = NOW() WHERE state = "open" LIMIT 1')).rejects.toThrow();
    await expect(q('UPDATE work_lines SET step = "running" WHERE approval <> "yes"')).rejects.toThrow();
    await expect(q('DELETE FROM customers')).rejects.toThrow();
  });
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
