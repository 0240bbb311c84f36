/** What a door reads of a request: all of what it takes, and no more of what it does not. */
import fc from 'fast-check';
import { readBytes, readJson, tooLarge } from './read-body.ts';

/** A request whose body comes in pieces; tells how many of them were taken. */
function inPieces(pieces: readonly Uint8Array[], length?: number) {
  let taken = 0;
  const body = new ReadableStream<Uint8Array>(
    {
      pull: (c) => {
        const piece = pieces[taken];
        if (piece === undefined) return c.close();
        taken++;
        c.enqueue(piece);
      },
    },
    { highWaterMark: 0 },
  );
  const headers = length === undefined ? {} : { 'content-length': String(length) };
  const request = new Request('http://house/api', {
    method: 'POST',
    body,
    headers,
    duplex: 'half',
  } as RequestInit);
  return { request, taken: () => taken };
}

test('whatever fits is read to the byte, and whatever does not is not', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.uint8Array({ minLength: 1, maxLength: 40 }), { maxLength: 12 }),
      fc.nat(200),
      async (pieces, most) => {
        const all = pieces.flatMap((p) => [...p]);
        const read = await readBytes(inPieces(pieces).request, most);
        expect(read === null ? null : [...read]).toEqual(all.length <= most ? all : null);
      },
    ),
    { numRuns: 200 },
  );
});

test('a body that never ends is left as soon as it is too large', async () => {
  const endless = Array.from({ length: 100_000 }, () => new Uint8Array(1000));
  const { request, taken } = inPieces(endless);
  expect(await readBytes(request, 5000)).toBeNull();
  expect(taken()).toBeLessThanOrEqual(7);
});

test('one that says it is too large is not read at all', async () => {
  const { request, taken } = inPieces([new Uint8Array(10)], 6000);
  expect(await readJson(request, 5000)).toEqual({ tooLarge: true });
  expect(taken()).toBe(0);
});

test('JSON is read; what is none is null', async () => {
  const json = new TextEncoder().encode('{"mm":0.952}');
  expect(await readJson(inPieces([json.slice(0, 4), json.slice(4)]).request, 50)).toEqual({
    tooLarge: false,
    value: { mm: 0.952 },
  });
  expect(await readJson(inPieces([json.slice(2)]).request, 50)).toEqual({ tooLarge: false, value: null });
  expect(await readJson(new Request('http://house/api'), 50)).toEqual({ tooLarge: false, value: null });
});

test('the answer is 413 with words', async () => {
  expect(tooLarge().status).toBe(413);
  expect(await tooLarge('Too long.').json()).toMatchObject({ ok: false, error: { message: 'Too long.' } });
});
