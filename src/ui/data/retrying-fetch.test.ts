import { retrying } from './retrying-fetch.ts';

const answering = (...turns: readonly (string | Error)[]) => {
  const asked: string[] = [];
  const left = [...turns];
  const plain = ((input: string) => {
    asked.push(input);
    const turn = left.shift() ?? 'no more';
    return typeof turn === 'string'
      ? Promise.resolve(new Response(turn, { status: 203 }))
      : Promise.reject(turn);
  }) as typeof fetch;
  return { asked, plain };
};
const gone = new TypeError('Failed to fetch');
const page = { headers: { RSC: '1' } };

test('a view of the page is asked for again until it comes', async () => {
  const { asked, plain } = answering(gone, 'the page');
  const answer = await retrying(plain)('/rack', page);
  expect([asked.length, answer.status, await answer.text()]).toEqual([2, 203, 'the page']);
});

test('anything else fails as it always did', async () => {
  const { asked, plain } = answering(gone, 'late');
  await expect(retrying(plain)('/api/command', { method: 'POST' })).rejects.toBe(gone);
  expect(asked).toHaveLength(1);
});

test('whoever does not want it any more is not kept waiting', async () => {
  const { plain } = answering(gone, 'late');
  const stop = new AbortController();
  stop.abort();
  await expect(retrying(plain)('/rack', { ...page, signal: stop.signal })).rejects.toBe(gone);
});

test('an answer that breaks off in the middle is asked for again', async () => {
  const broken = new ReadableStream({
    start: (c) => {
      c.enqueue(new TextEncoder().encode('half'));
      c.error(gone);
    },
  });
  let turn = 0;
  const plain = (() => Promise.resolve(new Response(turn++ === 0 ? broken : 'whole'))) as typeof fetch;
  expect(await (await retrying(plain)('/rack', page)).text()).toBe('whole');
});
