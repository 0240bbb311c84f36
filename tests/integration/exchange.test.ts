import fc from 'fast-check';
import { strFromU8, unzipSync, zipSync } from 'fflate';
import type { Database } from '../../src/server/db/connection.ts';
import { exportJob } from '../../src/server/exchange/export-job.ts';
import { importJob } from '../../src/server/exchange/import-job.ts';
import { sha256Hex, type JobFile } from '../../src/server/exchange/parts.ts';
import { loadJob, type JobView } from '../../src/server/leaves/load-job.ts';
import { demoHouse, staffedHouse } from './house.ts';
import { polyglots } from './hostile-files.ts';

const utf8 = (text: string): Uint8Array => new Uint8Array(Buffer.from(text, 'utf8'));
const NUMBERS = [401, 409, 412, 415];

/** What went out of the first house. One process speaks with one house at a time, so the second opens after it. */
const gone = new Map<number, Buffer>();
let sealed: JobView | null;
let marked: JobView | null;
let nothing: Buffer | null;
let two: Awaited<ReturnType<typeof staffedHouse>>;
beforeAll(async () => {
  const one = await demoHouse('exchange_one');
  for (const n of NUMBERS) gone.set(n, await out(one, n));
  [sealed, marked, nothing] = [
    await loadJob(one, 401),
    await loadJob(one, 412),
    await exportJob(one, 99_999),
  ];
  await one.sequelize.close();
  two = await staffedHouse('exchange_two');
});
afterAll(() => two.db.sequelize.close());

const out = async (db: Database, number: number): Promise<Buffer> => {
  const zip = await exportJob(db, number);
  if (!zip) throw new Error(`no job ${number}`);
  return zip;
};
const sent = (number: number): Buffer => gone.get(number) ?? Buffer.alloc(0);
const bring = (zip: Uint8Array) => importJob(two.db, two.lead, zip, new Date());
const filesOf = (zip: Uint8Array) => unzipSync(zip);
const jobOf = (zip: Uint8Array) =>
  JSON.parse(strFromU8(filesOf(zip)['job.json'] ?? new Uint8Array())) as JobFile;

/** The zip with other files, its manifest made anew: damage the manifest does not show. */
function zipped(files: Record<string, Uint8Array>): Uint8Array {
  const { 'manifest.json': _m, ...rest } = files;
  const manifest = Object.fromEntries(Object.entries(rest).map(([n, b]) => [n, sha256Hex(b)]));
  return zipSync({ ...rest, 'manifest.json': utf8(JSON.stringify(manifest)) });
}
const withJob = (zip: Uint8Array, change: (job: JobFile) => unknown): Uint8Array =>
  zipped({ ...filesOf(zip), 'job.json': utf8(JSON.stringify(change(structuredClone(jobOf(zip))))) });

/** How many rows the house has, table by table. */
async function counts(): Promise<string> {
  const models = Object.entries(two.db.models) as unknown as [string, { count: () => Promise<number> }][];
  return JSON.stringify(await Promise.all(models.map(async ([name, m]) => [name, await m.count()])));
}

describe('a job from one house to another', () => {
  test('with nothing there is no file', () => {
    expect(nothing).toBeNull();
  });

  test.each([
    ['signed and sealed, with history', 401],
    ['with damage marked and photographed', 412],
    ['with work begun, clocks and bagged parts', 409],
    ['hardly begun, a string missing', 415],
  ])('%s: what goes out, comes in and goes out again is the same to the byte', async (_, number) => {
    const zip = sent(number);
    expect(await bring(zip)).toEqual({ ok: true, value: number });
    expect(Buffer.compare(await out(two.db, number), zip)).toBe(0);
  });

  test('the seal holds there too, and the leaves show the same', async () => {
    const [here, there] = [sealed, await loadJob(two.db, 401)];
    expect(there?.seal).toEqual(here?.seal);
    expect(there?.seal.kind).toBe('whole');
    expect(there?.inspection.items.map((i) => [i.key, i.answer, i.by])).toEqual(
      here?.inspection.items.map((i) => [i.key, i.answer, i.by]),
    );
    expect(there?.readings.readings).toEqual(here?.readings.readings);
    expect((await loadJob(two.db, 412))?.marks.map((m) => m.words)).toEqual(
      marked?.marks.map((m) => m.words),
    );
  });

  test('whom the house does not know cannot sign in by being brought along', async () => {
    const ilse = await two.db.models.Person.findOne({ where: { name: 'Ilse Marrow' } });
    expect([ilse?.active, ilse?.pinHash]).toEqual([false, '!']);
  });

  test('the same signed job again gets a number of its own; an open one is refused while it is here', async () => {
    const again = await bring(sent(401));
    expect(again).toMatchObject({ ok: true });
    expect(again.ok && again.value).not.toBe(401);
    expect(await bring(sent(412))).toEqual({
      ok: false,
      error: 'job.json: that instrument is in this house already, as an open job. Nothing was changed.',
    });
    const customers = await two.db.models.Customer.count({
      where: { name: jobOf(sent(401)).customer['name'] as string },
    });
    expect(customers).toBe(1);
  });
});

test('a file written before a column came is read: the column’s default stands in', async () => {
  const old = withJob(sent(401), (j) => ({
    ...j,
    parts: {
      ...j.parts,
      rounds: (j.parts['rounds'] ?? []).map(({ title: _t, methods: _m, pitch: _p, ...round }) => round),
      targets: (j.parts['targets'] ?? []).map(({ stringNo: _s, layer: _l, ...target }) => target),
    },
  }));
  const done = await bring(old);
  expect(done).toMatchObject({ ok: true });
  const there = done.ok ? await loadJob(two.db, done.value) : null;
  expect(there?.readings.rounds.filter((r) => r.begun).map((r) => r.name)).toEqual(['As found', 'As left']);
});

test('a file of before there were payments brings its one amount as a payment, and its seal holds', async () => {
  const old = withJob(sent(401), (j) => ({
    ...j,
    parts: {
      ...Object.fromEntries(Object.entries(j.parts).filter(([name]) => name !== 'payments')),
      handOvers: (j.parts['handOvers'] ?? []).map(
        ({ ending: _e, endingNote: _n, endedAt: _a, endedBy: _b, ...sheet }) => ({
          ...sheet,
          paidMinor: 4680,
          paidHow: 'card',
          paidAt: '2026-11-02T10:00:00.000Z',
        }),
      ),
    },
  }));
  const done = await bring(old);
  expect(done).toMatchObject({ ok: true });
  const there = done.ok ? await loadJob(two.db, done.value) : null;
  expect(there?.handOver.payments).toMatchObject({ paid: 4680, all: [{ kind: 'payment', how: 'card' }] });
  expect(there?.seal.kind).toBe('whole');
});

describe('what is damaged changes nothing', () => {
  const refused = async (zip: Uint8Array): Promise<string> => {
    const before = await counts();
    const done = await bring(zip);
    expect(await counts()).toBe(before);
    return done.ok ? 'taken' : done.error;
  };

  test.each<readonly [string, (zip: Uint8Array) => Uint8Array | Promise<Uint8Array>, RegExp]>([
    ['nothing', () => new Uint8Array(), /no zip file/],
    ['half of it', (z) => z.subarray(0, z.length / 2), /no zip file, or it is damaged/],
    [
      'a file changed',
      (z) => zipSync({ ...filesOf(z), 'job.json': utf8('{}') }),
      /job\.json is not what it was/,
    ],
    [
      'a photo gone',
      (z) => {
        const { 'photos/1.jpg': _p, ...rest } = filesOf(z);
        return zipSync(rest);
      },
      /photos\/1\.jpg is missing/,
    ],
    [
      'no manifest',
      (z) => {
        const { 'manifest.json': _p, ...rest } = filesOf(z);
        return zipSync(rest);
      },
      /no manifest/,
    ],
    [
      'a file that climbs out',
      (z) => zipSync({ ...filesOf(z), '../../etc/x': utf8('x') }),
      /does not belong: \.\.\/\.\./,
    ],
    ['a page', (z) => zipSync({ ...filesOf(z), 'x.html': utf8('x') }), /does not belong: x\.html/],
    ['a photo too many', (z) => zipped({ ...filesOf(z), 'photos/9.jpg': utf8('x') }), /does not speak of/],
    ['no JSON', (z) => zipped({ ...filesOf(z), 'job.json': utf8('{') }), /job\.json, the whole/],
    ['a field nobody knows', (z) => withJob(z, (j) => ({ ...j, script: 1 })), /job\.json.*script/i],
    ['another version', (z) => withJob(z, (j) => ({ ...j, version: 2 })), /job\.json, version/],
    [
      'a touch nobody has',
      (z) => withJob(z, (j) => ({ ...j, job: { ...j.job, touch: 'brutal' } })),
      /job\.json, job\.touch/,
    ],
    [
      'no name',
      (z) => withJob(z, (j) => ({ ...j, customer: { ...j.customer, name: null } })),
      /not possible here/,
    ],
    [
      'a scale of a mile',
      (z) =>
        withJob(z, (j) => ({
          ...j,
          instrument: {
            ...j.instrument,
            construction: { ...(j.instrument['construction'] as object), scale: 1e6 },
          },
        })),
      /construction is not possible \(scale\)/,
    ],
    [
      'a mark that is not there',
      (z) =>
        withJob(z, (j) => ({
          ...j,
          parts: { ...j.parts, photos: (j.parts['photos'] ?? []).map((p) => ({ ...p, markId: 77 })) },
        })),
      /marks has no 77/,
    ],
    [
      'nobody who took it in',
      (z) => withJob(z, (j) => ({ ...j, job: { ...j.job, takenInBy: 'Nobody' } })),
      /nobody took it in/,
    ],
    [
      'somebody twice',
      (z) => withJob(z, (j) => ({ ...j, people: [...j.people, ...j.people] })),
      /a name is there twice/,
    ],
    [
      'an inspection without its list',
      (z) => withJob(z, (j) => ({ ...j, checklist: null })),
      /the inspection has none/,
    ],
    [
      'another photo',
      async (z) =>
        zipped({ ...filesOf(z), 'photos/1.jpg': new Uint8Array(Object.values(await polyglots())[0] ?? []) }),
      /not the photo the job speaks of/,
    ],
  ])('%s', async (_, damage, says) => {
    const zip = sent(412);
    await two.db.models.Job.update({ state: 'closed', closedAt: new Date() }, { where: { number: 412 } });
    expect(await refused(await damage(zip))).toMatch(says);
  });

  test('a hostile photo with a digest of its own is none', async () => {
    const zip = sent(412);
    for (const [what, bytes] of Object.entries(await polyglots())) {
      const digest = sha256Hex(bytes);
      const changed = withJob(zip, (j) => ({
        ...j,
        parts: { ...j.parts, photos: (j.parts['photos'] ?? []).map((p) => ({ ...p, digest })) },
      }));
      expect([
        what,
        await refused(zipped({ ...filesOf(changed), 'photos/1.jpg': new Uint8Array(bytes) })),
      ]).toEqual([what, 'photos/1.jpg: it is no photo. Nothing was changed.']);
    }
  });

  test('broken at any byte, it is refused or the same, and nothing is left half', async () => {
    const zip = new Uint8Array(sent(415));
    await two.db.models.Job.update({ state: 'closed', closedAt: new Date() }, { where: { number: 415 } });
    const before = await counts();
    await fc.assert(
      fc.asyncProperty(fc.nat(zip.length - 1), fc.integer({ min: 1, max: 255 }), async (at, by) => {
        const broken = zip.slice();
        broken[at] = ((broken[at] ?? 0) + by) % 256;
        const done = await bring(broken);
        if (!done.ok) expect(done.error).toMatch(/Nothing was changed\.$/);
        else expect(await loadJob(two.db, done.value)).not.toBeNull();
        return true;
      }),
      { numRuns: 60 },
    );
    const after = JSON.parse(await counts()) as [string, number][];
    const then = new Map(JSON.parse(before) as [string, number][]);
    const jobs = (after.find(([n]) => n === 'Job')?.[1] ?? 0) - (then.get('Job') ?? 0);
    // Bytes nobody reads (times, attributes) may be broken without harm: then the whole job came in, else nothing did.
    const rounds = (after.find(([n]) => n === 'Round')?.[1] ?? 0) - (then.get('Round') ?? 0);
    expect(rounds).toBe(jobs);
  });
});
