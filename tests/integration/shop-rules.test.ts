import { placesWithJobs } from '../../src/server/desk/places.ts';
import { loadFirstDay } from '../../src/server/house/first-day.ts';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { offeredKinds } from '../../src/server/house/kinds.ts';
import { loadTargets } from '../../src/server/house/load-targets.ts';
import { KIND_TARGETS } from '../../src/core/targets/defaults.ts';
import { plainTax } from '../../src/core/money/tax.ts';
import { operationsFile } from '../../src/contracts/formats/operations-file.ts';
import { OPERATIONS, ownOperation } from '../../src/core/catalogue/operations.ts';
import { USUAL_PLAN_RULES } from '../../src/core/plan/plan-rules.ts';
import { loadOperations } from '../../src/server/house/load-operations.ts';
import { up as neckScrews } from '../../src/server/db/migrations/017-neck-screws.ts';
import { loadShopSetting } from '../../src/server/house/load-shop.ts';
import { estimatePaper } from '../../src/server/printing/estimate-paper.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { intake, staffedHouse, value } from './house.ts';

let house: Awaited<ReturnType<typeof staffedHouse>>;
beforeAll(async () => {
  house = await staffedHouse('shop_rules');
});
afterAll(() => house.db.sequelize.close());

const SET = [
  ['relief', 0, 7, '0.2'],
  ['action', 6, 12, '3.2'],
  ['action', 1, 12, '2.6'],
  ['saddle-standout', 0, 0, '5'],
] as const;

/** An instrument whose strings stand high. */
async function highJob(set: readonly (readonly [(typeof SET)[number][0], number, number, string])[] = SET) {
  const instrument = { ...intake().instrument, serial: crypto.randomUUID() } as ReturnType<
    typeof intake
  >['instrument'];
  const taken = value(await house.give(house.desk, 'desk.take-in', { ...intake(), instrument }));
  for (const [quantity, string, fret, typed] of set) {
    const at = { jobId: taken.jobId, round: 'as-found', quantity, string, fret } as const;
    value(await house.give(house.technician, 'readings.save', { ...at, typed, unit: 'mm', version: 0 }));
  }
  return taken;
}

const see = async (number: number) => {
  const job = await loadJob(house.db, number);
  if (!job) throw new Error('no job');
  return job;
};

describe('the shop’s catalogue', () => {
  test('is kept by versions; prices and waits of new lines follow it; a circle is refused', async () => {
    const operations = operationsFile().map((o) =>
      o.id === 'rod' ? { ...o, price: 9900, name: 'Set the rod' } : o,
    );
    const circle = operations.map((o) => (o.id === 'rod' ? { ...o, needs: ['saddle-lower' as const] } : o));
    const give = (list: typeof operations, version: number) =>
      house.give(house.lead, 'house.save-operations', { version, operations: list, note: 'dearer' });
    expect(await give(circle, 0)).toMatchObject({ ok: false, error: { code: 'invalid' } });
    value(await give(operations, 0));
    expect(await give(operations, 0)).toMatchObject({ ok: false, error: { code: 'conflict' } });
    const { jobId, number } = await highJob();
    value(await house.give(house.technician, 'plan.add', { jobId, operation: 'rod', detail: '' }));
    expect((await see(number)).lines[0]).toMatchObject({ title: 'Set the rod', price: 9900 });
    expect(
      await house.give(house.technician, 'house.save-operations', { version: 1, operations, note: '' }),
    ).toMatchObject({ ok: false, error: { code: 'not-allowed' } });
  });
});

describe('the shop itself', () => {
  test('what an earlier release kept is read; what is changed stands on its jobs and papers, by version', async () => {
    const { info, version } = await loadShopSetting(house.db);
    expect(info).toMatchObject({ name: 'Test bench', address: '', paper: 'A4' });
    const shop = {
      ...info,
      name: 'Orrin Lane Strings',
      address: '4 Orrin Lane\nSaltmarren',
      phone: '555 0177',
      foot: 'Prices with care.',
      tax: plainTax(0.077),
      paper: 'LETTER',
    } as const;
    const keep = (more: object = {}, who = house.lead) =>
      house.give(who, 'house.save-shop', { version, shop: { ...shop, ...more } });
    expect(await keep({ name: ' ' })).toMatchObject({
      error: { fields: { 'shop.name': expect.any(String) as string } },
    });
    expect(await keep({ email: 'nobody' })).toMatchObject({
      error: { fields: { 'shop.email': expect.any(String) as string } },
    });
    expect(await keep({}, house.technician)).toMatchObject({ error: { code: 'not-allowed' } });
    value(await keep());
    expect(await keep()).toMatchObject({ error: { code: 'conflict' } });
    const { number } = await highJob();
    const job = await see(number);
    expect(job.shop).toEqual(shop);
    const paper = await estimatePaper(job, job.shop.paper);
    // Letter is 612 by 792 points.
    expect(paper.toString('latin1')).toContain('/MediaBox [0 0 612 792]');
    value(await house.give(house.lead, 'house.save-shop', { version: version + 1, shop: info }));
  });
});

describe('an operation of the shop’s own', () => {
  test('is asked for by the finding it names, with its whole record; one from before that is as it ships', async () => {
    const cap = {
      ...ownOperation('own-cap', 'Glue a cap over the plate'),
      price: 4400,
      askedBy: ['plate:worn'],
      customer: 'A thin cap is glued over the worn plate.',
    };
    const { version } = (await loadOperations(house.db)) as { version: number };
    const operations = operationsFile([...OPERATIONS, cap]);
    value(await house.give(house.lead, 'house.save-operations', { version, operations, note: 'a cap' }));
    const { jobId, number } = await highJob();
    const answer = { jobId, item: 'plate', answer: 'work', finding: 'worn', note: '', version: 0 } as const;
    value(await house.give(house.technician, 'inspection.answer', answer));
    const proposed = async () => {
      const { lines, then } = (await see(number)).proposal;
      return [...lines, ...then].map((l) => l.operation);
    };
    expect(await proposed()).toContain('own-cap');
    expect(await proposed()).not.toContain('bridge-plate');
    expect((await see(number)).plan.catalogue.find((o) => o.id === 'own-cap')).toEqual(cap);
    // As a house of an earlier release kept it.
    const bare = OPERATIONS.map(({ id, name, order, needs, minutes, wait, skill, place, ...o }) => ({
      ...{ id, name, order, needs, minutes, wait, skill, place },
      ...{ materials: o.materials, price: o.price, parts: o.parts, stale: o.stale },
      ...{ reversible: o.reversible, hazards: o.hazards },
    }));
    await house.db.models.OperationVersion.create({
      version: version + 2,
      operations: bare,
      note: '',
      savedBy: house.lead.personId,
      savedAt: new Date(),
    });
    expect((await loadOperations(house.db)).operations).toEqual(OPERATIONS);
    expect(await proposed()).toContain('bridge-plate');
  });
});

test('a catalogue kept before this release gets what is new in it, once, and keeps its own', async () => {
  const { version, operations } = await loadOperations(house.db);
  const kept = operations.filter((o) => !['neck-tighten', 'neck-hole', 'shield'].includes(o.id));
  const next = { version: version + 1, operations: kept, note: '', savedBy: house.lead.personId };
  await house.db.models.OperationVersion.create({ ...next, savedAt: new Date() });
  await neckScrews(house.db.sequelize);
  await neckScrews(house.db.sequelize);
  const now = await loadOperations(house.db);
  expect(now.version).toBe(version + 2);
  const ids = now.operations.map((o) => o.id);
  expect(ids).toEqual(expect.arrayContaining(['neck-tighten', 'neck-hole']));
  expect(ids).not.toContain('shield');
  expect(now.operations).toHaveLength(kept.length + 2);
});

describe('how the shop plans', () => {
  test('what is kept in House is what the next plan goes by, and a second hand hears of the first', async () => {
    const { number } = await highJob();
    const first = async () => (await see(number)).proposal.lines.concat((await see(number)).proposal.then);
    const cut = (lines: Awaited<ReturnType<typeof first>>) => JSON.stringify(lines);
    const before = cut(await first());
    const rules = {
      ...USUAL_PLAN_RULES,
      firstCutShare: 0.5,
      worth: { ...USUAL_PLAN_RULES.worth, total: 0.9 },
    };
    const save = (version: number) => house.give(house.lead, 'house.save-planning', { version, rules });
    const { version } = value(await save(0));
    expect(await save(0)).toMatchObject({ ok: false, error: { code: 'conflict' } });
    expect((await see(number)).plan.settings).toMatchObject({ firstCutShare: 0.5, worth: { total: 0.9 } });
    expect(cut(await first())).not.toBe(before);
    value(await house.give(house.lead, 'house.save-planning', { version, rules: USUAL_PLAN_RULES }));
    expect(cut(await first())).toBe(before);
    expect(await house.give(house.technician, 'house.save-planning', { version: 2, rules })).toMatchObject({
      ok: false,
      error: { code: 'not-allowed' },
    });
  });
});

describe('what was heard where the player played', () => {
  test('fits the hand of the plan, is taken back, and is not written over unseen', async () => {
    const { jobId, number } = await highJob();
    const hear = (held: number, heard: 'clear' | 'buzzes' | null, was: 'clear' | 'buzzes' | null = null) =>
      house.give(house.technician, 'plan.hear', { jobId, string: 6, held, heard, was });
    value(await hear(5, 'clear'));
    value(await hear(7, 'clear'));
    expect((await see(number)).plan.heard.map((h) => [h.string, h.held, h.heard])).toEqual([
      [6, 5, 'clear'],
      [6, 7, 'clear'],
    ]);
    expect((await see(number)).plan.heard.every((h) => (h.force ?? 0) > 0)).toBe(true);
    expect(await hear(5, 'buzzes')).toMatchObject({ ok: false, error: { code: 'conflict' } });
    value(await hear(5, null, 'clear'));
    expect((await see(number)).plan.heard).toHaveLength(1);
    expect(await hear(99, 'clear')).toMatchObject({ ok: false, error: { code: 'invalid' } });
    expect(await hear(25, 'clear')).toMatchObject({
      ok: false,
      error: { fields: { held: 'It is held at 0 to 19.' } },
    });
  });

  test('what the ear heard is kept with how much it was; said by hand it is not', async () => {
    const { jobId, number } = await highJob();
    const at = { jobId, string: 6, held: 5 } as const;
    value(
      await house.give(house.technician, 'plan.hear', { ...at, heard: 'clear', amount: 0.12, was: null }),
    );
    expect((await see(number)).plan.heard).toMatchObject([{ held: 5, heard: 'clear', amount: 0.12 }]);
    const louder = { ...at, heard: 'buzzes', amount: 0.83, was: 'clear' } as const;
    value(await house.give(house.technician, 'plan.hear', louder));
    expect((await see(number)).plan.heard).toMatchObject([{ held: 5, heard: 'buzzes', amount: 0.83 }]);
    for (const [heard, amount] of [
      ['clear', 0.83],
      ['buzzes', 0.2],
      [null, 0.2],
      ['buzzes', 1.4],
    ] as const)
      expect(
        await house.give(house.technician, 'plan.hear', { ...at, heard, amount, was: 'buzzes' }),
      ).toMatchObject({
        ok: false,
        error: { code: 'invalid', fields: { amount: expect.any(String) as string } },
      });
    value(await house.give(house.technician, 'plan.hear', { ...at, heard: 'clear', was: 'buzzes' }));
    expect((await see(number)).plan.heard[0]).not.toHaveProperty('amount');
  });

  test('what contradicts the readings says nothing of the hand, and is kept beside them', async () => {
    const { jobId, number } = await highJob(
      SET.map(([q, s, f, typed]) => [q, s, f, q === 'action' ? '0.1' : typed] as const),
    );
    const at = { jobId, string: 6, held: 5, heard: 'clear', was: null } as const;
    value(await house.give(house.technician, 'plan.hear', at));
    expect((await see(number)).plan.heard).toEqual([{ string: 6, held: 5, heard: 'clear', force: null }]);
  });

  test('without heights nothing is said of a hand', async () => {
    const instrument = { ...intake().instrument, serial: crypto.randomUUID() } as ReturnType<
      typeof intake
    >['instrument'];
    const { jobId } = value(await house.give(house.desk, 'desk.take-in', { ...intake(), instrument }));
    const input = { jobId, string: 6, held: 5, heard: 'clear', was: null } as const;
    expect(await house.give(house.technician, 'plan.hear', input)).toMatchObject({
      ok: false,
      error: { code: 'refused' },
    });
  });
});

describe('a kind of the shop’s own', () => {
  const pairs = (): Parameters<typeof house.give<'house.save-kind'>>[2]['construction'] => {
    const { strings, ...rest } = usualConstruction('twelve-string');
    return { ...rest, scale: 350, strings: strings.slice(4).map((s) => ({ ...s })) };
  };
  const kinds = async () => (await offeredKinds(house.db)).filter((k) => k.own);

  test('has any name, its own row of targets, and goes only while nothing is of it', async () => {
    const made = await Promise.all(
      ['八弦', '十弦'].map((name) =>
        house.give(house.lead, 'house.save-kind', { id: '', version: 0, name, construction: pairs() }),
      ),
    );
    const [eight, ten] = made.map((m) => value(m).id);
    expect(eight).not.toBe(ten);
    const { targets, version } = await loadTargets(house.db);
    const own = { ...KIND_TARGETS['twelve-string'], relief: { low: 0.02, aim: 0.05, high: 0.09 } };
    value(
      await house.give(house.lead, 'house.save-targets', {
        version,
        targets: { ...targets, kinds: { ...targets.kinds, [eight ?? '']: own } } as never,
        note: 'its own',
      }),
    );
    const { number } = value(
      await house.give(
        house.desk,
        'desk.take-in',
        intake('twelve-string', {
          instrument: {
            ...intake().instrument,
            kind: eight ?? '',
            construction: pairs(),
            serial: 'EIGHT',
          } as never,
        }),
      ),
    );
    const relief = (await see(number)).readings.stations.find((s) => s.quantity === 'relief');
    expect(relief?.target).toMatchObject({ low: 0.02, aim: 0.05, high: 0.09 });
    const [kind] = (await kinds()).filter((k) => k.id === eight);
    expect(
      await house.give(house.lead, 'house.delete-kind', { id: eight ?? '', version: kind?.version ?? 0 }),
    ).toMatchObject({ error: { code: 'refused' } });
    value(
      await house.give(house.lead, 'house.retire-kind', {
        id: eight ?? '',
        version: kind?.version ?? 0,
        retired: true,
      }),
    );
    expect((await kinds()).find((k) => k.id === eight)?.retired).toBe(true);
    // What is of it goes on.
    expect((await see(number)).instrument.kindName).toBe('八弦');
    value(await house.give(house.lead, 'house.delete-kind', { id: ten ?? '', version: 0 }));
    expect((await kinds()).map((k) => k.id)).toEqual([eight]);
  });
});

describe('the places of the shop', () => {
  const kept = async () => ({
    version: (await house.db.models.Setting.findByPk('places'))?.version ?? 0,
    places: (await placesWithJobs(house.db)).map(({ id, name, kind }) => ({
      id: id as number | null,
      name,
      kind,
    })),
  });
  const names = async () => (await placesWithJobs(house.db)).map((p) => p.name);

  test('are named anew, change names with each other, are added and taken out where nothing hangs', async () => {
    const { version, places } = await kept();
    const [a1, a2, a3, ...rest] = places;
    if (!a1 || !a2 || !a3) throw new Error('no places');
    const { jobId } = await highJob();
    await house.db.models.Job.update({ placeId: a3.id }, { where: { id: jobId } });
    const save = (to: typeof places, who = house.lead, at = version) =>
      house.give(who, 'house.save-places', { version: at, places: to });
    expect(await save(places, house.technician)).toMatchObject({ error: { code: 'not-allowed' } });
    expect(await save([a1, { ...a2, name: 'a1' }])).toMatchObject({ error: { code: 'invalid' } });
    expect(await save([a1, a2, ...rest])).toMatchObject({
      error: { fields: { places: expect.stringContaining('hang it elsewhere first') as string } },
    });
    const swapped = [
      { ...a1, name: a2.name },
      { ...a2, name: a1.name },
      a3,
      { id: null, name: 'Window', kind: 'rack' as const },
    ];
    value(await save(swapped));
    expect(await names()).toEqual([a2.name, a1.name, a3.name, 'Window']);
    expect(await save(swapped)).toMatchObject({ error: { code: 'conflict' } });
    const now = await kept();
    expect(await save([{ id: 99_999, name: 'gone', kind: 'rack' }], house.lead, now.version)).toMatchObject({
      ok: false,
    });
  });
});

test('the first day: steps are ticked and put away, by who leads', async () => {
  expect(await loadFirstDay(house.db)).toBeNull();
  value(
    await house.give(house.owner, 'house.first-day', { version: 0, done: ['shop', 'people'], closed: false }),
  );
  expect(await loadFirstDay(house.db)).toMatchObject({ done: ['shop', 'people'], closed: false, version: 1 });
  expect(
    await house.give(house.technician, 'house.first-day', { version: 1, done: [], closed: true }),
  ).toMatchObject({ error: { code: 'not-allowed' } });
});
