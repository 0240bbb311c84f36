import { tooOften } from './pace.ts';

test('one who knocks too often is told when to come again; others are not held up', async () => {
  for (let i = 0; i < 40; i++) expect(await tooOften('link', 'one')).toBeNull();
  const refused = await tooOften('link', 'one');
  expect(refused?.status).toBe(429);
  expect(Number(refused?.headers.get('retry-after'))).toBeGreaterThan(0);
  expect(await tooOften('link', 'another')).toBeNull();
  expect(await tooOften('pin', 'one')).toBeNull();
});
