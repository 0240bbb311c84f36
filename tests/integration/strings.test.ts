import { QUANTITY_FACTS } from '../../src/core/readings/quantities.ts';
import { loadJob, type JobView } from '../../src/server/leaves/load-job.ts';
import { intake, staffedHouse, value, unsaid } from './house.ts';

type House = Awaited<ReturnType<typeof staffedHouse>>;

let house: House;
let job: JobView;
beforeAll(async () => {
  house = await staffedHouse('strings');
  const { number } = value(await house.give(house.desk, 'desk.take-in', intake('steel-acoustic', {})));
  job = await look(number);
});
afterAll(() => house.db.sequelize.close());

const look = async (number = job.number): Promise<JobView> => {
  const found = await loadJob(house.db, number);
  if (!found) throw new Error(`no job ${number}`);
  return found;
};

const read = async (key: string, round: 'as-found' | 'after-work', typed: string) => {
  const now = await look();
  const s = now.readings.stations.find((x) => x.key === key);
  if (!s) throw new Error(key);
  const { quantity, string, fret } = s;
  const version = now.readings.readings.find((r) => r.round === round && r.key === key)?.version ?? 0;
  const unit = QUANTITY_FACTS[quantity].unit;
  return house.give(house.technician, 'readings.save', {
    jobId: job.id,
    round,
    quantity,
    string,
    fret,
    typed,
    unit,
    version,
  });
};

describe('taking the strings off', () => {
  test('is refused without a reason while something can be read only with them on', async () => {
    const refused = await house.give(house.technician, 'strings.off', { jobId: job.id, reason: '' });
    expect(refused).toMatchObject({
      ok: false,
      error: { code: 'invalid', fields: { reason: expect.stringMatching(/^\d+ things/) as string } },
    });
    expect((await look()).stringsState).toBe('at-pitch');
  });

  test('is not for the desk', async () => {
    expect(await house.give(house.desk, 'strings.off', { jobId: job.id, reason: 'x' })).toMatchObject({
      ok: false,
      error: { code: 'not-allowed' },
    });
  });

  test('with a reason it is done, and who, why and what was lost is kept', async () => {
    value(await read('relief:0:7', 'as-found', '.014'));
    value(await read('action:6:12', 'as-found', '7/64'));
    const done = value(
      await house.give(house.technician, 'strings.off', { jobId: job.id, reason: 'a string broke' }),
    );
    expect(done.lost).toBeGreaterThan(10);
    const now = await look();
    expect(now.stringsState).toBe('off');
    expect(now.strings).toEqual([
      expect.objectContaining({ kind: 'off', reason: 'a string broke', by: 'The technician', fresh: null }),
    ]);
    const lost = now.strings[0]?.lost;
    expect(lost?.readings).toContain('Action 12, string 1');
    expect(lost?.readings).not.toContain('Action 12, string 6');
    expect(lost?.items).toContain('Open strings ring clear');
  });

  test('twice is refused, and the plan made from what was read stays', async () => {
    expect(
      await house.give(house.technician, 'strings.off', { jobId: job.id, reason: 'again' }),
    ).toMatchObject({
      ok: false,
      error: { code: 'refused', message: 'The strings are off already.' },
    });
    expect((await look()).proposal.lines.map((l) => l.operation)).toContain('rod');
  });

  test('what is read now is kept and not used; the saddle needs no strings', async () => {
    expect(value(await read('action:1:12', 'as-found', '5/64')).notRepresentative).toBe(
      'taken with the strings off',
    );
    expect(value(await read('saddle-standout:0:0', 'as-found', '4 mm')).notRepresentative).toBeNull();
  });
});

describe('putting strings on', () => {
  const strings = () => job.instrument.construction.strings.map((s) => ({ ...s, gauge: s.gauge * 0.9 }));

  test('needs one gauge for each string', async () => {
    const short = await house.give(house.technician, 'strings.on', {
      jobId: job.id,
      setName: '',
      fresh: true,
      strings: strings().slice(1),
    });
    expect(short).toMatchObject({
      ok: false,
      error: { fields: { strings: '6 gauges are needed; 5 are written.' } },
    });
  });

  test('changes the instrument’s gauges, and what strings move is to be read again', async () => {
    value(
      await house.give(house.technician, 'strings.on', {
        jobId: job.id,
        setName: 'acoustic, extra light',
        fresh: true,
        strings: strings(),
      }),
    );
    const now = await look();
    expect(now.stringsState).toBe('at-pitch');
    expect(now.instrument.construction.strings[0]?.gauge).toBeCloseTo(strings()[0]?.gauge ?? 0, 9);
    expect(now.strings.at(-1)).toMatchObject({ kind: 'on', fresh: true, setName: 'acoustic, extra light' });
    const relief = now.readings.readings.find((r) => r.key === 'relief:0:7');
    expect(relief?.stale).toBe('New strings put on');
    expect(now.proposal.stale).toContain('relief:0:7');
  });

  test('opens a new context: the round after the work is representative, the one before stays as it was', async () => {
    expect(value(await read('relief:0:7', 'after-work', '.010')).notRepresentative).toBeNull();
    expect(value(await read('action:1:12', 'as-found', '5/64')).notRepresentative).toBe(
      'taken with the strings off',
    );
    const now = await look();
    expect(now.readings.rounds.filter((r) => r.begun).map((r) => [r.kind, r.strings])).toEqual([
      ['as-found', 'off'],
      ['after-work', 'at-pitch'],
    ]);
    expect(now.proposal.stale).not.toContain('relief:0:7');
  });

  test('each change wrote its event', async () => {
    const kinds = await house.db.models.EventRow.findAll({
      where: { jobId: job.id },
      order: [['id', 'ASC']],
    });
    expect(kinds.map((e) => e.kind).filter((k) => k.startsWith('strings'))).toEqual([
      'strings taken off',
      'strings put on',
    ]);
  });
});

test('an instrument that comes without strings: nothing is lost, and it is strung up first', async () => {
  const bare = value(
    await house.give(house.desk, 'desk.take-in', intake('steel-acoustic', { stringsState: 'off' })),
  );
  const now = await look(bare.number);
  expect(now.stringsState).toBe('off');
  expect(now.proposal.lines[0]?.title).toMatch(/String it up first/);
  const on = await house.give(house.technician, 'strings.on', {
    jobId: now.id,
    setName: '',
    fresh: true,
    strings: [...now.instrument.construction.strings],
  });
  expect(on.ok).toBe(true);
});

describe('the step that strings it is one act with it', () => {
  const order = async (operation: 'restring' | 'saddle-lower', stringsState: 'off' | 'at-pitch') => {
    const { number, jobId } = value(
      await house.give(
        house.desk,
        'desk.take-in',
        intake('steel-acoustic', {
          stringsState,
          instrument: { ...intake().instrument, serial: `S-${operation}-${stringsState}` } as never,
        }),
      ),
    );
    value(await house.give(house.technician, 'plan.add', { jobId, operation, detail: '' }));
    const [asked] = (await look(number)).lines;
    value(
      await house.give(house.desk, 'work.answer', {
        lineId: asked?.id ?? 0,
        version: asked?.version ?? 0,
        answer: 'yes',
        by: 'Petra',
        how: 'at the counter',
      }),
    );
    const line = async () => (await look(number)).lines[0] ?? Promise.reject(new Error('no line'));
    const put = async (finishes: { lineId: number; version: number } | undefined, more = {}) =>
      house.give(house.technician, 'strings.on', {
        jobId,
        setName: '',
        fresh: true,
        strings: [...(await look(number)).instrument.construction.strings],
        ...(finishes && { finishes }),
        ...more,
      });
    return { number, jobId, line, put };
  };

  test('it cannot be finished while they are off by the record; saying which went on finishes it', async () => {
    const { number, line, put } = await order('restring', 'off');
    const { id, version, saysStrings } = await line();
    expect(saysStrings).toBe(true);
    const begun = { lineId: id, version, action: 'start' as const };
    value(await house.give(house.technician, 'work.step', begun));
    const finish = { lineId: id, version: version + 1, action: 'finish' as const };
    expect(await house.give(house.technician, 'work.step', finish)).toMatchObject({
      ok: false,
      error: { message: 'The strings are off by the record: say which went on, that finishes it.' },
    });
    const ones = { newOnes: [6, 5, 4, 3, 2], broke: [1], brokeNote: 'at the post' };
    value(await put({ lineId: id, version: version + 1 }, ones));
    expect(await line()).toMatchObject({ step: 'finished', saysStrings: false });
    const now = await look(number);
    expect(now.stringsState).toBe('at-pitch');
    expect(now.strings.at(-1)).toMatchObject({
      newOnes: [6, 5, 4, 3, 2],
      broke: [1],
      brokeNote: 'at the post',
    });
  });

  test('not begun, it is begun and finished in the same act; a step of an older version changes nothing', async () => {
    const { number, line, put } = await order('restring', 'at-pitch');
    const { id, version } = await line();
    expect((await put({ lineId: id, version: version + 7 })).ok).toBe(false);
    expect((await look(number)).strings).toEqual([]);
    expect((await put({ lineId: id, version }, { newOnes: [9] })).ok).toBe(false);
    value(await put({ lineId: id, version }));
    expect(await line()).toMatchObject({ step: 'finished' });
  });

  test('a cut after which strings go on again is no stringing, and one replaced later is said by itself', async () => {
    const { number, line, put } = await order('saddle-lower', 'at-pitch');
    const { id, version, saysStrings } = await line();
    expect(saysStrings).toBe(false);
    expect((await put({ lineId: id, version })).ok).toBe(false);
    value(await put(undefined, { newOnes: [3], broke: [3], brokeNote: '' }));
    expect((await look(number)).strings.at(-1)).toMatchObject({ newOnes: [3], broke: [3] });
  });
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
