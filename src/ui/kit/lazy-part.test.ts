import { describe, expect, test } from 'vitest';
import { fetchPart } from './lazy-part.ts';

describe('a part that comes when it is shown', () => {
  test('one that cannot be fetched is asked for again until it is here', async () => {
    const answers = [new Error('away'), new Error('away'), 'part'] as const;
    let asked = 0;
    let waited = 0;
    const part = await fetchPart(
      () => {
        const answer = answers[asked++];
        return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer);
      },
      () => {
        waited++;
        return Promise.resolve();
      },
    );
    expect([part, asked, waited]).toEqual(['part', 3, 2]);
  });

  test('one that is here at once is asked for once', async () => {
    let asked = 0;
    expect(await fetchPart(() => Promise.resolve(++asked))).toBe(1);
    expect(asked).toBe(1);
  });
});
