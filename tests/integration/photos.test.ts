import sharp from 'sharp';
import { loadJob, type JobView } from '../../src/server/leaves/load-job.ts';
import { preparePhoto } from '../../src/server/photos/prepare-photo.ts';
import { UPLOADS_PATH, uploadServer } from '../../src/server/photos/upload-server.ts';
import type { Actor } from '../../src/server/use-case/use-case.ts';
import { bomb, picture, polyglots, SCRIPTED_SVG, withPlaceOnEarth } from './hostile-files.ts';
import { intake, staffedHouse, value, unsaid } from './house.ts';

type House = Awaited<ReturnType<typeof staffedHouse>>;

let house: House;
let number: number;
let jobId: number;
beforeAll(async () => {
  house = await staffedHouse('photos');
  ({ number, jobId } = value(await house.give(house.desk, 'desk.take-in', intake())));
});
afterAll(() => house.db.sequelize.close());

const look = async (): Promise<JobView> => {
  const found = await loadJob(house.db, number);
  if (!found) throw new Error(`no job ${number}`);
  return found;
};

describe('a file becomes a photo', () => {
  test('12 megapixels with a place on earth come out upright and without it', async () => {
    const bytes = await withPlaceOnEarth();
    const before = await sharp(bytes).metadata();
    expect([before.exif !== undefined, before.orientation]).toEqual([true, 6]);
    expect(bytes.includes('MADE-UP-CAMERA')).toBe(true);
    const made = await preparePhoto(bytes, 'IMG_1.JPG');
    if (!made.ok) throw new Error(made.error);
    expect([made.value.width, made.value.height]).toEqual([3000, 4000]);
    for (const file of [made.value.whole, made.value.small]) {
      const { exif, icc, iptc, xmp, orientation, format } = await sharp(file).metadata();
      expect({ exif, icc, iptc, xmp, orientation, format }).toEqual({ format: 'jpeg' });
      expect(file.includes('MADE-UP-CAMERA')).toBe(false);
    }
    expect((await sharp(made.value.small).metadata()).height).toBe(320);
  });

  test.each([
    ['jpeg', 'a.jpeg'],
    ['png', 'a.PNG'],
    ['webp', 'a.webp'],
    ['png', 'no ending at all'],
  ] as const)('a %s called %s is taken', async (kind, name) => {
    expect(await preparePhoto(await picture(50, 30, kind), name)).toMatchObject({
      ok: true,
      value: { width: 50, height: 30 },
    });
  });

  test('a very large one is made smaller, a small one not larger', async () => {
    expect(await preparePhoto(await picture(6000, 3000), 'a.jpg')).toMatchObject({
      value: { width: 4096, height: 2048 },
    });
  });

  test.each([
    ['a drawing with a script', 'x.svg', async () => SCRIPTED_SVG, /no photo/],
    ['a drawing that calls itself a photo', 'x.jpg', async () => SCRIPTED_SVG, /no photo/],
    ['a text', 'x.jpg', async () => Buffer.from('hello'), /no photo/],
    ['nothing', 'x.jpg', async () => Buffer.alloc(0), /no photo/],
    ['a sound that begins like WebP', 'x.webp', async () => Buffer.from('RIFF\0\0\0\0WAVE'), /no photo/],
    ['200 megapixels in a few kilobytes', 'x.png', async () => bomb(), /200 megapixels; 60 are the most/],
    ['a JPEG called .png', 'x.png', () => picture(9, 9), /calls itself \.png but is a JPEG/],
    ['a PNG called .exe', 'x.exe', () => picture(9, 9, 'png'), /calls itself \.exe but is a PNG/],
    ['half a picture', 'x.jpg', async () => (await picture(900, 900)).subarray(0, 1500), /damaged/],
    [
      'a beginning and nonsense',
      'x.jpg',
      async () => Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3, 4, 5]),
      /damaged/,
    ],
  ] as const)('%s is refused with the reason', async (_, name, make, reason) => {
    const made = await preparePhoto(await make(), name);
    expect(made.ok ? 'taken' : made.error).toMatch(reason);
  });

  test('a picture that is something else at once is refused, whichever way', async () => {
    for (const [what, bytes] of Object.entries(await polyglots())) {
      const made = await preparePhoto(bytes, 'x.jpg');
      expect([what, made.ok ? 'taken' : made.error]).toEqual([
        what,
        'This file is a picture and something else at once; it is not taken.',
      ]);
    }
  });
});

describe('an upload', () => {
  const TUS = { 'Tus-Resumable': '1.0.0' };
  const base64 = (text: string): string => Buffer.from(text).toString('base64');
  const ask = (
    actor: Actor,
    method: string,
    path: string,
    headers: Record<string, string>,
    body?: BodyInit,
  ) =>
    uploadServer(house.db, actor).handleWeb(
      new Request(`http://house.test${path}`, {
        method,
        headers: { ...TUS, ...headers },
        ...(body && { body, duplex: 'half' }),
      } as RequestInit),
    );
  const begin = (size: number, facts: Record<string, string>, actor: Actor = house.technician) =>
    ask(actor, 'POST', UPLOADS_PATH, {
      'Upload-Length': String(size),
      'Upload-Metadata': Object.entries(facts)
        .map(([k, v]) => `${k} ${base64(v)}`)
        .join(','),
    });
  const send = (path: string, offset: number, body: BodyInit, actor: Actor = house.technician) =>
    ask(
      actor,
      'PATCH',
      path,
      { 'Upload-Offset': String(offset), 'Content-Type': 'application/offset+octet-stream' },
      body,
    );
  const howFar = async (path: string, actor: Actor = house.technician) => {
    const answer = await ask(actor, 'HEAD', path, {});
    return answer.status === 200 ? Number(answer.headers.get('Upload-Offset')) : answer.status;
  };
  const facts = (more: Record<string, string> = {}) => ({ filename: 'x.jpg', job: String(jobId), ...more });
  const place = async (answer: Response): Promise<string> =>
    answer.headers.get('Location') ?? `none: ${answer.status}`;

  test('goes on after a broken connection, and becomes one photo however often it is asked', async () => {
    const bytes = new Uint8Array(await picture(1400, 1000, 'png'));
    const path = await place(await begin(bytes.length, { ...facts({ item: 'damage' }), filename: 'x.png' }));
    const half = Math.floor(bytes.length / 2);
    expect((await send(path, 0, bytes.slice(0, half))).status).toBe(204);
    expect(await howFar(path)).toBe(half);
    expect((await send(path, half + 7, bytes.slice(half + 7))).status).toBe(409);
    expect((await send(path, half, bytes.slice(half))).status).toBe(204);
    expect(await howFar(path)).toBe(bytes.length);
    expect(await howFar(path)).toBe(bytes.length);
    const { photos } = await look();
    expect(photos.filter((p) => p.item === 'damage')).toMatchObject([
      { width: 1400, height: 1000, by: 'The technician' },
    ]);
    expect(await house.db.models.UploadPiece.count()).toBe(0);
    expect(await house.db.models.EventRow.count({ where: { jobId, kind: 'photo added' } })).toBe(1);
  });

  test('a connection that breaks in the middle of a piece keeps what had come', async () => {
    const bytes = new Uint8Array(
      await sharp(await withPlaceOnEarth())
        .resize(2000)
        .png()
        .toBuffer(),
    );
    const path = await place(await begin(bytes.length, { ...facts(), filename: 'x.png' }));
    const id = path.split('/').at(-1) ?? '';
    const arrived = async (): Promise<boolean> =>
      ((await house.db.models.UploadRow.findByPk(id))?.received ?? 0) > 0;
    const broken = new ReadableStream<Uint8Array>({
      start(c) {
        c.enqueue(bytes.slice(0, 700_000));
      },
      async pull(c) {
        while (!(await arrived())) await new Promise((r) => setTimeout(r, 20));
        c.error(Object.assign(new Error('gone'), { name: 'AbortError' }));
      },
    });
    await send(path, 0, broken).catch(() => undefined);
    const at = await howFar(path);
    expect(at).toBe(700_000);
    expect((await send(path, at, bytes.slice(at))).status).toBe(204);
    expect((await look()).photos.at(-1)).toMatchObject({ width: 2000, item: null, markId: null });
  });

  test('a house that was killed before it made the photo makes it when it is asked how far it came', async () => {
    const bytes = await picture(80, 60);
    const path = await place(await begin(bytes.length, facts()));
    const id = path.split('/').at(-1) ?? '';
    await house.db.models.UploadPiece.create({ uploadId: id, atByte: 0, bytes });
    await house.db.models.UploadRow.update({ received: bytes.length }, { where: { id } });
    const before = (await look()).photos.length;
    expect(await howFar(path)).toBe(bytes.length);
    expect((await look()).photos).toHaveLength(before + 1);
  });

  test('a hostile file is refused in words when it is whole, and forgotten', async () => {
    const path = await place(await begin(SCRIPTED_SVG.length, facts()));
    const answer = await send(path, 0, new Uint8Array(SCRIPTED_SVG));
    expect([answer.status, await answer.text()]).toEqual([422, expect.stringMatching(/no photo/)]);
    expect(await howFar(path)).toBe(404);
  });

  test.each([
    ['no job', () => ({ filename: 'x.jpg' }), 409],
    ['a job that is not there', () => facts({ job: '99999' }), 409],
    ['a mark of another job', () => facts({ mark: '99999' }), 409],
    ['an item that is no name', () => facts({ item: '../../etc' }), 409],
  ])('with %s is refused', async (_, said, status) => {
    expect((await begin(10, said())).status).toBe(status);
  });

  test('too large a file is refused before anything is sent', async () => {
    expect((await begin(31 * 1024 * 1024, facts())).status).toBe(413);
  });

  test('is nobody else’s business', async () => {
    const path = await place(await begin(10, facts()));
    expect(await howFar(path)).toBe(0);
    expect(await howFar(path, house.desk)).toBe(404);
    expect((await send(path, 0, new Uint8Array(10), house.desk)).status).toBe(404);
    expect(await howFar(`${UPLOADS_PATH}/not-an-upload`)).toBe(404);
  });
});

describe('marks and bags', () => {
  test('a mark keeps its place and words; two who change it see each other’s', async () => {
    const { markId } = value(
      await house.give(house.desk, 'custody.mark', { jobId, view: 'front', x: 0.83, y: 0.79, words: 'chip' }),
    );
    expect((await look()).marks).toMatchObject([
      { id: markId, number: 1, view: 'front', x: 0.83, y: 0.79, words: 'chip', by: 'The desk' },
    ]);
    const change = (actor: Actor, words: string, version = 0) =>
      house.give(actor, 'custody.change-mark', { markId, version, words, removed: false });
    value(await change(house.technician, 'chip, 4 mm'));
    expect(await change(house.desk, 'scratch')).toMatchObject({
      ok: false,
      error: { code: 'conflict', theirs: { by: 'The technician', says: 'chip, 4 mm', version: 1 } },
    });
  });

  test('the receipt shows the marks, and one more asks for it to be seen again', async () => {
    value(await house.give(house.desk, 'desk.receipt', { jobId, name: 'Petra', initials: null }));
    expect((await look()).receipt).toMatchObject({
      seen: { marks: ['Front: chip, 4 mm'] },
      given: { since: [] },
    });
    value(await house.give(house.desk, 'custody.mark', { jobId, view: 'head', x: 0.2, y: 0.1, words: '' }));
    expect((await look()).receipt).toMatchObject({
      seen: { marks: ['Front: chip, 4 mm', 'Headstock: marked'] },
      given: { since: [expect.any(String) as string] },
    });
  });

  test('a mark taken away is gone from the drawing, its history stays', async () => {
    const mark = (await look()).marks[1];
    value(
      await house.give(house.desk, 'custody.change-mark', {
        markId: mark?.id ?? 0,
        version: 0,
        words: '',
        removed: true,
      }),
    );
    expect((await look()).marks.map((m) => m.number)).toEqual([1]);
    const events = await house.db.models.EventRow.findAll({
      where: { jobId, entity: 'mark' },
      order: [['id', 'ASC']],
    });
    expect(events.map((e) => e.kind)).toEqual([
      'damage marked',
      'damage mark changed',
      'damage marked',
      'damage mark taken away',
    ]);
  });

  test('a photo taken away is shown no more, and asked twice it is no trouble', async () => {
    const photo = (await look()).photos[0];
    const remove = () => house.give(house.desk, 'custody.remove-photo', { photoId: photo?.id ?? 0 });
    value(await remove());
    value(await remove());
    expect((await look()).photos.map((p) => p.id)).not.toContain(photo?.id);
  });

  test('bags are numbered, are not on the receipt, and have to go back', async () => {
    const bag = (name: string) => house.give(house.technician, 'custody.bag', { jobId, name, state: '' });
    expect([value(await bag('old nut')).bag, value(await bag('old saddle')).bag]).toEqual([1, 2]);
    const job = await look();
    expect(job.receipt.seen.things).toEqual([{ name: 'hard case', state: '' }]);
    const refused = await house.give(house.desk, 'hand-over.sign', {
      jobId,
      version: job.handOver.version,
      signer: 'Petra',
      signature: null,
    });
    expect(refused.ok ? '' : refused.error.message).toContain('old saddle (bag 2) is not given back');
  });

  test('the desk may mark, but the bench alone bags', async () => {
    expect(await house.give(house.desk, 'custody.bag', { jobId, name: 'nut', state: '' })).toMatchObject({
      ok: false,
      error: { code: 'not-allowed' },
    });
  });
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
